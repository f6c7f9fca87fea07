# frozen_string_literal: true

require "date"
require "icalendar"

module Gimlet
  module Exchange
    # When customers' pumps are due, as a calendar that any program reads (RFC 5545): one whole day for each pump.
    module DueCalendar
      module_function

      # @param rows [Array<Array(Hash, Array<Core::Desk::Due::Reason>)>] pumps with their customers, and why each is due
      # @return [String] iCalendar
      def call(rows)
        calendar = Icalendar::Calendar.new
        calendar.prodid = "-//Gimlet//due pumps//EN"
        rows.each { |row, reasons| calendar.add_event(event(row, reasons)) }
        calendar.to_ical
      end

      def event(row, reasons)
        day = Date.parse(row[:due_on])
        Icalendar::Event.new.tap do |event|
          # The same pump is the same entry, however often the file is read in.
          event.uid = "pump-#{row[:id]}@gimlet"
          event.dtstart = Icalendar::Values::Date.new(day)
          event.dtend = Icalendar::Values::Date.new(day + 1)
          event.summary = "Ring #{row[:name]}: #{row[:designation]} is due"
          event.location = row[:place] unless row[:place].empty?
          event.description = [row[:phone], *reasons.map(&:text)].reject(&:empty?).join("\n")
        end
      end
    end
  end
end
