# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Desk
    # A tool by its own tag, and with whom it is. `state` is "promised" to an order, "out" with its customer, or nil: on its shelf. `until` is a
    # Date.
    Loan = Value.of(:tag, :number, :name, :shelf, :condition, :price_cents, :state, :order_id, :customer, :until, :deposit_cents) do
      def free? = state.nil?
      def out? = state == "out"
      def overdue?(today) = out? && self.until < today
    end
  end
end
