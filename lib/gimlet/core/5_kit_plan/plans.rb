# frozen_string_literal: true

require_relative "../input_error"
require_relative "../value"
require_relative "allocation"
require_relative "cover"
require_relative "offers"
require_relative "rejected_kits"

module Gimlet::Core
  module KitPlan
    # A way to buy what is needed. `also` names the policies that come out the same.
    # `gap_cents` is what a better plan could save at most, 0 where this one is proven best.
    # `passed_over` says why kits that look right are not in it.
    Plan = Value.of(:policy, :name, :also, :lines, :price_cents, :unfilled, :surplus, :gap_cents, :passed_over) do
      # @return [Integer] pieces that it leaves open
      def lacking = unfilled.sum(&:quantity)

      # @return [String, nil] what of the agreed work it leaves open and nobody left out by hand: one figure, wherever it is told
      def not_covered
        open = unfilled.reject(&:by_hand)
        return if open.empty?

        "#{open.size} #{open.one? ? 'part is' : 'parts are'} not covered: #{open.map { |line| line.number || line.name }.join(', ')}"
      end

      # @return [String] when everything is there
      def complete
        short = lines.count { |line| line.short.positive? }
        return "not complete: #{lacking} #{lacking == 1 ? 'piece is' : 'pieces are'} not covered" if unfilled.any?

        if short.zero?
          "complete today"
        else
          "complete when #{short} #{short == 1 ? 'line has' : 'lines have'} come"
        end
      end
    end
    # `promised` of those on hand are other orders'; `short` is how many of the quantity are not free on the shelf today; `pack` is how many pieces
    # one of it holds; `reason` why the specialist set it by hand. `beside` is true of what goes along and serves nothing of the work
    # itself: a ring, a nozzle's seal, a whole valve.
    PlanLine = Value.of(:number, :name, :kit, :quantity, :pack, :price_cents, :total_cents, :on_hand, :promised, :short, :covers, :reason, :beside) do
      def free = on_hand - promised

      # @return [Integer] of so many, how many are not free on the shelf
      def short_of(count) = [count - free, 0].max
    end

    # `reason` says why nothing covers it, `by_hand` whether somebody left it out; `stand_ins` may take its place for a while.
    Unfilled = Value.of(:number, :name, :quantity, :reason, :by_hand, :stand_ins)
    # A line set by hand that serves nothing of the order.
    class UnknownLine < InputError
      # @return [String]
      attr_reader :number

      def initialize(number)
        super("“#{number}” serves nothing of this order, or has no price.", field: "fixed", code: "unknown_line")
        @number = number
      end
    end

    # A line that the specialist set by hand: so many of `number`, 0 for none.
    Fixed = Value.of(:number, :quantity, :reason)
    # What is bought and not needed; `worth_cents` what the pieces alone cost, nil where they are not sold so.
    Surplus = Value.of(:number, :name, :quantity, :worth_cents)

    POLICIES = { "on_shelf" => "on the shelf today", "cheapest" => "cheapest",
                 "complete_sets" => "complete sets", "in_time" => "there by the day" }.freeze
    # What the shelf alone is called where it leaves open what another plan covers.
    PART_NOW = "part now, the rest to come"

    # Up to three plans for a demand, by what matters to this customer.
    class Plans
      # @param demand [Demand]
      # @param snapshot [Catalogue::Snapshot]
      # @param stock [Hash{String=>Stock}]
      # @param fixed [Array<Fixed>]
      # @param also [Array<Fixed>] what goes along
      # @param solved [Hash] components that were solved before
      # @raise [InputError] where a fixed line serves nothing of the order, or what goes along has no price
      def initialize(demand, snapshot, stock, fixed: [], also: [], solved: {})
        @demand = demand
        @solved = solved
        @snapshot = snapshot
        @stock = stock
        offers = Offers.new(snapshot, demand.variant, stock)
        @offers = offers.for(demand.quantities.keys)
        @beside = also.map { |line| [offers.beside(line.number), line] }
        @fixed = fixed.to_h { |line| [offered(line), line] }
      end

      # @param policy [String, nil] the one that somebody chose
      # @param deadline [#late, #days, #count, nil] Desk::Deadline: by when it is wanted
      # @return [Array<Plan>] without doubles; first the one that was chosen, else the one that leads
      def call(policy = nil, deadline: nil)
        @deadline = deadline
        # Without a day nothing is in time.
        policy = nil if policy == "in_time" && deadline.nil?
        order = [policy, *(@deadline ? POLICIES.keys : POLICIES.keys - ["in_time"])].compact.uniq
        found = order.map { |one| [one, solve(one)] }.group_by { |_, purchase| purchase.counts }
        plans = found.values.map { |same| plan(same.map(&:first), same.first.last) }
        named(policy ? plans : led(plans))
      end

      # @return [Plan] the first of them alone
      def one(policy) = policy ? plan([policy], solve(policy)) : call.first

      private

      # The shelf leads where no other plan covers more, else the cheapest of those that do: an order is to do the job that was agreed. Where a day
      # is wanted, the cheapest that is there by then leads, and where none is, the one that is there first.
      def led(plans)
        first = plans.min_by { |one| [one.lacking, rank(one, plans), one.price_cents] }
        [first, *(plans - [first])]
      end

      def rank(one, plans)
        return @deadline.late(one.lines) if @deadline

        one == plans.first ? 0 : 1
      end

      def named(plans)
        least = plans.map(&:lacking).min
        plans.map { |one| one.policy == "on_shelf" && one.lacking > least ? one.with(name: PART_NOW) : one }
      end

      def solve(policy)
        return in_time if policy == "in_time" && @deadline

        offers = policy == "complete_sets" ? sets : @offers
        bought(offers, policy == "on_shelf" ? offers.to_h { |offer| [offer.number, offer.free] } : {})
      end

      # @param limits [Hash{String=>Integer}] how many there are of a number; without one any number can be had
      def bought(offers, limits)
        free = offers - @fixed.keys
        with_fixed(Cover.new(@demand.quantities, free, limits: limits, given: @fixed.transform_values(&:quantity), solved: @solved).call)
      end

      # Of what is there by the day; where that is not enough, by the first day on which it is.
      def in_time
        most = @demand.quantities.values.sum
        least = short(bought(@offers, {}))
        days = @deadline.days(@offers.map(&:number), most)
        purchases = days.lazy.map { |day| bought(@offers, @offers.to_h { |one| [one.number, one.free + @deadline.count(one.number, most, day)] }) }
        purchases.find { |purchase| short(purchase) == least } || bought(@offers, {})
      end

      def short(purchase) = balance(purchase, served(purchase)).values.select(&:negative?).sum

      def offered(fixed)
        @offers.find { |offer| offer.number == fixed.number } ||
          raise(UnknownLine, fixed.number)
      end

      def with_fixed(purchase)
        purchase.with(counts: @fixed.transform_values(&:quantity).select { |_, count| count.positive? }.merge(purchase.counts))
      end

      # Kits for everything that a kit holds of which most is wanted, loose only what no such kit holds.
      def sets
        kits, loose = @offers.partition(&:kit)
        kits = kits.select { |kit| mostly_wanted?(kit) }
        held = kits.flat_map(&:serves)
        kits + loose.reject { |offer| (offer.serves - held).empty? }
      end

      def mostly_wanted?(kit)
        wanted = kit.covers.sum { |key, pieces| [pieces, @demand.quantities.values_at(*key).sum].min }
        wanted * 2 > kit.pieces
      end

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
