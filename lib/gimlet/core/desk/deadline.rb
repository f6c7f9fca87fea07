# frozen_string_literal: true

require "date"
require_relative "../value"
require_relative "arrivals"

module Gimlet::Core
  module Desk
    # A day by which all of an order is wanted.
    #
    #   Deadline.new(by: Date.new(2026, 12, 4), arrivals: arrivals).late(plan.lines) # => 3, days
    Deadline = Value.of(:by, :arrivals) do
      # @param lines [Array<KitPlan::PlanLine>]
      # @return [Integer] days after the day on which the last of them has come, 0 where all of it is there by then
      def late(lines)
        days = lines.reject { |line| line.short.zero? }.map { |line| on(line.number, line.short) }
        [((days.max || by) - by).to_i, 0].max
      end

      # @return [String, nil] that it is too late, nil where all of it is there by the day
      def missed(lines)
        days = late(lines)
        return if days.zero?
        return "too late: nobody can say when it comes" if by + days == Deadline::NEVER

        "too late by #{days} #{days == 1 ? 'day' : 'days'}"
      end

      # @param number [String]
      # @param most [Integer] sale units that may be wanted
      # @param day [Date]
      # @return [Integer] how many of them come by it: the more are wanted, the later
      def count(number, most, day)
        first_late = (1..most).bsearch { |units| on(number, units) > day }
        first_late ? first_late - 1 : most
      end

      # @return [Array<Date>] the wanted day, and those after it on which something comes
      def days(numbers, most)
        later = numbers.flat_map { |number| [1, most].map { |units| on(number, units) } }
        [by, *later.select { |day| day > by }].uniq.sort
      end

      private

      def on(number, units) = arrivals.of(number, units)&.on || Deadline::NEVER
    end

    # Days that there are none of.
    class Deadline
      # What nobody can name a day for comes after anything that has one.
      NEVER = Date.new(9999, 12, 31)
    end
  end
end
