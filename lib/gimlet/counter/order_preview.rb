# frozen_string_literal: true

require_relative "../core/value"
require_relative "ticket_plans"

module Gimlet
  module Counter
    # What lies in the tray, and what is still open.
    #
    #   OrderPreview.new(reference, plans).call(ticket, identified, pump, planned).certain # => [[line, 1], ...]
    class OrderPreview
      # `certain` are [line, quantity] pairs that all likely orders have; `open` one Own for each likely order with what it has besides, and
      # what ordering it would cost if another were right. Both are empty while no order leads. `name` says what the sum is of.
      Contents = Core::Value.of(:certain, :open, :price_cents, :name)
      # `wasted_cents` is the price of what the leading order has and this one has not.
      Own = Core::Value.of(:probability, :variant, :lines, :wasted_cents)
      ORDERS = 3

      # @param reference [Reference]
      # @param plans [TicketPlans]
      def initialize(reference, plans)
        @reference = reference
        @plans = plans
      end

      # @param ticket [Core::Ticket::TicketState]
      # @param found [Core::Identification::Identified]
      # @param pump [Core::Catalogue::Variant, nil]
      # @param planned [PlanRebuild::Result, nil] for that pump
      # @return [Contents]
      def call(ticket, found, pump, planned)
        return Contents.new(certain: [], open: [], price_cents: 0) unless planned
        return whole(planned) if found.enough || ticket.chosen || ticket.order_id

        orders = [[found.order_classes.first, lines(planned)], *others(ticket, found)]
        common = orders.map { |_, lines| lines.transform_keys(&:number).transform_values { |count| count } }
        shared = common.reduce { |one, two| one.slice(*two.keys).to_h { |number, count| [number, [count, two[number]].min] } }
        contents(orders, shared, pump)
      end

      private

      def whole(planned)
        plan = planned.workup.plans.first
        Contents.new(certain: lines(planned).to_a, open: [], price_cents: plan.price_cents, name: plan.name)
      end

      def lines(planned) = planned.workup.plans.first.lines.to_h { |line| [line, line.quantity] }

      def others(ticket, found)
        found.likely.drop(1).first(ORDERS - 1).map { |order| [order, lines(@plans.call(ticket, @reference.variant(order.members.first)))] }
      end

      def contents(orders, shared, pump)
        leading = orders.first.last
        certain = leading.keys.select { |line| shared.key?(line.number) }.map { |line| [line, shared[line.number]] }
        Contents.new(certain: certain, price_cents: certain.sum { |line, count| line.price_cents * count },
                     name: certain.any? ? "sure to be needed" : "what is needed depends on the option",
                     open: orders.each_with_index.map { |(order, lines), at| own(order, lines, shared, leading, at.zero? ? pump : nil) })
      end

      def own(order, lines, shared, leading, pump)
        besides = lines.filter_map { |line, count| [line, count - shared.fetch(line.number, 0)] if count > shared.fetch(line.number, 0) }
        numbers = lines.keys.to_h { |line| [line.number, lines[line]] }
        wasted = leading.sum { |line, count| line.price_cents * [count - numbers.fetch(line.number, 0), 0].max }
        Own.new(probability: order.probability, variant: pump || @reference.variant(order.members.first), lines: besides,
                wasted_cents: wasted)
      end
    end
  end
end
