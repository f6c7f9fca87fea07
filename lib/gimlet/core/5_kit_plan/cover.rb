# frozen_string_literal: true

require_relative "../value"
require_relative "program"

module Gimlet
  module Core
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
      class Cover
        # @param needs [Hash{String=>Integer}] part number => quantity
        # @param offers [Array<Offer>]
        # @param limits [Hash{String=>Integer}] most that can be had of an offer number; none for no limit
        # @param solved [Hash] what was solved before, to be looked up and added to
        def initialize(needs, offers, limits: {}, solved: {})
          @solved = solved
          @limits = offers.to_h { |offer| [offer, most(offer, needs, limits[offer.number])] }
          @offers = offers.select { |offer| @limits[offer].positive? }
          @needs = needs.to_h { |part, need| [part, [need, reach(part)].min] }.select { |_, need| need.positive? }
          @unfilled = needs.values.sum - @needs.values.sum
        end

        # @return [Purchase]
        def call
          found = components.map { |parts, offers| solve(@needs.slice(*parts), offers) }
          counts = found.map(&:counts).reduce({}, :merge)
          Purchase.new(counts: counts, score: [@unfilled, *score(counts)], gap_cents: found.sum(&:gap_cents))
        end

        private

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
          enough = offer.covers.map { |part, pieces| Rational(needs.fetch(part), pieces).ceil }.max || 0
          [enough, limit].compact.min
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
end
