# frozen_string_literal: true

require_relative "likelihood"

module Gimlet
  module Core
    module Candidates
      # Bayes' rule over a field: P(v|e) ∝ prior(v) · Π P(e_i|v).
      class Posterior
        # @return [Array<Float>] of each candidate, adding up to 1
        attr_reader :probabilities
        # @return [Array<Reading>] the readings that say something
        attr_reader :readings

        # @param field [Field]
        # @param readings [Array<Reading>]
        # @param prior [Array<Float>]
        def initialize(field, readings, prior:)
          @field = field
          @prior = prior
          @readings = readings.reject(&:unknown)
          @speed = @readings.find { |one| one.trait == "speed_rpm" && one.value }
          @weights = @readings.map { |reading| weigh(reading) }
          @probabilities = normal(@weights.reduce(prior) { |all, weights| times(all, weights) })
        end

        # @return [Array<Float>] the belief had this reading not been taken
        def without(reading)
          others = @weights.each_index.reject { |at| @readings[at].equal?(reading) }
          normal(others.reduce(@prior) { |all, at| times(all, @weights[at]) })
        end

        # How well a reading suits one candidate: 1 when it fits as well as a reading can.
        # @return [Float]
        def fit(reading, candidate)
          weights = @weights[@readings.index { |one| one.equal?(reading) }]
          weights[candidate] / (Likelihood.best(reading) || weights.max)
        end

        private

        # Flow goes with speed: 4 gpm at 1750 rpm and 3.3 gpm at 1450 rpm are the same pump.
        def weigh(reading)
          column = flow_at_speed?(reading) ? scaled_flow : @field.column(reading.trait)
          found = Likelihood.over(reading, column.values)
          column.places.map { |place| found[place] }
        end

        def flow_at_speed?(reading) = reading.trait == "flow_l_min" && @speed

        def scaled_flow
          column = @field.column("flow_per_rev")
          Column.new(values: column.values.map { |one| one && (one * @speed.value) }, places: column.places)
        end

        def times(all, weights)
          all.each_index.map { |at| all[at] * weights[at] }
        end

        def normal(weights)
          total = weights.sum
          total.positive? ? weights.map { |one| one / total } : @prior
        end
      end
    end
  end
end
