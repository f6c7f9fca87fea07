# frozen_string_literal: true

require_relative "../value"

module Gimlet
  module Core
    module KitPlan
      # What to buy. `counts` is { offer => how many }; `score` is [unfilled pieces, cents, lines, pieces bought].
      Purchase = Value.of(:counts, :score)

      # The integer program of a rebuild order, solved exactly: least unfilled, then cheapest, then fewest lines,
      # then fewest pieces left over (the same as fewest pieces bought).
      #
      # Branches on how many of each kit to take. Whatever the kits leave open is bought loose, and that splits into
      # one small problem for each part. A branch is cut when even its most hopeful completion is no better than the
      # best found: each open piece then costs at least the cheapest share of any offer that still holds it.
      class Cover
        Partial = Value.of(:counts, :open, :score)

        # @param needs [Hash{String=>Integer}] part number => quantity
        # @param offers [Array<Offer>]
        # @param limits [Hash{String=>Integer}] most that can be had of an offer number; none for no limit
        def initialize(needs, offers, limits: {})
          @needs = needs
          @limits = offers.to_h { |offer| [offer, most(offer, limits[offer.number])] }
          useful = offers.select { |offer| @limits[offer].positive? }
          @kits, singles = useful.partition { |offer| offer.covers.size > 1 || offer.pieces > offer.covers.values.sum }
          @kits = @kits.sort_by { |offer| [-useful_pieces(offer), offer.price_cents, offer.number] }
          @singles = singles.group_by { |offer| offer.covers.keys.first }
          @loose = {}
          @rates = cheapest_shares
        end

        # @return [Purchase]
        def call
          @best = nil
          search(0, Partial.new(counts: {}, open: @needs, score: [0, 0, 0, 0]))
          @best
        end

        private

        def most(offer, limit)
          enough = offer.covers.map { |part, pieces| packs(@needs.fetch(part), pieces) }.max || 0
          [enough, limit].compact.min
        end

        def useful_pieces(offer) = offer.covers.sum { |part, pieces| [pieces, @needs[part]].min }

        def search(depth, partial)
          return if @best && (hopeful(depth, partial) <=> @best.score) >= 0
          return finish(partial) if depth == @kits.size

          kit = @kits[depth]
          @limits[kit].downto(0) { |count| search(depth + 1, take(partial, kit, count)) }
        end

        def take(partial, kit, count)
          return partial if count.zero?

          open = partial.open.to_h { |part, left| [part, [left - (count * (kit.covers[part] || 0)), 0].max] }
          Partial.new(counts: partial.counts.merge(kit => count), open: open,
                      score: add(partial.score, cost(kit, count)))
        end

        def finish(partial)
          bought = partial.open.map { |part, left| loose(part, left) }
          score = bought.map(&:score).reduce(partial.score) { |sum, one| add(sum, one) }
          return if @best && (score <=> @best.score) >= 0

          @best = Purchase.new(counts: bought.map(&:counts).reduce(partial.counts, :merge), score: score)
        end

        # The best way to buy `left` pieces of one part loose, in packs of any size.
        def loose(part, left)
          @loose[[part, left]] ||= fill(@singles.fetch(part, []), left)
        end

        def fill(offers, left)
          nothing = Purchase.new(counts: {}, score: [left, 0, 0, 0])
          return nothing if left.zero? || offers.empty?

          offer, *others = offers
          size = offer.covers.values.first
          (0..[@limits[offer], packs(left, size)].min).map do |count|
            rest = fill(others, [left - (count * size), 0].max)
            if count.zero?
              rest
            else
              Purchase.new(counts: { offer => count }.merge(rest.counts),
                           score: add(cost(offer, count), rest.score))
            end
          end.min_by(&:score)
        end

        def packs(pieces, size) = Rational(pieces, size).ceil

        def cost(offer, count) = [0, count * offer.price_cents, 1, count * offer.pieces]
        def add(one, two) = one.zip(two).map(&:sum)

        # A score that no completion of this branch can beat.
        def hopeful(depth, partial)
          unfilled, price = 0, 0
          partial.open.each do |part, left|
            short = [left - reach(depth, part), 0].max
            unfilled += short
            price += (left - short) * @rates[depth].fetch(part, 0)
          end
          score = partial.score
          [score[0] + unfilled, (score[1] + price).ceil, score[2], score[3]]
        end

        # Pieces of a part that can still be had from the kits not yet decided and loose.
        def reach(depth, part)
          @reach ||= {}
          @reach[[depth, part]] ||= [*@kits.drop(depth), *@singles[part]].sum do |offer|
            @limits[offer] * (offer.covers[part] || 0)
          end
        end

        # depth => { part => least cents that a piece of it can cost }
        def cheapest_shares
          (0..@kits.size).map do |depth|
            @needs.keys.to_h do |part|
              holding = [*@kits.drop(depth), *@singles[part]].select { |offer| offer.covers.key?(part) }
              [part, holding.map { |offer| Rational(offer.price_cents, useful_pieces(offer)) }.min || 0]
            end
          end
        end
      end
    end
  end
end
