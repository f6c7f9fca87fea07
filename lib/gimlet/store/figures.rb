# frozen_string_literal: true

require "date"
require "json"
require_relative "../core/desk/movements"
require_relative "../core/desk/takings"
require_relative "../core/order/goods"
require_relative "clock"

module Gimlet
  module Store
    # What an owner looks at: how the shop went over the last weeks, counted from what was noted anyway.
    #
    #   Figures.new(database).days.last # => {day: "2026-11-28", calls: 4, orders: 3}
    class Figures
      DAYS = 21
      # Without a sale for so long it lies dead.
      DEAD_DAYS = 180

      # @param database [Sequel::Database]
      def initialize(database, today: Clock.today)
        @database = database
        @today = today
      end

      # @return [Array<Hash>] day, calls that began, orders that were placed; of every day, also those without any
      def days
        calls, orders = by_day(@database[:tickets]), by_day(@database[:orders])
        ((@today - DAYS + 1)..@today).map { |day| { day: day.iso8601, calls: calls.fetch(day, 0), orders: orders.fetch(day, 0) } }
      end

      # @return [Hash] sure and unsure: orders that needed no reason, and those that did
      def sureness
        reasons = steps(%w[place quote]).map { |body| body["reason"] }
        { sure: reasons.count(&:nil?), unsure: reasons.count(&:itself) }
      end

      # @return [Array<Float>] minutes from the first word to the order, one for each
      def minutes
        recent = @database[:orders].where(Sequel[:created_at] >= since)
        firsts = @database[:entries].where(ticket_id: recent.select(:ticket_id), number: 1).select_hash(:ticket_id, :at)
        recent.select_map(%i[ticket_id created_at]).filter_map { |ticket, placed| (placed - firsts[ticket]) / 60.0 if firsts[ticket] }
      end

      # @return [Hash{String=>Integer}] reason => pieces that came back
      # Less those that were undone.
      def returns
        undone = steps(%w[undo]).filter_map { |body| body["undone"] if body["of"] == "take_back" }
        counted = steps(%w[take_back]).map { |body| [body, 1] } + undone.map { |body| [body, -1] }
        counted.group_by { |body, _| body["because"] }.transform_values { |same| same.sum { |body, sign| sign * body["quantity"] } }
      end

      # @return [Core::Desk::Takings] of the orders that went out
      def takings
        from = @today - (Core::Desk::Takings::WEEKS * Core::Desk::Takings::DAYS)
        rows = @database[:goods].join(:orders, id: :order_id).where(stage: %w[handed_over closed]).where(Sequel[:handed_at] >= time(from))
        costs = @database[:purchase_lines].exclude(price_cents: nil).order(:purchase_id).select_hash(:number, :price_cents)
        sales = rows.select_all(:goods).select_append(:stage, :handed_at, :discount).map { |row| sale(row, costs) }
        Core::Desk::Takings.new(sales.select { |sale| sale.units.positive? }, today: @today)
      end

      # @return [Hash] cents that lie in stock, of these dead; and the dearest of the dead: number, on_hand, cents
      def stock
        sold = @database[:movements].where(kind: Core::Desk::Movements::SALES).where { at >= Clock.now - (DEAD_DAYS * 86_400) }.select(:number)
        here = @database[:stock].exclude(on_hand: 0)
        dead = here.exclude(number: sold.distinct)
        { cents: value(here), dead_cents: value(dead),
          dead: dead.reverse(Sequel[:on_hand] * :price_cents).limit(8).select_map(%i[number on_hand price_cents])
                    .map { |number, count, cents| { number: number, on_hand: count, cents: count * cents } } }
      end

      private

      def since = time(@today - DAYS + 1)
      def time(day) = Time.new(day.year, day.month, day.day).utc

      def sale(row, costs)
        good = Core::Order::Good.new(**row.except(:order_id, :stage, :handed_at, :discount))
        Core::Desk::Takings::Sale.new(on: row[:handed_at].getlocal.to_date, order_id: row[:order_id], number: good.number, name: good.name,
                                      units: good.charged(over: row[:stage] == "closed"), price_cents: good.price_cents,
                                      discount: row[:discount], cost_cents: costs[good.number])
      end

      def by_day(rows) = rows.where(Sequel[:created_at] >= since).select_map(:created_at).map { |at| at.getlocal.to_date }.tally
      def value(rows) = rows.sum(Sequel[:on_hand] * :price_cents) || 0

      def steps(kinds)
        @database[:order_steps].where(kind: kinds).where(Sequel[:at] >= since).select_map(:body).map { |body| JSON.parse(body) }
      end
    end
  end
end
