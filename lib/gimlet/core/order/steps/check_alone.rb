# frozen_string_literal: true

require_relative "../../reason"
require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # Whoever picked checks as well, and says why nobody else does.
      class CheckAlone < Step
        NAME = "check what one picked oneself"
        FROM = %w[ordered waiting picked].freeze
        RIGHT = "look"
        field "reason", { "type" => "string", "maxLength" => 400 }

        def self.call(body, life)
          next?(life) || reject("kind", "not_alone", "There is nothing of order #{life.id} in its bag that you picked yourself.")
          Reason.check(body["reason"], "Say in a few words why nobody else checks what you picked.")
          outcome(body)
        end

        # @return [Boolean] whether something is left to check that they picked themselves
        def self.next?(life)
          !life.checks_alone? && life.goods.any? { |good| good.checked < good.bagged && life.own_pick?(good.number) }
        end

        def self.words(body) = "checked by who picked: #{body['reason']}"
      end
    end
  end
end
