# frozen_string_literal: true

module Gimlet
  module Store
    # Which copies are kept: the newest of each of the last 24 hours, 31 days and 12 months that have one, and the newest few whatever their hour.
    # Common practice of backup programs, no source.
    #
    #   Retention.kept(copies) # => those that stay
    module Retention
      PERIODS = { "%Y-%m-%d %H" => 24, "%Y-%m-%d" => 31, "%Y-%m" => 12 }.freeze
      # Copies made by hand one after another.
      NEWEST = 3
      BEFORE_UPGRADE = "before-upgrade"

      module_function

      # @param copies [Array<#at, #why>]
      # @return [Array] of them
      def kept(copies)
        latest = copies.sort_by(&:at).reverse
        (latest.first(NEWEST) + PERIODS.flat_map { |period, most| newest_of_each(latest, period, most) } + before_upgrades(latest)).uniq
      end

      def newest_of_each(latest, period, most)
        latest.uniq { |copy| copy.at.strftime(period) }.first(most)
      end

      # The last one is what an upgrade that turns out badly goes back to, however long after.
      def before_upgrades(latest) = latest.select { |copy| copy.why == BEFORE_UPGRADE }.first(1)
    end
  end
end
