# frozen_string_literal: true

require_relative "../value"
require_relative "likelihood"

module Gimlet
  module Core
    module Candidates
      # Bayes' rule over a field: P(v|e) ∝ prior(v) · Π P(e_i|v).
      class Posterior
        # A reading weighed: one likelihood for each distinct value, and which of them each candidate has.
        Weighed = Value.of(:reading, :found, :places) do
          def of(candidate) = found[places[candidate]]
        end

        # @return [Array<Float>] of each candidate, adding up to 1
        attr_reader :probabilities

        # @param field [Field]
        # @param readings [Array<Reading>]
        # @param prior [Array<Float>]
        def initialize(field, readings, prior:)
          @field = field
          @prior = prior
          # Saying the same thing twice makes it no surer.
          telling = readings.reject(&:unknown).uniq { |one| [one.trait, one.value, one.range] }
          @speed = telling.find { |one| one.trait == "speed_rpm" && one.value }
          @weighed = telling.map { |reading| weigh(reading) }
          @probabilities = product(@weighed)
        end

        # @return [Array<Reading>] the readings that say something
        def readings = @weighed.map(&:reading)

        # @return [Array<Float>] the belief had this reading not been taken
        def without(reading) = product(@weighed.reject { |one| one.reading.equal?(reading) })

        # How well a reading suits one candidate: 1 when it fits as well as a reading can.
        # @return [Float]
        def fit(reading, candidate)
          weighed = @weighed.find { |one| one.reading.equal?(reading) }
          [weighed.of(candidate) / Likelihood.best(reading), 1.0].min
        end

        private

        def weigh(reading)
          column = flow_at_speed?(reading) ? scaled_flow : @field.column(reading.trait)
          found = if reading.trait == "plate" then Likelihood.over_plates(reading, @field.plates, column.values.size)
                  else Likelihood.over(reading, column.values)
                  end
          Weighed.new(reading: reading, found: found, places: column.places)
        end

        # Flow goes with speed: 4 gpm at 1750 rpm and 3.3 gpm at 1450 rpm are the same pump.
        def flow_at_speed?(reading) = reading.trait == "flow_l_min" && @speed

        def scaled_flow
          column = @field.column("flow_per_rev")
          Column.new(values: column.values.map { |one| one && (one * @speed.value) }, places: column.places)
        end

        def product(weighed)
          weights = @prior.dup
          weighed.each do |one|
            found, places = one.found, one.places
            weights.map!.with_index { |weight, at| weight * found[places[at]] }
          end
          total = weights.sum
          total.positive? ? weights.map! { |one| one / total } : @prior
        end
      end
    end
  end
end
