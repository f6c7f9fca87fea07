# frozen_string_literal: true

require_relative "measured"

module Gimlet::Core
  module Readings
    module Kinds
      # A value on papers or on the machine's plate. On file it may be a range that the item serves, such as a valve for 4 to 20 L/min.
      class Rated < Measured
        def with_tool? = false
        def tool(_usual) = "papers"
        def keeps?(value) = value.is_a?(Numeric) || value.is_a?(Range)
        def example(trait, value, _noun) = "#{Reading.plain(value)} #{trait.unit}"
        def bare?(_trait, piece, behind:, **) = behind && piece.upper > LARGEST_COUNT

        # What is asked of an item may be anything that it serves: the wider its range, the less one value speaks for it.
        def fits(reading, value, choices)
          return super unless value.is_a?(Range)

          low, high = reading.bounds
          inside = low <= value.end && high >= (value.begin || 0)
          width = value.end - (value.begin || 0)
          agreed = Likelihoods::BLUNDER + (inside ? [spread(reading, value.end, false) * TOP_OF_THE_BELL / width, 1 - Likelihoods::BLUNDER].min : 0)
          reading.denied ? 1 - agreed : agreed
        end

        # A range is no answer to what a rating is.
        def answer?(value) = super && !value.is_a?(Range)

        def label(trait, value)
          return super unless value.is_a?(Range)

          "#{value.begin ? "#{value.begin} to" : 'up to'} #{value.end} #{trait.unit}"
        end

        private

        def tolerance(_reading, value) = Likelihoods::RATING_TOLERANCE * value
      end
    end
  end
end
