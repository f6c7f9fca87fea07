# frozen_string_literal: true

require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # A ticket is saved as an order: what lies there is promised to it.
      class Place < Step
        NAME = "order"
        FROM = [].freeze
        EFFECT = %w[reserved].freeze
        SAVING = true

        def self.call(body, _life) = outcome(body, stage: "open")
        def self.words(body) = body["reason"] ? "ordered all the same: #{body['reason']}" : "ordered"
      end
    end
  end
end
