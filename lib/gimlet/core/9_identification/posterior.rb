# frozen_string_literal: true

require_relative "alive"
require_relative "observation"
require_relative "weighing"

module Gimlet
  module Core
    module Identification
      # Bayes' rule over a field: P(v|e) ∝ prior(v) · Π P(e_i|v), with "none of these" as one candidate more.
      #
      # Each belief goes on from the one before its last observation, which the field remembers: a step of a call costs one pass.
      class Posterior
        # Weights need not add up to 1.
        Belief = Value.of(:weights, :none)
        # @param field [Field]
        # @param readings [Array<Readings::Reading>]
        # @param owned [Array<String>] designations this customer has
        # @return [Posterior] made once for the same readings
        def self.of(field, readings, owned: [])
          field.recall(:beliefs, [:posterior, owned, readings.reject(&:unknown).map(&:content)]) { new(field, readings, owned: owned) }
        end

        # @return [Array<Weighed>]
        attr_reader :weighed

        def initialize(field, readings, owned: [])
          @field = field
          @owned = owned
          @observations = Observations.of(readings)
          per = told_per
          @weighing = Weighing.new(field, per)
          @key = [owned, per]
          @weighed = @observations.map { |observation| weigh(observation) }
          @belief = after(@observations.size)
          @total = @belief.weights.sum + @belief.none
        end

        # @return [Array<Readings::Reading>] the readings that count
        def readings = @observations.flat_map(&:readings)

        # @return [Float] of one hypothesis; with `none` all add up to 1
        def probability(at) = @belief.weights[at] / @total

        # @return [Float] that the pump is in no catalogue
        def none = @belief.none / @total

        # @return [Alive]
        def alive = @alive ||= Alive.of(@belief.weights, @belief.none)

        # @param weighed [Weighed]
        # @return [Alive] what would be had this observation not been made
        def without(weighed)
          belief = multiplied(@belief, weighed.found.map { |one| 1 / one }, weighed.places, 1 / weighed.none)
          Alive.of(belief.weights, belief.none)
        end

        private

        # What other traits go with, as far as it was told: { "speed_rpm" => 1450 }.
        def told_per
          wanted = @field.vocabulary.traits.each_value.filter_map(&:per).uniq
          told = @observations.map { |observation| observation.readings.first }.select { |reading| wanted.include?(reading.trait) }
          told.select { |reading| reading.value && !reading.denied }.to_h { |reading| [reading.trait, reading.value] }
        end

        def weigh(observation) = @field.recall(:results, [:weighed, @key, observation.content]) { @weighing.call(observation) }

        # Belief after the first observations, one step on from the belief before.
        def after(count)
          return start if count.zero?

          @field.recall(:beliefs, [:belief, @key, @observations.take(count).map(&:content)]) do
            weighed = @weighed[count - 1]
            top = [weighed.found.max, weighed.none].max
            multiplied(after(count - 1), weighed.found.map { |one| one / top }, weighed.places, weighed.none / top)
          end
        end

        def start
          @field.recall(:beliefs, [:start, @owned]) do
            prior = @field.prior(@owned)
            Belief.new(weights: prior.map { |one| one * (1 - @field.none) }, none: @field.none)
          end
        end

        def multiplied(belief, found, places, none)
          weights = belief.weights
          Belief.new(weights: Array.new(weights.size) { |at| weights[at] * found[places[at]] }, none: belief.none * none)
        end
      end
    end
  end
end
