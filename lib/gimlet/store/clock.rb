# frozen_string_literal: true

module Gimlet
  module Store
    # What time it is. The demo's morning is played at times of its own.
    #
    #   Clock.at(Time.utc(2026, 11, 2, 9)) { orders.create(...) }
    module Clock
      module_function

      # @return [Time] in UTC
      def now = Thread.current[:gimlet_clock] || Time.now.utc

      # @return [Date] of the shop
      def today = now.getlocal.to_date

      # @param time [Time] that it is within the block, for this thread
      def at(time)
        before = Thread.current[:gimlet_clock]
        Thread.current[:gimlet_clock] = time.utc
        yield
      ensure
        Thread.current[:gimlet_clock] = before
      end
    end
  end
end
