# frozen_string_literal: true

require_relative "../2_readings/reading"
require_relative "plate_match"

module Gimlet
  module Core
    module Candidates
      # P(reading | value on file), up to a factor that is the same for every candidate.
      module Likelihood
        # A measurement that is plain wrong (wrong part measured, misread scale) is this likely.
        # Common practice, no source.
        BLUNDER = 0.05
        # Plungers only wear thinner: how far, in mm, a worn one commonly is below size. Common practice, no source.
        WEAR_MM = 0.15
        # Ratings on papers are rounded and converted. Common practice, no source.
        RATING_TOLERANCE = 0.05

        # One glyph of a plate, guessed.
        CHANCE_GLYPH = 0.05
        # A plate with three lookalikes and one glyph lost is still a plate of that pump.
        WORST_PLATE = (3 * PlateMatch::ALIKE) + PlateMatch::LOST_END

        module_function

        # @param reading [Reading] neither unknown nor a serial
        # @param values [Array] the distinct values on file, nil for "not on file"
        # @return [Array<Float>] one for each value; nil gets the mean of the others
        def over(reading, values)
          known = values.reject { |value| value.nil? || value == [] }
          choices = known.flatten.uniq.size
          found = known.to_h { |value| [value, of_value(reading, value, choices)] }
          mean = found.empty? ? 1.0 : found.values.sum / found.size
          values.map { |value| found.fetch(value, mean) }
        end

        # A pump holds several seals: the one in hand may be any of them.
        def of_value(reading, value, choices)
          return for_kind(reading, value, choices) unless value.is_a?(Array)

          value.map { |one| for_kind(reading, one, choices) }.max
        end

        def for_kind(reading, value, choices)
          case reading.definition.kind
          when :measured, :rated then sized(reading, value)
          when :serial then serial(reading, value)
          else told(reading, value, choices)
          end
        end

        # @return [Float] what a value that fits as well as can be expected would get
        def best(reading)
          case reading.definition.kind
          when :measured, :rated then 1.0
          when :plate then Math.exp(WORST_PLATE + (reading.value.count("A-Za-z0-9") * PlateMatch::SAME))
          else 1 - confusion(reading)
          end
        end

        # @return [Float] chance that this observer names a wrong value of this trait
        def confusion(reading)
          reading.definition.confusion * Readings::OBSERVERS.fetch(reading.observer)
        end

        def told(reading, value, choices)
          wrong = confusion(reading)
          spread = [choices - 1, 3].max
          return 1 - wrong if same?(reading, value)
          # Someone who counts wrongly is mostly out by one.
          return wrong / 2 if value.is_a?(Integer) && reading.value && (value - reading.value).abs == 1

          wrong / spread
        end

        # @param span [Range] of serials, open at either end
        def serial(reading, span)
          low, high = reading.range || [reading.value, reading.value]
          inside = high >= (span.begin || 0) && low < (span.end || Float::INFINITY)
          inside ? 1 - confusion(reading) : confusion(reading)
        end

        def same?(reading, value)
          return value.between?(*reading.range) if reading.range

          value.to_s.casecmp?(reading.value.to_s)
        end

        # The part of the bell curve relative to its top, so that a range and a value compare.
        def sized(reading, value)
          low, high = reading.range || [reading.value, reading.value]
          off = [low - value, value - high, 0].max
          above = low > value
          sigma = spread(reading, value)
          sigma = Math.hypot(sigma, WEAR_MM) if reading.definition.wears && !above
          BLUNDER + ((1 - BLUNDER) * Math.exp(-(off**2) / (2 * (sigma**2))))
        end

        def spread(reading, value)
          return RATING_TOLERANCE * value if reading.definition.kind == :rated

          tool = Readings::TOOLS.fetch(reading.tool)
          reading.definition.unit == "kg" ? [0.03 * value, tool].max : tool
        end

        # A plate from another pump happens; then its text says nothing.
        # @param plates [PlateIndex]
        # @return [Array<Float>] by place
        def over_plates(reading, plates, size)
          wrong = confusion(reading)
          nothing = wrong * (CHANCE_GLYPH**reading.value.count("A-Za-z0-9"))
          all = Array.new(size, nothing)
          plates.search(reading.value).each { |place, matched| all[place] += (1 - wrong) * Math.exp(matched) }
          all
        end
      end
    end
  end
end
