# frozen_string_literal: true

require_relative "kind"

module Gimlet::Core
  module Readings
    module Kinds
      # One of a few named values: brass, left, three on top.
      class Chosen
        include Kind

        # Said instead of a value that no pump of the catalogue has.
        ANOTHER = "another"

        def worded? = true
        def listed? = true
        def not_to_be_read?(trait) = trait.values.empty?
        def accept(trait, given, _unit) = words(trait, given)

        def hear(trait, piece)
          value = piece.values[trait.id]
          value && { value: value }
        end

        def fits(reading, value, choices)
          wrong = mistaken(reading)
          agrees = same?(reading, value)
          return agrees ? wrong : 1 - wrong if reading.denied

          agrees ? 1 - wrong : wrong / [choices - 1, Likelihoods::FEWEST_CHOICES].max
        end

        def unseen(reading, values)
          known = values.any? { |value| same?(reading, value) }
          return known ? 1 - mistaken(reading) : mistaken(reading) if reading.denied

          known ? mistaken(reading) / Likelihoods::FEWEST_CHOICES : 1 - mistaken(reading)
        end

        def best(reading) = 1 - mistaken(reading)
        def label(_trait, value) = value.to_s

        private

        def same?(reading, value) = value.to_s.casecmp?(reading.value.to_s)
      end
    end
  end
end
