# frozen_string_literal: true

require_relative "../../4_demand/demand"
require_relative "../../7_tools/tool_list"
require_relative "../../6_tightening/instruction"
require_relative "../../8_plan/refitting"
require_relative "../../8_plan/steps"

module Gimlet::Core
  module Identification
    # Everything of an order that the choice of pump can change: two pumps with the same signature are one order.
    module Signature
      module_function

      # @return [Array] comparable by value
      def of(variant, scope, snapshot)
        teardown = Teardown.of(variant, scope)
        demand = Demand.new(teardown, snapshot)
        teardown = demand.decided
        tightening = teardown.fasteners.flat_map { |fastener| Tightening::Instruct.call(fastener, variant, unit: "N·m") }
        parts(teardown, demand) + bench(Tools::ToolList.new(teardown, tightening)) +
          [turns(tightening), Plan::Steps.finish(teardown).map(&:text), Plan::Refitting.of(teardown)&.to_a]
      end

      def parts(teardown, demand)
        [demand.quantities.sort, demand.missing.map { |lack| [lack.name, lack.quantity] },
         demand.fates.map { |fate| [fate.place.layer.slot, fate.kind] }.uniq.map { |slot, kind| [slot, kind, demand.number(slot)] },
         teardown.not_on_file]
      end

      def bench(list)
        [list.tools.map { |tool| [tool.name, tool.number] }, list.consumables.map { |consumable| [consumable.name, consumable.amount] }]
      end

      def turns(tightening)
        tightening.map { |row| [row.id, row.fastener.points.size, row.text, row.targets_nm] }
      end
    end
  end
end
