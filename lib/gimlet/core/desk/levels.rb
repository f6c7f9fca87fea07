# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Desk
    # How many of a number should lie here, and how many to buy. Sales come as single events, so their spread over the lead time is that of a
    # Poisson count: reorder point = m·L + z·√(m·L). Source: the reorder point of stock-keeping textbooks with a service factor z (from memory).
    #
    #   Levels.level(sold: 18, days: 90, lead_days: 7) # => 4
    module Levels
      # Of 20 lead times 19 pass without running out.
      SERVICE = 1.645
      # As far ahead as one buys, in days.
      AHEAD = 30
      # Days that sales are looked at.
      DAYS = 90

      module_function

      # @param sold [Integer] in so many days
      # @param lead_days [Numeric] from order to receipt
      # @return [Integer] where one buys again; 0 for what nobody asked for
      def level(sold:, days:, lead_days:)
        mean = Rational(sold, days) * Rational(lead_days.to_s)
        (mean + (SERVICE * Math.sqrt(mean))).ceil
      end

      # @param position [Integer] free and on order, less what orders wait for
      # @param level [Integer] by hand or as worked out
      # @return [Integer] how many to buy; 0 above the level
      def buy(position:, level:, sold:, days:)
        return 0 if position >= level

        (level - position) + Rational(sold * AHEAD, days).ceil
      end
    end
  end
end
