# frozen_string_literal: true

require "csv"
require_relative "../core/0_quantities/money"
require_relative "../core/desk/takings"

module Gimlet
  module Exchange
    # What was taken by week, for a spreadsheet: money with a point and two places.
    #
    #   WeeksCSV.write(takings.weeks) # => "week,orders,taken,margin,of\n2026-11-30,3,201.00,60.00,150.00\n"
    module WeeksCSV
      HEAD = %w[week orders taken margin of].freeze

      module_function

      # @param weeks [Array<Core::Desk::Takings::Week>]
      # @return [String]
      def write(weeks)
        CSV.generate do |csv|
          csv << HEAD
          weeks.each { |week| csv << [week.from.iso8601, week.orders, *[week.cents, week.margin_cents, week.known_cents].map { |cents| Core::Money.plain(cents) }] }
        end
      end
    end
  end
end
