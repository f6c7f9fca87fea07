# frozen_string_literal: true

module Gimlet
  module Exchange
    module Paper
      # The parts of an order in the words of the card.
      class PartsLines
        # @param record [Hash] of an order, of the present version
        def initialize(record)
          @record = record
          @parts = record["parts"]
        end

        # @return [Array<Array>] quantity, number, name, what it serves
        def rows
          @parts["lines"].map { |line| [packs(line), line["number"], line["name"], [covers(line), by_hand(line)].compact.join(" ")] }
        end

        # @return [Array<String>] what is not in the bag
        def lacking
          @parts["unfilled"].map { |one| "NOT SUPPLIED: #{one['quantity']} × #{one['name']} #{one['part']}: #{one['reason']}." }
        end

        # @return [Array<String>] what else to know of the bag
        def remarks = stand_ins + had + surplus

        # @return [Array<String>] what goes along and may come back unused
        def held
          @record["held"].map { |one| "#{one['quantity']} × #{one['part']} #{one['name']}: goes along in case, bring it back unused." }
        end

        private

        # "3", or "1 pack of 3" where a sale unit holds several.
        def packs(line)
          return line["quantity"] if line["pack"] == 1

          "#{line['quantity']} #{line['quantity'] == 1 ? 'pack' : 'packs'} of #{line['pack']}"
        end

        def by_hand(line) = line["reason"] && "set by hand: #{line['reason']}"

        def covers(line)
          return unless line["kit"]

          line["covers"].map { |number, pieces| "#{pieces * line['quantity']} × #{number}" }.join(", ")
        end

        def stand_ins
          @parts["unfilled"].flat_map do |one|
            one["stand_ins"].map { |other| "For a while only, in place of #{one['part']}: #{other['part']}, #{other['note']}." }
          end
        end

        def had
          @record["why"].select { |line| line["had"].to_i.positive? }
                        .map { |line| "There already, not sold: #{line['had']} × #{line['part']} #{line['name']}." }
        end

        def surplus = @parts["surplus"].map { |one| "Left over: #{one['quantity']} × #{one['name']} #{one['part']}." }
      end
    end
  end
end
