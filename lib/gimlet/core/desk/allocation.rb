# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Desk
    # Who gets what lies there. What was promised stays promised as far as it lies there, the oldest order first; what is free goes to whoever
    # waits longest.
    #
    #   Allocation.call(3, [Want.new(order_id: 5, open: 2, reserved: 2), Want.new(order_id: 9, open: 2, reserved: 0)])
    #   # => {9 => 1}
    module Allocation
      # One order's want of a number: `open` is not in its bag and not handed over, `reserved` of that is promised.
      Want = Value.of(:order_id, :open, :reserved)

      module_function

      # @param on_hand [Integer] on the shelf
      # @param wants [Array<Want>] the order that has waited longest first
      # @return [Hash{Integer=>Integer}] order => how many are promised more, or less; without those that stay
      def call(on_hand, wants)
        kept = shares(on_hand, wants) { |want| [want.reserved, want.open].min }
        more = shares(on_hand - kept.values.sum, wants) { |want| want.open - kept[want.order_id] }
        wants.to_h { |want| [want.order_id, kept[want.order_id] + more[want.order_id] - want.reserved] }.reject { |_, change| change.zero? }
      end

      def shares(left, wants)
        wants.to_h do |want|
          share = yield(want).clamp(0, [left, 0].max)
          left -= share
          [want.order_id, share]
        end
      end
    end
  end
end
