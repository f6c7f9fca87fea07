# frozen_string_literal: true

require_relative "remaining"
require_relative "observation"
require_relative "weighing"

module Gimlet::Core
  module Identification
    # Bayes' rule over a field: P(v|e) ∝ prior(v) · Π P(e_i|v), with "none of these" as one candidate more.
    #
    # Each belief goes on from the one before its last observation, which the field remembers: a step of a call costs one pass.
    class Posterior
      # Weights need not add up to 1; those of what is unlisted in the order of Unlisted#start.
      Belief = Value.of(:weights, :unlisted) do
        def none = unlisted.sum
      end

      # Whoever asks for work that a pump has not has that pump so much less likely. Common practice, no source.
      WORK_LACKING = 0.05

      # @param field [Field]
      # @param readings [Array<Readings::Reading>]
      # @param owned [Array<String>] designations this customer has
      # @param lacking [Array<Integer>] places of what has none of the work that is asked for
      # @return [Posterior] made once for the same readings
      def self.of(field, readings, owned: [], lacking: [])
        field.recall(:beliefs, [:posterior, owned, lacking, readings.reject(&:unknown).map(&:content)]) do
          new(field, readings, owned: owned, lacking: lacking)
        end
      end

      # @return [Array<Weighed>]
      attr_reader :weighed

      def initialize(field, readings, owned: [], lacking: [])
        @field = field
        @owned = owned
        @lacking = lacking
        @observations = Observations.of(readings)
        per = told_per
        @weighing = Weighing.new(field, per)
        @key = [owned, lacking, per]
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

      # @return [Integer, nil] a place of the family that it would be of, in a size that is not on file, where that is likelier than none of them
      def kin
        outright, *families = @belief.unlisted
        @field.kin.values[families.index(families.max)].first if families.any? && families.max > outright
      end

      # @return [Remaining]
      def alive = @alive ||= Remaining.of(@belief.weights, @belief.none)

      # @param weighed [Weighed]
      # @return [Boolean] whether it tells the sizes of a family apart
      def by_size?(weighed) = @field.unlisted.by_size?(weighed.column)

      # @param weighed [Weighed]
      # @return [Remaining] what would be had this observation not been made
      def without(weighed)
        belief = multiplied(@belief, weighed.found.map { |one| 1 / one }, weighed.places, weighed.unlisted.map { |one| 1 / one })
        Remaining.of(belief.weights, belief.none)
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
          top = [weighed.found.max, *weighed.unlisted].max
          multiplied(after(count - 1), weighed.found.map { |one| one / top }, weighed.places, weighed.unlisted.map { |one| one / top })
        end
      end

      def start
        @field.recall(:beliefs, [:start, @owned, @lacking]) do
          weights = @field.prior(@owned).map { |one| one * (1 - @field.none) }
          @lacking.each { |at| weights[at] *= WORK_LACKING }
          Belief.new(weights: weights, unlisted: @field.unlisted.start)
        end
      end

      def multiplied(belief, found, places, unlisted)
        weights = belief.weights
        Belief.new(weights: Array.new(weights.size) { |at| weights[at] * found[places[at]] },
                   unlisted: belief.unlisted.zip(unlisted).map { |weight, chance| weight * chance })
      end
    end
  end
end
