# frozen_string_literal: true

require_relative "../value"
require_relative "program"

module Gimlet::Core
  module KitPlan
    # What to buy. `counts` is { offer => how many }; `score` is [unfilled pieces, cents, lines, pieces bought]. Where the time ran out
    # before the best was proven, `gap_cents` is the most that a better purchase could save; else it is 0.
    Purchase = Value.of(:counts, :score, :gap_cents)

    # The integer program of a rebuild order, solved exactly: least unfilled, then cheapest, then fewest lines, then fewest pieces left
    # over
    # (the same as fewest pieces bought).
    #
    # Buying more never leaves more unfilled, so what all offers together cannot reach is unfilled in any case and the rest can always be
    # covered: the first aim is a sum, not a search. What is left falls apart into components that share no offer; in each the other aims
    # are reached one after the other, each held fixed for the next.
    #
    # A piece may serve any of several wanted numbers, once: then every set of them must be covered by what serves any of it, and that is
    # enough (P. Hall, On representatives of subsets, 1935; what cannot be reached by O. Ore's deficiency, 1955).
    class Cover
      # @param needs [Hash{String=>Integer}] part number => quantity
      # @param offers [Array<Offer>]
      # @param limits [Hash{String=>Integer}] most that can be had of an offer number; none for no limit
      # @param given [Hash{Offer=>Integer}] what is bought in any case
      # @param solved [Hash] what was solved before, to be looked up and added to
      def initialize(needs, offers, limits: {}, given: {}, solved: {})
        @solved = solved
        @groups = groups(needs.keys, offers + given.keys)
        wanted = wanted(needs, given)
        @real = offers.to_h { |offer| [spread(offer, wanted.keys), offer] }
        @limits = @real.to_h { |offer, real| [offer, most(offer, wanted, limits[real.number])] }
        @offers = @real.keys.select { |offer| @limits[offer].positive? }
        @short = @groups.to_h { |group| [group, subsets(group).map { |set| wanted[set] - reach(set) }.max.clamp(0..)] }
        @needs = wanted.to_h { |set, need| [set, need - short_of(set)] }.select { |_, need| need.positive? }
      end

      # @return [Purchase]
      def call
        found = components.map { |sets, offers| solve(@needs.slice(*sets), offers) }
        counts = found.map(&:counts).reduce({}, :merge)
        Purchase.new(counts: counts.transform_keys(@real), score: [@short.values.sum, *score(counts)], gap_cents: found.sum(&:gap_cents))
      end

      private

      # @return [Hash{Array<String>=>Integer}] what each set of numbers still wants
      def wanted(needs, given)
        sets = @groups.flat_map { |group| subsets(group) }
        sets.to_h { |set| [set, needs.values_at(*set).sum - given.sum { |offer, count| serving(offer, set) * count }] }
      end

      # Wanted numbers that some piece may serve in each other's place.
      def groups(wanted, offers)
        offers.flat_map { |offer| offer.covers.keys }.uniq.reduce(wanted.map { |part| [part] }) do |all, key|
          touched, others = all.partition { |group| group.intersect?(Array(key)) }
          touched.empty? ? others : [*others, touched.flatten]
        end
      end

      def subsets(group) = (1..group.size).flat_map { |size| group.combination(size).to_a }
      def short_of(set) = @short.find { |group, _| (set - group).empty? }.last
      def serving(offer, set) = offer.covers.sum { |key, pieces| Array(key).intersect?(set) ? pieces : 0 }

      def spread(offer, sets)
        offer.with(covers: sets.to_h { |set| [set, serving(offer, set)] }.select { |_, pieces| pieces.positive? })
      end

      # Orders that differ elsewhere share most of their components.
      def solve(needs, offers)
        return only(needs, offers.first) if offers.one?

        @solved[[needs, offers, @limits.values_at(*offers)]] ||= Program.new(needs, offers, @limits).call
      end

      # There is nothing to choose.
      def only(needs, offer)
        count = needs.map { |part, need| Rational(need, offer.covers.fetch(part)).ceil }.max
        Program::Found.new(counts: { offer => count }, gap_cents: 0)
      end

      def most(offer, needs, limit)
        enough = offer.covers.map { |set, pieces| Rational(needs.fetch(set), pieces).ceil }.max || 0
        [[enough, 0].max, limit].compact.min
      end

      def reach(part) = @offers.sum { |offer| @limits[offer] * (offer.covers[part] || 0) }

      def score(counts)
        [counts.sum { |offer, count| offer.price_cents * count }, counts.size, counts.sum { |offer, count| offer.pieces * count }]
      end

      # @return [Array<Array(Array<String>, Array<Offer>)>] parts and the offers that hold any of them
      def components
        groups = @needs.keys.to_h { |part| [part, [part]] }
        @offers.each do |offer|
          joined = offer.covers.keys.flat_map { |part| groups.fetch(part, []) }.uniq
          joined.each { |part| groups[part] = joined }
        end
        groups.values.uniq(&:object_id).map { |parts| [parts, @offers.select { |offer| offer.covers.keys.intersect?(parts) }] }
      end
    end
  end
end
