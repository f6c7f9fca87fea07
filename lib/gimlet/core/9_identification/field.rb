# frozen_string_literal: true

require "monitor"
require_relative "../2_readings/likelihoods"
require_relative "../value"
require_relative "answer_chances"
require_relative "hypothesis"
require_relative "unlisted"

module Gimlet
  module Core
    module Identification
      # The distinct values of one trait; for each hypothesis the place of its value among them; how common each value is; the family
      # that each value is first met in; and what finds names, where the trait has names.
      Column = Value.of(:values, :places, :shares, :families, :names)

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
        def initialize(hypotheses, vocabulary, none: Readings::Likelihoods::NOT_IN_CATALOGUE)
          @none = none
          @hypotheses = hypotheses
          @vocabulary = vocabulary
          @columns = {}
          @known = REMEMBERED.transform_values { {} }
          @kin = nil
          @chances = {}
          @priors = {}
          @lock = Monitor.new
        end

        # @param key [String] a trait id, a slot, or "flow_l_min/speed_rpm" for one by the other
        # @return [Column]
        def column(key)
          @columns[key] || @lock.synchronize { @columns[key] ||= build(key) }
        end

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

        def build(key)
          over, under = key.split("/")
          seen = {}
          places = hypotheses.map do |hypothese|
            value = under ? ratio(hypothese.traits, over, under) : hypothese.traits[key]
            seen[value] ||= seen.size
          end
          values = seen.keys
          Column.new(values: values.freeze, places: places.freeze, shares: shares(places, values.size), families: families(places).freeze,
                     names: vocabulary.traits[key]&.way&.index(values))
        end

        def ratio(traits, over, under)
          traits[over] && traits[under] ? traits[over] / traits[under].to_f : nil
        end

        def shares(places, size)
          sums = Array.new(size, 0.0)
          places.each_with_index { |place, at| sums[place] += prior[at] }
          sums.freeze
        end

        def families(places)
          found = []
          places.each_with_index { |place, at| found[place] ||= hypotheses[at].family }
          found
        end

        def spread(weights)
          total = weights.sum.to_f
          weights.map { |weight| weight / total }.freeze if total.positive?
        end
      end
    end
  end
end
