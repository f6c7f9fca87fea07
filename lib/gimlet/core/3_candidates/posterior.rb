# frozen_string_literal: true

require_relative "../2_readings/odds"
require_relative "observation"
require_relative "weighing"

module Gimlet
  module Core
    module Candidates
      # Bayes' rule over a field: P(v|e) ∝ prior(v) · Π P(e_i|v), with "none of these" as one candidate more.
      class Posterior
        Belief = Value.of(:weights, :none)

        # @return [Array<Float>] of each possibility; with `none` they add up to 1
        attr_reader :probabilities
        # @return [Float] that the pump is in no catalogue
        attr_reader :none
        # @return [Array<Weighed>]
        attr_reader :weighed

        # @param field [Field]
        # @param readings [Array<Readings::Reading>]
        # @param owned [Array<String>] designations this customer has
        def initialize(field, readings, owned: [])
          @field = field
          @owned = owned
          @observations = Observations.of(readings)
          speed = @observations.map { |one| one.readings.first }.find { |one| one.trait == "speed_rpm" && one.value && !one.denied }
          @weighing = Weighing.new(field, speed)
          @key = [owned, speed&.value]
          @weighed = @observations.map { |one| weigh(one) }
          belief = after(@observations.size)
          @probabilities = belief.weights
          @none = belief.none
        end

        # @return [Array<Readings::Reading>] the readings that count
        def readings = @observations.flat_map(&:readings)

        # @param weighed [Weighed]
        # @return [Belief] had this observation not been made
        def without(weighed)
          normal(Belief.new(weights: each_weight(probabilities, weighed, :/), none: none / weighed.none))
        end

        # @return [Integer] the likeliest possibility
        def leader = @leader ||= probabilities.each_index.max_by { |at| probabilities[at] }

        private

        def weigh(observation) = @field.recall([:weighed, @key, observation.told]) { @weighing.call(observation) }

        # Belief after the first observations, one step on from the belief before.
        def after(count)
          return start if count.zero?

          @field.recall([:belief, @key, @observations.take(count).map(&:told)]) do
            before, weighed = after(count - 1), @weighed[count - 1]
            normal(Belief.new(weights: each_weight(before.weights, weighed, :*), none: before.none * weighed.none))
          end
        end

        def start
          prior = @field.prior(@owned)
          @field.recall([:start, @owned]) do
            Belief.new(weights: prior.map { |one| one * (1 - Readings::Odds::NOT_IN_CATALOGUE) }, none: Readings::Odds::NOT_IN_CATALOGUE)
          end
        end

        def each_weight(weights, weighed, operation)
          found, places = weighed.found, weighed.places
          found = found.map { |one| 1 / one } if operation == :/
          weights.map.with_index { |weight, at| weight * found[places[at]] }
        end

        def normal(belief)
          total = belief.weights.sum + belief.none
          return start unless total.positive?

          scale = 1 / total
          Belief.new(weights: belief.weights.map { |one| one * scale }, none: belief.none * scale)
        end
      end
    end
  end
end
