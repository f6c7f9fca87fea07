# frozen_string_literal: true

require_relative "kind"

module Gimlet::Core
  module Readings
    module Kinds
      # A number of equal things: bolts, caps, plungers.
      class Counted
        include Kind

        def figure? = true
        def number? = true
        def keeps?(value) = value.is_a?(Numeric)
        def none(_trait) = { value: 0 }
        def heard_as_figure?(phrase) = phrase.match?(/\A\d+\z/)
        def counts?(trait, figure) = figure <= (trait.most || 99)
        def example(_trait, value, noun) = noun ? "#{value} #{noun}s" : value.to_s

        def bare?(trait, piece, behind:, taking:, **)
          (trait.most.nil? || piece.upper <= trait.most) && !(behind && taking.call)
        end

        def accept(trait, given, _unit) = whole(trait, given)

        def hear(trait, piece)
          return { value: piece.figure.to_i } if piece.whole?
          return { range: piece.span } if piece.span && piece.unit.nil?

          value = piece.values[trait.id]
          value && { value: value.to_i }
        end

        def fits(reading, value, choices)
          wrong = mistaken(reading)
          agrees = agrees?(reading, value)
          return agrees ? wrong : 1 - wrong if reading.denied
          return 1 - wrong if agrees
          return wrong * Likelihoods::OUT_BY_ONE if out_by_one?(reading, value)

          wrong * (1 - Likelihoods::OUT_BY_ONE) / [choices - 1, Likelihoods::FEWEST_CHOICES].max
        end

        def unseen(reading, values)
          known = values.any? { |value| agrees?(reading, value) }
          known ? mistaken(reading) / Likelihoods::FEWEST_CHOICES : 1 - mistaken(reading)
        end

        def best(reading) = 1 - mistaken(reading)
        def label(_trait, value) = value.to_s

        private

        def agrees?(reading, value) = reading.range ? value.between?(*reading.bounds) : value == reading.value
        def out_by_one?(reading, value) = reading.value && (value - reading.value).abs == 1
      end
    end
  end
end
