# frozen_string_literal: true

require_relative "allocation"
require_relative "plan"
require_relative "rejected_kits"

module Gimlet::Core
  module KitPlan
    # What a purchase serves, what it leaves open and what is over: the plan that is made of it.
    class Tally
      # @param demand [Demand]
      # @param snapshot [Catalogue::Snapshot]
      # @param stock [Hash{String=>Stock}]
      # @param offers [Array<Offer>] all that may be bought for it
      # @param fixed [Hash{Offer=>Fixed}] lines set by hand
      # @param beside [Array<Array(Offer, Fixed)>] what goes along
      def initialize(demand, snapshot, stock, offers:, fixed:, beside:)
        @demand = demand
        @snapshot = snapshot
        @stock = stock
        @offers = offers
        @fixed = fixed
        @beside = beside
      end

      # @param policies [Array<String>] that come out so
      # @param purchase [Cover::Purchase]
      # @return [Plan]
      def plan(policies, purchase)
        served = served(purchase)
        lines = purchase.counts.map { |offer, count| line(offer, count, served) }.sort_by { |one| [one.kit ? 0 : 1, one.number] }
        lines += @beside.map { |offer, one| line(offer, one.quantity, {}).with(reason: one.reason, beside: true) }
        left = balance(purchase, served)
        Plan.new(policy: policies.first, name: POLICIES[policies.first], also: policies.drop(1).map { |policy| POLICIES[policy] },
                 lines: lines, price_cents: lines.sum(&:total_cents), unfilled: missing + unfilled(left, policies.first),
                 surplus: surplus(left, purchase), gap_cents: purchase.gap_cents,
                 passed_over: RejectedKits.new(@snapshot, @demand, @stock, @fixed.values).call(policies.first, purchase))
      end

      # @return [Integer] pieces that are wanted and not bought, as a number below zero
      def short(purchase) = balance(purchase, served(purchase)).values.select(&:negative?).sum

      private

      # Which of the pieces bought serve which numbers: { covers key => { number => pieces } }.
      def served(purchase)
        bought = purchase.counts.each_with_object(Hash.new(0)) do |(offer, count), sums|
          offer.covers.each { |key, pieces| sums[key] += pieces * count }
        end
        Allocation.call(@demand.quantities, bought)
      end

      def line(offer, count, served)
        PlanLine.new(number: offer.number, name: offer.name, kit: offer.kit, quantity: count, pack: offer.kit ? 1 : offer.pieces,
                     price_cents: offer.price_cents, total_cents: offer.price_cents * count, on_hand: offer.on_hand,
                     promised: offer.on_hand - offer.free, short: [count - offer.free, 0].max, covers: covers(offer, served),
                     reason: @fixed[offer]&.reason)
      end

      # Pieces in one sale unit by the number that they serve; those that may serve several are shared out as they do serve here.
      def covers(offer, served)
        offer.covers.each_with_object(Hash.new(0)) do |(key, pieces), all|
          shares = key.is_a?(Array) ? served.fetch(key, {}).select { |_, count| count.positive? } : { key => 1 }
          shares.each { |number, count| all[number] += whole(Rational(pieces * count, shares.values.sum)) }
        end
      end

      def whole(share) = share.denominator == 1 ? share.to_i : share.to_f.round(4)

      # part number => pieces bought for it less pieces needed
      def balance(purchase, served)
        needs = @demand.quantities
        left = needs.to_h { |part, need| [part, served.values.sum { |all| all[part] } - need] }
        purchase.counts.flat_map { |offer, count| offer.covers.map { |key, pieces| [key, pieces * count] } }.group_by(&:first).each do |key, all|
          left[Array(key).first] += all.sum(&:last) - served[key].values.sum
        end
        left
      end

      def unfilled(left, policy)
        left.select { |_, over| over.negative? }.map do |number, over|
          by_hand = @fixed.find { |offer, _| offer.serves.include?(number) }&.last
          Unfilled.new(number: number, name: @snapshot.part(number).name, quantity: -over, by_hand: !by_hand.nil?,
                       reason: by_hand ? "taken off by hand: #{by_hand.reason}" : reason(number, policy), stand_ins: @snapshot.part(number).stand_ins)
        end
      end

      def reason(number, policy)
        return "no price on file: ask the supplier" if @offers.none? { |offer| offer.serves.include?(number) }

        policy == "on_shelf" ? "not enough on the shelf today" : "no kit or loose part covers it"
      end

      def missing
        @demand.missing.map do |lack|
          Unfilled.new(number: nil, name: lack.name, quantity: lack.quantity, by_hand: false,
                       reason: "no part number on file: see the maker's parts sheet", stand_ins: [])
        end
      end

      def surplus(left, purchase)
        wanted = left.select { |_, over| over.positive? }
        unwanted = purchase.counts.each_with_object(Hash.new(0)) do |(offer, count), sums|
          offer.contents.each { |number, pieces| sums[number] += pieces * count unless covering(offer, number) }
        end
        wanted.merge(unwanted).map do |number, pieces|
          Surplus.new(number: number, name: @snapshot.part(number)&.name, quantity: pieces, worth_cents: worth(number, pieces))
        end
      end

      def covering(offer, number)
        offer.serves.any? { |wanted| @snapshot.serving(wanted).include?(number) }
      end

      def worth(number, pieces)
        stock = @stock[number]
        stock && Rational(stock.price_cents * pieces, stock.pack || 1).round
      end
    end
  end
end
