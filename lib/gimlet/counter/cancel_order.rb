# frozen_string_literal: true

require_relative "../core/input_error"
require_relative "../core/reason"
require_relative "order_changed"

module Gimlet
  module Counter
    # An order counts no more, for a reason.
    #
    #   CancelOrder.new(database, orders).call(3, "reason" => "the pump was beyond it", "revision" => 1)
    class CancelOrder
      # @param database [Sequel::Database]
      # @param orders [Store::Orders]
      def initialize(database, orders)
        @database = database
        @orders = orders
      end

      # @param id [Integer] of an order that there is
      # @param request [Hash{String=>Object}] of the OpenAPI schema CancelOrder
      # @raise [Core::InputError, OrderChanged] nothing was changed
      def call(id, request)
        reason = request["reason"].strip
        Core::Reason.check(reason, "Say in a few words why the order is cancelled.")
        @database.transaction(mode: :immediate) do
          order = @orders.brief(id)
          order.cancelled? && reject("id", "cancelled", "Order #{id} is cancelled already.")
          OrderChanged.check(order, request["revision"])
          @orders.cancel(id, reason, who: request["who"] || "counter")
        end
      end

      private

      def reject(...) = Core::InputError.reject(...)
    end
  end
end
