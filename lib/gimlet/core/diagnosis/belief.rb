# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  module Diagnosis
    # The exact posterior over one to three causes at once, no two of one group, and no three but the common ones.
    class Belief
      AT_ONCE = 3
      # Share of calls from which on a cause is common.
      COMMON = 0.03
      # A sign that is there is told of its own accord about so often. Common practice, no source.
      TOLD = 0.5
      # A second fault at the same time is so much rarer than its share of calls. Common practice, no source.
      ANOTHER = 0.3
      # Sets of causes that are less likely than this say nothing any more.
      LEAST = 1e-4

      # @param belief [Hash{Array<Cause>=>Float}]
      # @return [Float] the probability that this cause is at work
      def self.share(belief, cause) = belief.sum { |causes, weight| causes.any? { |one| one.equal?(cause) } ? weight : 0 }

      # @param model [Model]
      def initialize(model)
        @model = model
        @sets = (1..AT_ONCE).flat_map { |size| sets(size) }
        @chances = {}
        @silent = unasked.reduce(@sets.map { |causes| prior(causes) }) do |all, sign|
          all.zip(chances(sign)).map { |weight, chance| weight * (1 - (TOLD * chance)) }
        end
      end

      # @param evidence [Evidence]
      # @return [Hash{Array<Cause>=>Float}] by identity; sums to 1
      def call(evidence)
        weights = @silent.dup
        @model.signs.each_value { |sign| weigh(weights, sign, evidence) }
        total = weights.sum
        likely = @sets.zip(weights).select { |_, weight| weight > total * LEAST }
        sum = likely.sum(&:last)
        likely.each_with_object({}.compare_by_identity) { |(causes, weight), all| all[causes] = weight / sum }
      end

      private

      def sets(size)
        causes = size < AT_ONCE ? @model.causes : @model.causes.select { |cause| cause.often >= COMMON }
        causes.combination(size).select { |some| some.uniq(&:group).size == size }
      end

      # Signs of which something would have been said.
      def unasked = @model.signs.values.select(&:spoken_of?)
      def prior(causes) = causes.reduce(ANOTHER**(causes.size - 1)) { |all, one| all * one.often }

      # Of each set; one cause's share in not showing it is looked up once.
      def chances(sign)
        @chances[sign.id] ||= begin
          silent = @model.causes.each_with_object({}.compare_by_identity) { |cause, all| all[cause] = 1 - sign.shows.fetch(cause.id, 0) }
          @sets.map { |causes| 1 - causes.reduce(1 - sign.anyway) { |none, cause| none * silent[cause] } }
        end
      end

      def weigh(weights, sign, evidence)
        aside = evidence.spoken_for?(sign, @model)
        silent = sign.spoken_of? ? TOLD : 0
        return if aside ? silent.zero? : !evidence.known?(sign)

        chances(sign).each_with_index do |chance, at|
          weights[at] *= (aside ? 1 : likelihood(sign, chance, evidence)) / (1 - (silent * chance))
        end
      end

      def likelihood(sign, chance, evidence)
        if evidence.measured.key?(sign.id) then evidence.measured[sign.id].then { |there, gone| (chance * there) + ((1 - chance) * gone) }
        elsif evidence.there?(sign.id) then chance
        else 1 - chance
        end
      end
    end
  end
end
