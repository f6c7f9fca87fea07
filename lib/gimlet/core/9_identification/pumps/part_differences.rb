# frozen_string_literal: true

require_relative "../../4_demand/demand"
require_relative "../../value"

module Gimlet::Core
  module Identification
    # Which parts the orders of several pumps do not have in common.
    module PartDifferences
      # `parts` are Catalogue::Part that this pump's order has and some other's has not.
      Own = Value.of(:variant, :parts)

      module_function

      # @param orders [Hash{Catalogue::Variant=>Hash}] one pump for each order, with its parts
      # @return [Array<Own>]
      def call(orders)
        common = orders.values.map(&:to_a).reduce(:&) || []
        orders.map { |variant, parts| Own.new(variant: variant, parts: (parts.to_a - common).map(&:first)) }
      end

      # @return [Hash{Catalogue::Part=>Integer}] what the work on this pump needs, with its quantities
      def parts(variant, scope, snapshot)
        Demand.new(Teardown.of(variant, scope), snapshot).lines.to_h { |line| [line.part, line.quantity] }
      end
    end
  end
end
