# frozen_string_literal: true

require_relative "../common_ends"
require_relative "column"

module Gimlet::Core
  module Identification
    # Lays hypotheses out by trait, from the field before where it can: an edit changes few of them, and what it leaves alone is not worked out
    # again. A column is the same as one that is made from nothing.
    class Columns
      # @param hypotheses [Array<Hypothesis>]
      # @param prior [Array<Float>]
      # @param before [Field, nil]
      def initialize(hypotheses, prior, before = nil)
        @hypotheses = hypotheses
        @prior = prior
        @before = before
        @head, @tail = before ? CommonEnds.of(before.hypotheses, hypotheses) { |one, other| same?(one, other) } : [0, 0]
      end

      # @return [Boolean] whether the families have the same places as in the field before
      def kin?
        @before && between(@before.hypotheses).map(&:family) == between(@hypotheses).map(&:family)
      end

      # @param key [String] a trait id, a slot, or "flow_l_min/speed_rpm" for one by the other
      # @param kind [Readings::Kinds::Kind, nil] of the trait
      # @return [Column]
      def build(key, kind)
        old = @before&.built(key)
        values, places = old ? spliced(old, key) : distinct(key)
        same = old && (values.equal?(old.values) || values == old.values)
        names = same && old.names && kind.respond_to?(:weigh) ? old.names : kind&.index(values, old&.names)
        return old.weighed_by(@prior, names) if same && places == old.places && kin?

        Column.new(values: values, places: places, families: families(places), names: names, prior: @prior)
      end

      # The field before is let go of: what is made from now on is made from nothing.
      def forget = @before = nil

      private

      def same?(one, other) = one.equal?(other) || (one.traits.equal?(other.traits) && one.family == other.family)

      # Of a list, those that are not alike in both fields.
      def between(all) = all[@head...(all.size - @tail)]

      def value(hypothesis, key)
        over, under = key.split("/")
        return hypothesis.traits[key] unless under

        ratio = hypothesis.traits.values_at(over, under)
        ratio.all? ? ratio.first / ratio.last.to_f : nil
      end

      def distinct(key)
        seen = {}
        places = @hypotheses.map do |hypothesis|
          value = value(hypothesis, key)
          seen[value] ||= seen.size
        end
        [seen.keys.freeze, places.freeze]
      end

      # Values of those in between, among the old ones; then numbered anew in the order in which they are met.
      def spliced(old, key)
        fresh = between(@hypotheses).map { |hypothesis| value(hypothesis, key) }
        return [old.values, old.places] if fresh == old.values.values_at(*between(old.places))

        known = old.values.each_with_index.to_h
        all = old.values.dup
        places = fresh.map { |value| known[value] ||= (all << value).size - 1 }
        renumbered(old.places.first(@head) + places + old.places.last(@tail), all)
      end

      def renumbered(places, all)
        met = Array.new(all.size)
        order = []
        places = places.map { |place| met[place] ||= (order << place).size - 1 }
        [all.values_at(*order).freeze, places.freeze]
      end

      def families(places)
        found = []
        places.each_with_index { |place, at| found[place] ||= @hypotheses[at].family }
        found.freeze
      end
    end
  end
end
