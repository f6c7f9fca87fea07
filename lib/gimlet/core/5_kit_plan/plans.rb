# frozen_string_literal: true

require_relative "cover"
require_relative "offers"
require_relative "plan"
require_relative "tally"

module Gimlet::Core
  module KitPlan
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
        offers = Offers.new(snapshot, demand.variant, stock)
        @offers = offers.for(demand.quantities.keys)
        beside = also.map { |line| [offers.beside(line.number), line] }
        @fixed = fixed.to_h { |line| [offered(line), line] }
        @tally = Tally.new(demand, snapshot, stock, offers: @offers, fixed: @fixed, beside: beside)
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
        plans = found.values.map { |same| @tally.plan(same.map(&:first), same.first.last) }
        named(policy ? plans : led(plans))
      end

      # @return [Plan] the first of them alone
      def one(policy) = policy ? @tally.plan([policy], solve(policy)) : call.first

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
        least = @tally.short(bought(@offers, {}))
        days = @deadline.days(@offers.map(&:number), most)
        purchases = days.lazy.map { |day| bought(@offers, @offers.to_h { |one| [one.number, one.free + @deadline.count(one.number, most, day)] }) }
        purchases.find { |purchase| @tally.short(purchase) == least } || bought(@offers, {})
      end

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
    end
  end
end
