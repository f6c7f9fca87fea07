# frozen_string_literal: true

require "monitor"
require_relative "../2_readings/likelihoods"
require_relative "answer_chances"
require_relative "columns"
require_relative "hypothesis"
require_relative "unlisted"

module Gimlet::Core
  module Identification
    # All hypotheses that a reading can speak of, laid out by trait: a reading is then weighed once for each distinct value instead
    # of once for each hypothesis.
    class Field
      # What is kept to go on from, the last used: beliefs are large, one for each step of the calls at the counter; results are small.
      REMEMBERED = { beliefs: 64, results: 4000 }.freeze

      # @return [Array<Hypothesis>]
      attr_reader :hypotheses
      # @return [Readings::Vocabulary]
      attr_reader :vocabulary

      # @return [Float] how often what comes over the counter is none of them
      attr_reader :none

      # @param hypotheses [Array<Hypothesis>]
      # @param vocabulary [Readings::Vocabulary]
      # @param none [Float]
      # @param before [Field, nil] the one that it takes the place of
      def initialize(hypotheses, vocabulary, none: Readings::Likelihoods::NOT_IN_CATALOGUE, before: nil)
        @none = none
        @hypotheses = hypotheses
        @vocabulary = vocabulary
        @columns = {}
        @known = REMEMBERED.transform_values { {} }
        @chances = {}
        @priors = {}
        @lock = Monitor.new
        @making = Columns.new(hypotheses, prior, before)
        @kin = before.kin if @making.kin?
      end

      # @param key [String] a trait id, a slot, or "flow_l_min/speed_rpm" for one by the other
      # @return [Column]
      def column(key)
        @columns[key] || @lock.synchronize { @columns[key] ||= @making.build(key, vocabulary.traits[key]&.kind) }
      end

      # @return [Column, nil] where it was asked for before
      def built(key) = @columns[key]

      # @param owned [Array<String>] designations this customer is known to have; they get half of the belief
      # @return [Array<Float>] adds up to 1
      def prior(owned = [])
        @priors[owned] ||= owned.empty? ? spread(hypotheses.map(&:weight)) : shared(owned)
      end

      # @return [AnswerChances] what people would answer when asked for a trait
      def chances(trait, channel) = @chances[[trait.id, channel]] ||= AnswerChances.new(column(trait.slot || trait.id), trait, channel)

      # @param kind [Symbol] :beliefs or :results
      # @return [Object] what the block makes, kept for the next that asks with the same key
      def recall(kind, key)
        known = @known[kind]
        @lock.synchronize do
          found = known.delete(key)
          return known[key] = found if found
        end
        yield.tap { |made| @lock.synchronize { keep(kind, key, made) } }
      end

      # @return [Array<Integer>] places of a family
      def family(name) = kin.fetch(name, [])

      # @return [Hash{String=>Array<Integer>}] family => places
      def kin = @kin ||= hypotheses.each_index.group_by { |at| hypotheses[at].family }

      # @return [Unlisted] what is none of them
      def unlisted = @unlisted || @lock.synchronize { @unlisted ||= Unlisted.new(kin, prior, none) }

      # Builds what a first request would wait for.
      def warm
        unlisted
        vocabulary.traits.each_value { |trait| column(trait.slot || trait.id) }
        @making.forget
        self
      end

      private

      def keep(kind, key, made)
        @known[kind].shift if @known[kind].size >= REMEMBERED[kind]
        @known[kind][key] = made
      end

      def shared(owned)
        known = spread(hypotheses.map { |hypothese| hypothese.names.intersect?(owned) ? hypothese.weight : 0 })
        known ? prior.zip(known).map { |one, two| (one + two) / 2 } : prior
      end

      def spread(weights)
        total = weights.sum.to_f
        weights.map { |weight| weight / total }.freeze if total.positive?
      end
    end
  end
end
