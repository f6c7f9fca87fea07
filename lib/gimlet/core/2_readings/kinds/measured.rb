# frozen_string_literal: true

require_relative "../../0_quantities/measuring_tools"
require_relative "../../0_quantities/quantity"
require_relative "kind"

module Gimlet::Core
  module Readings
    module Kinds
      # A size taken with a tool. Used parts wear in a direction that is known, and swell a little the other way.
      class Measured
        include Kind

        # A bare whole figure up to here is a count.
        LARGEST_COUNT = 9
        # What a size may be when nothing is known of it: about as spread out as the sizes on file.
        TOP_OF_THE_BELL = Math.sqrt(2 * Math::PI)

        def figure? = true
        def number? = true
        def with_tool? = true
        def keeps?(value) = value.is_a?(Numeric)
        def example(trait, value, noun) = [Reading.plain(value), trait.unit, noun].compact.join(" ")

        def bare?(_trait, piece, behind:, counted:, **)
          figure = piece.upper
          figure.denominator != 1 || (figure > LARGEST_COUNT && (behind || !counted.call))
        end

        def accept(trait, given, unit)
          quantity = if given.is_a?(Numeric) then Quantity.of(given, unit || trait.unit)
                     else Quantity.parse(given, default_unit: unit || trait.unit)
                     end
          limited(trait, quantity.to(trait.unit).round(4))
        end

        def hear(trait, piece)
          return if piece.unit && Units::KIND_OF[piece.unit] != Units::KIND_OF[trait.unit]
          return { range: piece.span, unit: piece.unit }.compact if piece.span

          { value: piece.figure, unit: piece.unit }.compact if piece.figure
        end

        # The bell curve relative to its top, so that a range and a value compare.
        def fits(reading, value, _choices)
          low, high = reading.bounds
          off = [low - value, value - high, 0].max
          sigma = spread(reading, value, low > value)
          agreed = Likelihoods::BLUNDER + ((1 - Likelihoods::BLUNDER) * Math.exp(-(off**2) / (2 * (sigma**2))))
          reading.denied ? 1 - agreed : agreed
        end

        # Half of all sizes lie on one side of one.
        EITHER_SIDE = 0.5

        def unseen(reading, values)
          return EITHER_SIDE if reading.range&.any?(&:nil?)

          sizes = values.flatten.grep(Numeric)
          told = reading.middle
          width = [(sizes.max || told) - (sizes.min || 0), told].max
          Likelihoods::BLUNDER + [spread(reading, told, false) * TOP_OF_THE_BELL / width, 0.9].min
        end

        def best(_reading) = 1.0
        def label(trait, value) = "#{Reading.plain(value)} #{trait.unit}"

        private

        def spread(reading, value, above)
          error = tolerance(reading, value) * (reading.hedged ? Likelihoods::HEDGED : 1)
          Math.hypot(error, wear(reading.definition, above))
        end

        def tolerance(reading, value)
          tool = MeasuringTools.error(reading.tool)
          reading.definition.unit == "kg" ? [Likelihoods::MASS_TOLERANCE * value, tool].max : tool
        end

        def wear(trait, above)
          return 0 unless trait.wears

          with = trait.wears == (above ? "up" : "down")
          return with ? Likelihoods::WORN_PLUNGER_MM : 0 unless trait.slot

          with ? Likelihoods::WORN_MM : Likelihoods::SWOLLEN_MM
        end
      end
    end
  end
end
