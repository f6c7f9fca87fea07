# frozen_string_literal: true

require_relative "../5_demand/demand"
require_relative "../value"

module Gimlet
  module Core
    module Plan
      # Which parts the orders of several pumps do not have in common.
      module PartDifferences
        # `parts` are Catalogue::Part that this pump's order has and some other's has not.
        Own = Value.of(:variant, :parts)

        module_function

        # @param variants [Array<Catalogue::Variant>] one for each order
        # @return [Array<Own>]
        def call(variants, scope, snapshot)
          orders = variants.map do |variant|
            Demand.new(Teardown.of(variant, scope), snapshot).lines.to_h do |line|
              [line.part, line.quantity]
            end
          end
          common = orders.map(&:to_a).reduce(:&) || []
          variants.zip(orders).map { |variant, order| Own.new(variant: variant, parts: (order.to_a - common).map(&:first)) }
        end
      end
    end
  end
end
