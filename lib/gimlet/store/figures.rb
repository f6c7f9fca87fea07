# frozen_string_literal: true

require "date"
require "json"
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
      def returns = steps(%w[take_back]).group_by { |body| body["because"] }.transform_values { |same| same.sum { |body| body["quantity"] } }

      # @return [Hash] cents that lie in stock, of these dead; and the dearest of the dead: number, on_hand, cents
      def stock
        sold = @database[:movements].where(kind: %w[handed_over handed_over_unchecked]).where do
          at >= Clock.now - (DEAD_DAYS * 86_400)
        end.select(:number)
        here = @database[:stock].exclude(on_hand: 0)
        dead = here.exclude(number: sold.distinct)
        { cents: value(here), dead_cents: value(dead),
          dead: dead.reverse(Sequel[:on_hand] * :price_cents).limit(8).select_map(%i[number on_hand price_cents])
                    .map { |number, count, cents| { number: number, on_hand: count, cents: count * cents } } }
      end

      private

      def since = Time.new(*(@today - DAYS + 1).then { |day| [day.year, day.month, day.day] }).utc
      def by_day(rows) = rows.where(Sequel[:created_at] >= since).select_map(:created_at).map { |at| at.getlocal.to_date }.tally
      def value(rows) = rows.sum(Sequel[:on_hand] * :price_cents) || 0

      def steps(kinds)
        @database[:order_steps].where(kind: kinds).where(Sequel[:at] >= since).select_map(:body).map { |body| JSON.parse(body) }
      end
    end
  end
end
