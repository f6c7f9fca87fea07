# frozen_string_literal: true

require "date"
require_relative "../0_quantities/money"
require_relative "../value"

module Gimlet::Core
  module Desk
    # What was taken, week by week, without tax and after discount. Margin is told of what has a cost on file alone, and of how much that is.
    #
    #   Takings.new(sales, today: today).weeks.last # => Week(from: 2026-11-30, orders: 3, cents: 20_100, margin_cents: 6_000, known_cents: 15_000)
    class Takings
      WEEKS = 13
      BEST = 8
      DAYS = 7

      # Units of a number that an order is charged for: `discount` of the order in percent, `cost_cents` of one when it was bought last, nil where
      # nobody knows.
      Sale = Value.of(:on, :order_id, :number, :name, :units, :price_cents, :discount, :cost_cents) do
        def cents = (units * price_cents).then { |sum| sum - Money.share(sum, discount) }
        def margin_cents = cost_cents && (cents - (units * cost_cents))
      end
      # `from` is its Monday; `known_cents` of the cents have a cost on file, `margin_cents` is what is left of these.
      Week = Value.of(:from, :orders, :cents, :margin_cents, :known_cents)
      Best = Value.of(:number, :name, :units, :cents)

      # @param sales [Array<Sale>]
      # @param today [Date]
      def initialize(sales, today:)
        @sales = sales
        @today = today
      end

      # @return [Array<Week>] the earliest first, this week last; also those in which nothing was sold
      def weeks
        by_week = @sales.group_by { |sale| monday(sale.on) }
        (WEEKS - 1).downto(0).map { |ago| monday(@today) - (ago * DAYS) }.map { |from| week(from, by_week.fetch(from, [])) }
      end

      # @return [Array<Best>] what brought most, first
      def best
        told = @sales.group_by(&:number).map do |number, same|
          Best.new(number: number, name: same.last.name, units: same.sum(&:units), cents: same.sum(&:cents))
        end
        told.sort_by { |one| [-one.cents, one.number] }.first(BEST)
      end

      private

      def monday(day) = day - ((day.wday - 1) % DAYS)

      def week(from, sales)
        known = sales.select(&:cost_cents)
        Week.new(from: from, orders: sales.map(&:order_id).uniq.size, cents: sales.sum(&:cents), margin_cents: known.sum(&:margin_cents),
                 known_cents: known.sum(&:cents))
      end
    end
  end
end
