# frozen_string_literal: true

require "date"
require_relative "../value"
require_relative "shop_format"

module Gimlet::Core
  module Desk
    # A day on which pieces come: `sure` how often such a day was kept so far, from 0 to 1, nil where only the supplier's word says it.
    Arrival = Value.of(:on, :sure) do
      # @param format [ShopFormat]
      # @return [String] "Thursday 10 December, 9 in 10"
      def said(format)
        "#{format.weekday(on)}, #{sure ? "#{(sure * 10).round.clamp(1, 9)} in 10" : "by the supplier's word"}"
      end

      # What comes together is there when the last has come, and no surer than the least sure.
      def and(other) = Arrival.new(on: [on, other.on].max, sure: [sure, other.sure].compact.min)
    end

    # When what is not on the shelf comes: with a purchase that is under way, else with one that is sent today.
    #
    # How long it takes is learned. Of n deliveries seen, the next takes no longer than the k-th shortest with probability k / (n + 1), whatever
    # their distribution (order statistics: H. David, H. Nagaraja, "Order Statistics", 3rd ed., section 7.3, from memory). The day is the one
    # whose probability comes nearest to SURE, and is told with its own.
    class Arrivals
      SURE = 0.9
      # A purchase of which something is to come: `at` the day on which it was sent, `expected` as the supplier says, `lines` { number => pieces }.
      Purchase = Value.of(:at, :expected, :lines)
      # One that has come: days from sending to receipt, and by how many it missed the supplier's day; nil where none was said.
      Kept = Value.of(:took, :late)

      # What days are told from: purchases under way, what is expected first first; deliveries that were kept; and by number, how many sale units
      # orders before this one wait for.
      Known = Value.of(:purchases, :kept, :waiting)

      # @return [Array] differs where another day may come of it
      attr_reader :mark

      # @param today [Date]
      # @param format [ShopFormat] with the days on which the shop is open
      # @param mark [Object] another for other things known
      # @yieldreturn [Known] asked for when the first day is: most of what is sold lies on the shelf
      def initialize(today:, format: ShopFormat.of({}), mark: nil, &known)
        @today, @format, @known = today, format, known
        @mark = [today, format, mark]
      end

      # @param number [String]
      # @param count [Integer] sale units that are short
      # @return [Arrival, nil] when all of them are here; nil where nobody can say
      def of(number, count)
        return if count.zero?

        wanted = told.waiting.fetch(number, 0) + count
        under_way = told.purchases.find { |one| (wanted -= one.lines.fetch(number, 0)) <= 0 }
        under_way ? bought(under_way) : had(likely(@today, took))
      end

      # @return [String, nil]
      def said(number, count) = of(number, count)&.said(@format)

      # @param lines [Array<Array(String, Integer)>] number, how many are short
      # @return [String, nil] when all of it is here; nil where nothing is short, or nobody can say
      def together(lines)
        short = lines.select { |_, count| count.positive? }
        days = short.map { |number, count| of(number, count) }
        days.reduce(&:and).said(@format) if short.any? && days.all?
      end

      private

      def told = @told ||= @known.call
      def took = told.kept.map(&:took).sort
      def late = told.kept.filter_map(&:late).sort

      # A day that is past already says nothing of the next.
      def bought(purchase)
        day = purchase.expected ? likely(purchase.expected, late) || Arrival.new(on: purchase.expected) : likely(purchase.at, took)
        had(day) if day && day.on >= @today
      end

      def likely(from, days)
        best = days.uniq.min_by { |day| (share(days, day) - SURE).abs } or return
        Arrival.new(on: from + best, sure: share(days, best))
      end

      def share(days, day) = Rational(days.count { |one| one <= day }, days.size + 1)

      # What comes on a closed day is had on the next that is open.
      def had(arrival) = arrival&.with(on: (arrival.on..).find { |day| @format.open?(day) })
    end
  end
end
