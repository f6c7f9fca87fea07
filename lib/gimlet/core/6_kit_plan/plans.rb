# frozen_string_literal: true

require_relative "../value"
require_relative "cover"
require_relative "offers"

module Gimlet
  module Core
    module KitPlan
      # A way to buy what is needed. `also` names the policies that come out the same.
      # `gap_cents` is what a better plan could save at most, 0 where this one is proven best.
      Plan = Value.of(:policy, :name, :also, :lines, :price_cents, :unfilled, :surplus, :gap_cents)
      # `short` is how many of the quantity are not on the shelf today.
      Line = Value.of(:number, :name, :kit, :quantity, :price_cents, :total_cents, :on_hand, :short, :covers)
      # `reason` says why nothing covers it.
      Unfilled = Value.of(:number, :name, :quantity, :reason)
      Surplus = Value.of(:number, :name, :quantity)

      POLICIES = { "on_shelf" => "on the shelf today", "cheapest" => "cheapest",
                   "complete_sets" => "complete sets" }.freeze

      # Up to three plans for a demand, by what matters to this customer.
      class Plans
        # @param demand [Demand]
        # @param snapshot [Catalogue::Snapshot]
        # @param stock [Hash{String=>Stock}]
        def initialize(demand, snapshot, stock)
          @demand = demand
          @snapshot = snapshot
          @stock = stock
          @offers = Offers.new(snapshot, demand.variant, stock).for(demand.quantities.keys)
        end

        # @param policy [String] the one to name first
        # @return [Array<Plan>] without doubles
        def call(policy)
          order = [policy, *POLICIES.keys].uniq
          found = order.map { |one| [one, solve(one)] }.group_by { |_, purchase| purchase.counts }
          found.values.map { |same| plan(same.map(&:first), same.first.last) }
        end

        private

        def solve(policy)
          case policy
          when "on_shelf" then Cover.new(@demand.quantities, @offers, limits: @offers.to_h { |o| [o.number, o.on_hand] }).call
          when "cheapest" then Cover.new(@demand.quantities, @offers).call
          else Cover.new(@demand.quantities, sets).call
          end
        end

        # Kits for everything that a kit holds, loose only what no kit holds.
        def sets
          kits, loose = @offers.partition(&:kit)
          held = kits.flat_map { |kit| kit.covers.keys }
          kits + loose.reject { |offer| (offer.covers.keys - held).empty? }
        end

        def plan(policies, purchase)
          lines = purchase.counts.map { |offer, count| line(offer, count) }.sort_by { |one| [one.kit ? 0 : 1, one.number] }
          left = balance(purchase)
          Plan.new(policy: policies.first, name: POLICIES[policies.first], also: policies.drop(1).map { |one| POLICIES[one] },
                   lines: lines, price_cents: lines.sum(&:total_cents), unfilled: missing + unfilled(left, policies.first),
                   surplus: surplus(left, purchase), gap_cents: purchase.gap_cents)
        end

        def line(offer, count)
          Line.new(number: offer.number, name: offer.name, kit: offer.kit, quantity: count,
                   price_cents: offer.price_cents, total_cents: offer.price_cents * count, on_hand: offer.on_hand,
                   short: [count - offer.on_hand, 0].max, covers: offer.covers)
        end

        # part number => pieces bought for it less pieces needed
        def balance(purchase)
          bought = purchase.counts.each_with_object(Hash.new(0)) do |(offer, count), sums|
            offer.covers.each { |part, pieces| sums[part] += pieces * count }
          end
          @demand.quantities.to_h { |part, need| [part, bought[part] - need] }
        end

        def unfilled(left, policy)
          left.select { |_, over| over.negative? }.map do |number, over|
            Unfilled.new(number: number, name: @snapshot.part(number).name, quantity: -over, reason: reason(number, policy))
          end
        end

        def reason(number, policy)
          return "no price on file: ask the supplier" if @offers.none? { |offer| offer.covers.key?(number) }

          policy == "on_shelf" ? "not enough on the shelf today" : "no kit or loose part covers it"
        end

        def missing
          @demand.missing.map do |one|
            Unfilled.new(number: nil, name: one.name, quantity: one.quantity,
                         reason: "no part number on file: see the maker's parts sheet")
          end
        end

        def surplus(left, purchase)
          wanted = left.select { |_, over| over.positive? }
          unwanted = purchase.counts.each_with_object(Hash.new(0)) do |(offer, count), sums|
            offer.contents.each { |number, pieces| sums[number] += pieces * count unless covering(offer, number) }
          end
          wanted.merge(unwanted).map { |number, pieces| Surplus.new(number: number, name: @snapshot.part(number)&.name, quantity: pieces) }
        end

        def covering(offer, number)
          offer.covers.keys.any? { |wanted| @snapshot.serving(wanted).include?(number) }
        end
      end
    end
  end
end
