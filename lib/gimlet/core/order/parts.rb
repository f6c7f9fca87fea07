# frozen_string_literal: true

require_relative "order"

module Gimlet::Core
  class Order
    # The parts of an order in words, from its record.
    class Parts
      # @param record [Hash] of the present version
      def initialize(record)
        @record = record
        @parts = record["parts"]
      end

      # @return [Array<Array>] quantity, number, name, what it serves
      def rows
        @parts["lines"].map do |line|
          [packs(line), line["number"], line["name"], [covers(line), in_place_of(line), by_hand(line)].compact.join(" ")]
        end
      end

      # @return [Array<String>] what else to know of the bag
      def remarks = stand_ins + had + surplus

      private

      # "3", or "1 pack of 3" where a sale unit holds several.
      def packs(line)
        return line["quantity"] if line["pack"] == 1

        "#{line['quantity']} #{line['quantity'] == 1 ? 'pack' : 'packs'} of #{line['pack']}"
      end

      def by_hand(line) = line["reason"] && "set by hand: #{line['reason']}"

      # What was asked for and is sold under another number.
      def in_place_of(line)
        other = line["kit"] ? [] : (line["covers"] || {}).keys - [line["number"]]
        "in place of #{other.join(', ')}" if other.any?
      end

      def covers(line)
        return unless line["kit"]

        line["covers"].map { |number, pieces| "#{(pieces * line['quantity']).round} × #{number}" }.join(", ")
      end

      def stand_ins
        @parts["unfilled"].flat_map do |line|
          line["stand_ins"].map { |other| "For a while only, in place of #{line['part']}: #{other['part']}, #{other['note']}." }
        end
      end

      def had
        @record["why"].select { |line| line["had"].to_i.positive? }
                      .map { |line| "There already, not sold: #{line['had']} × #{line['part']} #{line['name']}." }
      end

      def surplus = @parts["surplus"].map { |line| "Left over: #{line['quantity']} × #{line['name']} #{line['part']}." }
    end
  end
end
