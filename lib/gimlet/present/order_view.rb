# frozen_string_literal: true

require_relative "../core/order/order"

module Gimlet
  module Present
    # An order as it was agreed, and what may be done with it.
    #
    #   OrderView.call(order)[:may] # => ["amend", "cancel"]
    module OrderView
      # @param order [Core::Order]
      # @return [Hash] of the OpenAPI schema Order
      def self.call(order) = order.to_h.except(:customer_id).merge(may: order.may)
    end
  end
end
