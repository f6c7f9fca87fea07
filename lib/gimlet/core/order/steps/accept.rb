# frozen_string_literal: true

require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # The customer says yes to a quote, at its prices.
      class Accept < Step
        NAME = "order it"
        FROM = %w[quoted].freeze
        EFFECT = %w[reserved].freeze
        BUTTON = "Order it"
        PROMISES_TOOLS = true

        def self.call(body, life)
          life.valid_until && life.today > life.valid_until &&
            reject("valid_until", "quote_expired", "This quote ran out on #{life.valid_until}: give it more days, or amend it for today's prices.")
          outcome(body, stage: "open")
        end

        # A quote again, to which nothing is promised.
        def self.undo(_body, life) = { stage: "quoted", movements: moves("released", life, &:reserved) }

        def self.words(_body) = "the quote was taken"
      end
    end
  end
end
