# frozen_string_literal: true

require "date"
require_relative "../plain"
require_relative "../value"

module Gimlet::Core
  module Desk
    # When a customer's pump is to be looked after again, and why. A sheet's hours need the hours that it runs; a sheet's months and the
    # customer's own do not. What was turned over once is renewed next time, whenever that is.
    #
    #   Due.of(pump, intervals).first # => Reason(on: 2027-01-12, text: "rod seal: every 1800 h, at 40 h a week since 3 March 2026")
    module Due
      # A pump of somebody's. `served` are the jobs that were handed over, the last one first.
      Pump = Value.of(:designation, :months, :hours_per_week, :by_hand, :served)
      # A job: `fates` are { slot => what became of it at its positions, as Fates::KINDS }.
      Job = Value.of(:order_id, :on, :fates)
      # What the sheet asks to be renewed every so often.
      Interval = Value.of(:slot, :name, :hours, :months)
      # `on` is nil where no date can be said.
      Reason = Value.of(:on, :text)

      DAYS = 7
      # As far as anybody rings ahead, in days.
      AHEAD = 28

      module_function

      # @param pump [Pump]
      # @param intervals [Array<Interval>]
      # @return [Array<Reason>] what comes first first, what has no date last
      def of(pump, intervals)
        told = [by_hand(pump), own(pump), *intervals.flat_map { |one| by_sheet(pump, one) }, *turned(pump)].compact
        dated, undated = told.partition(&:on)
        dated.sort_by(&:on) + undated
      end

      # @param due_on [String, nil] as it is kept
      # @return [Boolean] whether it is time to ring about it
      def to_ring?(due_on, today) = !due_on.nil? && due_on <= (today + AHEAD).iso8601

      # @return [Date, nil]
      def date(reasons) = reasons.filter_map(&:on).first

      def by_hand(pump) = pump.by_hand && Reason.new(on: pump.by_hand, text: "asked for")

      def own(pump)
        last = pump.served.first or return
        pump.months && Reason.new(on: last.on >> pump.months, text: "#{pump.months} months after order #{last.order_id} of #{said(last.on)}")
      end

      def by_sheet(pump, interval)
        last = pump.served.find { |job| job.fates.fetch(interval.slot, []).include?("replace") } or return []
        [by_hours(pump, interval, last), by_months(interval, last)].compact
      end

      def by_hours(pump, interval, last)
        hours = interval.hours or return
        told = "#{interval.name}: every #{Plain.number(hours)} h"
        return Reason.new(on: nil, text: "#{told}; ask how many hours a week it runs") unless pump.hours_per_week&.positive?

        days = (Rational(hours.to_s) / Rational(pump.hours_per_week.to_s) * DAYS).floor
        Reason.new(on: last.on + days, text: "#{told}, at #{Plain.number(pump.hours_per_week)} h a week since #{said(last.on)}")
      end

      def by_months(interval, last)
        months = interval.months or return
        Reason.new(on: last.on >> months, text: "#{interval.name}: every #{months} months, renewed #{said(last.on)}")
      end

      # Turned over in the last job that touched it.
      def turned(pump)
        slots = pump.served.flat_map { |job| job.fates.keys }.uniq
        slots.filter_map do |slot|
          last = pump.served.find { |job| job.fates.key?(slot) }
          if last.fates[slot].include?("turn")
            Reason.new(on: nil,
                       text: "#{Plain.name(slot)} was turned over in order #{last.order_id}: new next time")
          end
        end
      end

      def said(date) = date.strftime("%-d %B %Y")
    end
  end
end
