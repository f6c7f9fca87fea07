# frozen_string_literal: true

require_relative "../common_ends"
require_relative "../value"

module Gimlet
  module Core
    module Identification
      # The distinct values of one trait; for each hypothesis the place of its value among them; how common each value is; the family
      # that each value is first met in; and what finds names, where the trait has names.
      Column = Value.of(:values, :places, :shares, :families, :names)

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
          @kin = before && before.hypotheses.map(&:family) == hypotheses.map(&:family)
        end

        # @param key [String] a trait id, a slot, or "flow_l_min/speed_rpm" for one by the other
        # @param way [Readings::Kinds::Kind, nil] of the trait
        # @return [Column]
        def build(key, way)
          old = @before&.built(key)
          values, places = old ? spliced(old, key) : distinct(key)
          same = old && (values.equal?(old.values) || values == old.values)
          names = same && old.names && way.respond_to?(:weigh) ? old.names : way&.index(values, old&.names)
          return old.with(names: names, shares: shares(places, values.size)) if same && @kin && places == old.places

          Column.new(values: values, places: places, shares: shares(places, values.size), families: families(places), names: names)
        end

        # The field before is let go of: what is made from now on is made from nothing.
        def forget = @before = nil

        private

        def same?(one, other) = one.traits.equal?(other.traits) && one.family == other.family

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
          known = old.values.each_with_index.to_h
          all = old.values.dup
          between = @hypotheses[@head...(@hypotheses.size - @tail)].map do |hypothesis|
            value = value(hypothesis, key)
            known[value] ||= (all << value).size - 1
          end
          places = old.places.first(@head) + between + old.places.last(@tail)
          return [old.values, old.places] if places == old.places

          renumbered(places, all)
        end

        def renumbered(places, all)
          met = Array.new(all.size)
          order = []
          places = places.map { |place| met[place] ||= (order << place).size - 1 }
          [all.values_at(*order).freeze, places.freeze]
        end

        def shares(places, size)
          sums = Array.new(size, 0.0)
          places.each_with_index { |place, at| sums[place] += @prior[at] }
          sums.freeze
        end

        def families(places)
          found = []
          places.each_with_index { |place, at| found[place] ||= @hypotheses[at].family }
          found.freeze
        end
      end
    end
  end
end
