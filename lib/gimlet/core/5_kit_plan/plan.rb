# frozen_string_literal: true

require_relative "../input_error"
require_relative "../value"

module Gimlet::Core
  module KitPlan
    POLICIES = { "on_shelf" => "on the shelf today", "cheapest" => "cheapest",
                 "complete_sets" => "complete sets", "in_time" => "there by the day" }.freeze
    # What the shelf alone is called where it leaves open what another plan covers.
    PART_NOW = "part now, the rest to come"

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
  end
end
