# frozen_string_literal: true

require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # Off the shelf, into the order's bag.
      class Pick < Step
        NAME = "pick"
        AS_AGREED = true
        FROM = %w[ordered waiting].freeze
        RIGHT = "look"
        EFFECT = %w[picked].freeze
        SCAN = "Scan each piece into the bag"

        field "number", TEXT.call(40)
        field "quantity", QUANTITY

        def self.call(body, life)
          good = good(body, life)
          good.open.zero? && reject("number", "complete", "All #{good.wanted} × #{good.number} are in the bag.")
          enough(good.open, body, "Only #{good.open} more × #{good.number} are wanted.")
          enough(good.reserved, body, "#{good.reserved.zero? ? 'None' : "Only #{good.reserved}"} of #{good.number} is promised to this order: " \
                                      "the others have not come.")
          outcome(body, movements: [move("picked", good, body["quantity"], life)])
        end

        def self.undo(body, life) = { movements: [move("put_back", life.good(body["number"]), body["quantity"], life)] }

        def self.codes(life) = life.goods.select { |good| good.reserved.positive? }.map(&:number)

        def self.words(body) = "picked #{body['quantity']} × #{body['number']}"
      end
    end
  end
end
