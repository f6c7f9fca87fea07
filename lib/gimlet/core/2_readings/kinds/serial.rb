# frozen_string_literal: true

require_relative "kind"

module Gimlet::Core
  module Readings
    module Kinds
      # A serial number; on file are ranges of them, open at either end.
      class Serial
        include Kind

        EVERY = (nil...nil)

        def figure? = true
        def definable? = false
        def compared? = false
        def at_its_word? = false
        def not_to_be_read?(_trait) = true
        def example(_trait, span, _noun) = "serial #{span.begin || ((span.end || 101) - 1)}"
        def accept(trait, given, _unit) = whole(trait, given.is_a?(Numeric) ? given : given.to_s.delete(" ,."))
        def answer?(value) = super && value != EVERY

        def hear(_trait, piece)
          { value: piece.digits.to_i } if piece.digits && piece.unit.nil? && !piece.alien
        end

        # @param span [Range]
        def fits(reading, span, _choices)
          low, high = reading.bounds
          inside = high >= (span.begin || 0) && low < (span.end || Float::INFINITY)
          inside ? 1 - mistaken(reading) : mistaken(reading)
        end

        # Any pump has some serial.
        def unseen(reading, _values) = 1 - mistaken(reading)
        def best(reading) = 1 - mistaken(reading)

        def label(_trait, span)
          return span.to_s unless span.is_a?(Range)
          return "before #{span.end}" unless span.begin

          span.end ? "#{span.begin} to #{span.end - 1}" : "#{span.begin} or later"
        end
      end
    end
  end
end
