# frozen_string_literal: true

require_relative "../step"

module Gimlet::Core
  class Order
    module Steps
      # It counts no more, for a reason; its pieces go back to where they belong.
      class Cancel < Step
        NAME = "cancel"
        FROM = %w[quoted ordered waiting picked checked handed_over].freeze
        SERVICE = true
        EFFECT = %w[released put_back unchecked returned stays_out].freeze
        # What becomes of pieces that the customer has.
        HANDED = { "shelf" => "they are back on the shelf", "scrapped" => "they came back and are scrapped",
                   "kept" => "the customer keeps them" }.freeze

        field "reason", { "type" => "string", "maxLength" => 400 }
        field "handed", { "enum" => [*HANDED.keys, nil] }, required: false

        def self.call(body, life)
          Reason.check(body["reason"].strip, "Say in a few words why the order is cancelled.")
          no_tools_out(life)
          out = life.goods.sum(&:out)
          out.positive? && body["handed"].nil? &&
            reject("handed", "handed_over",
                   "#{out} #{out == 1 ? 'piece is' : 'pieces are'} with the customer: say whether it came back, is scrapped, or is kept.")
          reason = body["reason"].strip
          kept = { **body, "reason" => reason, "was" => life.stage, "out" => life.goods.to_h { |good| [good.number, good.out] } }
          outcome(kept, movements: in_the_shop(life) + outside(body, life), stage: "cancelled", columns: { cancelled_because: reason })
        end

        # It counts again: what the customer has is theirs again, what lay in the bag is on the shelf and waits to be picked.
        def self.undo(body, life)
          return unless body["was"]

          kind = { "shelf" => "not_returned", "scrapped" => "not_stays_out" }[body["handed"]]
          out = kind ? life.goods.map { |good| [good, body["out"].fetch(good.number, 0)] }.select { |_, count| count.positive? } : []
          { stage: body["was"], movements: out.map { |good, count| move(kind, good, count, life) } }
        end

        def self.in_the_shop(life)
          moves("unchecked", life, &:checked) + moves("put_back", life, &:bagged) + moves("released", life) { |good| good.reserved + good.bagged }
        end

        def self.outside(body, life)
          case body["handed"]
          when "shelf" then moves("returned", life, body["reason"], &:out)
          when "scrapped" then moves("stays_out", life, body["reason"], &:out)
          else []
          end
        end
        private_class_method :in_the_shop, :outside

        def self.words(body) = ["cancelled: #{body['reason']}", HANDED[body["handed"]]].compact.join("; ")
      end
    end
  end
end
