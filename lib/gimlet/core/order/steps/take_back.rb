# frozen_string_literal: true

require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # A piece comes back.
      class TakeBack < Step
        NAME = "take back"
        FROM = %w[ordered waiting picked checked handed_over closed].freeze
        EFFECT = %w[returned stays_out].freeze
        SERVICE = true
        # Why, as figures and learning count it.
        REASONS = { "unused" => "went along in case and was not used", "wrong_identification" => "it was for another pump",
                    "wrong_piece" => "another piece was in the bag", "faulty" => "it is faulty", "changed_mind" => "not wanted any more" }.freeze

        field "number", TEXT.call(40)
        field "quantity", QUANTITY
        field "because", { "enum" => REASONS.keys }
        field "to_shelf", { "type" => "boolean" }

        def self.call(body, life)
          good = good(body, life)
          enough(good.out, body, "#{good.out.zero? ? 'None' : "Only #{good.out}"} of #{good.number} is with the customer.")
          body["because"] == "faulty" && body["to_shelf"] && reject("to_shelf", "faulty", "What is faulty does not go back to the shelf.")
          outcome(body, movements: [move(body["to_shelf"] ? "returned" : "stays_out", good, body["quantity"], life, REASONS[body["because"]])])
        end

        def self.undo(body, life)
          kind = body["to_shelf"] ? "not_returned" : "not_stays_out"
          { movements: [move(kind, good(body, life), body["quantity"], life)] }
        end

        def self.next?(life) = life.goods.any? { |good| good.out.positive? }

        def self.words(body) = "#{body['quantity']} × #{body['number']} came back: #{REASONS[body['because']]}"
      end
    end
  end
end
