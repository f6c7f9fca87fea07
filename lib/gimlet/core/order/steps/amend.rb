# frozen_string_literal: true

require_relative "../step"
require_relative "quote"

module Gimlet::Core
  class Order
    module Steps
      # Its ticket is opened again and saved otherwise. What is not wanted any more goes back to the shelf; what was cancelled counts again.
      class Amend < Step
        NAME = "amend"
        FROM = %w[quoted ordered waiting picked checked cancelled].freeze
        EFFECT = %w[put_back unchecked released reserved].freeze
        SAVING = true

        # @param life [Life] as it was; `body["wanted"]` is what is wanted now, by number
        def self.call(body, life)
          handed = life.goods.find { |good| good.handed > body["wanted"].fetch(good.number, 0) }
          handed && reject("wanted", "handed_over", "#{handed.handed} × #{handed.number} are handed over already: take them back first.")
          back = surplus(body, life)
          return outcome(body, stage: "quoted", columns: { valid_until: (life.today + Quote::VALID_DAYS).iso8601 }) if life.stage == "quoted"

          outcome(body, movements: back, stage: "open")
        end

        def self.surplus(body, life)
          life.goods.flat_map do |good|
            left = body["wanted"].fetch(good.number, 0) - good.handed
            shed = [good.bagged - left, 0].max
            kept = (left - good.bagged).clamp(0, good.reserved)
            [["unchecked", [good.checked - (good.bagged - shed), 0].max], ["put_back", shed], ["released", good.reserved + shed - kept]]
              .filter_map { |kind, count| move(kind, good, count, life) if count.positive? }
          end
        end
        private_class_method :surplus

        def self.words(body) = "amended: #{body['reason']}"
      end
    end
  end
end
