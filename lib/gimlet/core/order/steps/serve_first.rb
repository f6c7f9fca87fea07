# frozen_string_literal: true

require_relative "../../reason"
require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # What comes next goes to this order, whoever has waited longer. What is promised to others stays theirs.
      class ServeFirst < Step
        NAME = "serve it first"
        FROM = %w[ordered waiting].freeze
        EFFECT = %w[reserved].freeze
        # Before any order that waits its turn.
        AHEAD = Time.at(0).utc.freeze

        field "reason", { "type" => "string", "maxLength" => 400 }

        def self.call(body, _life)
          Reason.check(body["reason"], "Say in a few words why it goes before those that have waited longer.")
          outcome(body, columns: { ordered_at: AHEAD })
        end

        def self.next?(life) = life.goods.any? { |good| good.short.positive? } && (life.done || []).none? { |step| step.kind == id }

        def self.words(body) = "served first: #{body['reason']}"
      end
    end
  end
end
