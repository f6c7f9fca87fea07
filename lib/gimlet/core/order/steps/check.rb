# frozen_string_literal: true

require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # A second look at a piece in the bag, against the order.
      class Check < Step
        NAME = "check"
        AS_AGREED = true
        FROM = %w[ordered waiting picked].freeze
        RIGHT = "look"
        EFFECT = %w[checked].freeze
        SCAN = "Scan each piece to check"

        field "number", TEXT.call(40)
        field "quantity", QUANTITY

        def self.call(body, life)
          good = good(body, life)
          unchecked = good.bagged - good.checked
          enough(unchecked, body,
                 good.bagged.zero? ? "No #{good.number} is in the bag yet: pick it first." : "#{left(unchecked)} × #{good.number} left to check.")
          life.own_pick?(good.number) && !life.checks_alone? &&
            reject("who", "own_pick", "You picked #{good.number} yourself: let somebody else check it, or say why nobody else does.")
          outcome(body, movements: [move("checked", good, body["quantity"], life)])
        end

        def self.left(unchecked) = unchecked.zero? ? "None" : "Only #{unchecked}"
        private_class_method :left

        def self.undo(body, life) = { movements: [move("unchecked", life.good(body["number"]), body["quantity"], life)] }

        def self.codes(life) = life.goods.select { |good| good.bagged > good.checked }.map(&:number)

        def self.words(body) = "checked #{body['quantity']} × #{body['number']}"
      end
    end
  end
end
