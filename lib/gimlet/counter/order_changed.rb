# frozen_string_literal: true

module Gimlet
  module Counter
    # An order was changed since the screen that changes it now was drawn.
    class OrderChanged < StandardError
      # @param order [Core::Order] read within the transaction that changes it
      # @param revision [Integer, nil] that the change was made on
      # @raise [OrderChanged]
      def self.check(order, revision) = order.revision == revision || raise(new(order))

      def initialize(order)
        what = [order.cancelled_because && "cancelled: #{order.cancelled_because}",
                order.amended_because && "amended: #{order.amended_because}"].compact.first
        super("Order #{order.id} was changed since you looked#{" (#{what})" if what}. Nothing was saved: look at it as it is now, then do it again.")
      end
    end
  end
end
