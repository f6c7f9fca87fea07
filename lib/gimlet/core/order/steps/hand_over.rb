# frozen_string_literal: true

require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # What is in the bag goes to the customer: all of it, or what has come so far.
      class HandOver < Step
        NAME = "hand over"
        AS_AGREED = true
        FROM = %w[ordered waiting picked checked].freeze
        EFFECT = %w[handed_over handed_over_unchecked].freeze
        SERVICE = true
        HOW = %w[fetched posted].freeze

        field "how", { "enum" => HOW }
        field "to", NOTE, required: false
        field "reason", NOTE, required: false
        # Whether the bags of the other orders of its call go out with it.
        field "together", { "type" => "boolean" }, required: false

        def self.call(body, life)
          life.bagged? || life.all_out? || reject("number", "nothing_picked", "Nothing of order #{life.id} is in its bag: pick first.")
          life.unchecked? && Reason.check(body["reason"], "Not every piece was checked: check them, or say why it goes out unchecked.")
          body["to"].to_s.strip.empty? && reject("to", "nobody_named", "Say who takes it, or the number of the parcel.")
          movements = moves("handed_over", life, &:checked) + moves("handed_over_unchecked", life, body["reason"]) do |good|
            good.bagged - good.checked
          end
          gone = movements.map { |one| [one.kind, one.number, one.quantity] }
          outcome({ **body, "gone" => gone }, movements: movements, stage: ("handed_over" if all?(life)))
        end

        # @return [Boolean] whether its bag may go out with another order's
        def self.goes_along?(life) = from?(life) && life.bagged?

        def self.next?(life) = life.bagged? || life.state == "checked"

        # It was not fetched after all: everything is in the bag again, as it was.
        def self.undo(body, life)
          gone = body["gone"] or return
          { stage: "open", movements: gone.map { |kind, number, count| move("not_#{kind}", life.good(number), count, life) } }
        end

        # Whether nothing is left to come.
        def self.all?(life) = life.goods.all? { |good| good.open.zero? }
        private_class_method :all?

        def self.words(body)
          [body["how"] == "posted" ? "posted" : "handed over", body["to"] && "to #{body['to']}",
           body["reason"] && "unchecked: #{body['reason']}"].compact.join(" ")
        end
      end
    end
  end
end
