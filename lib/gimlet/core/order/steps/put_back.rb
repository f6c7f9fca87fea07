# frozen_string_literal: true

require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # Out of the bag, back on the shelf; still promised.
      class PutBack < Step
        NAME = "put back"
        FROM = %w[ordered waiting picked checked].freeze
        RIGHT = "look"
        EFFECT = %w[unchecked put_back].freeze

        field "number", TEXT.call(40)
        field "quantity", QUANTITY

        def self.call(body, life)
          good = good(body, life)
          enough(good.bagged, body, "#{good.bagged.zero? ? 'None' : "Only #{good.bagged}"} of #{good.number} is in the bag.")
          again = good.checked - (good.bagged - body["quantity"])
          outcome({ **body, "unchecked" => [again, 0].max }, movements: [(move("unchecked", good, again, life) if again.positive?),
                                                                         move("put_back", good, body["quantity"], life)].compact)
        end

        def self.undo(body, life)
          good = life.good(body["number"])
          checked = body["unchecked"] or return
          { movements: [move("picked", good, body["quantity"], life), (move("checked", good, checked, life) if checked.positive?)].compact }
        end

        def self.words(body) = "put back #{body['quantity']} × #{body['number']}"
      end
    end
  end
end
