# frozen_string_literal: true

require_relative "../5_demand/demand"
require_relative "../7_tools/tool_list"
require_relative "../8_tightening/instruction"

module Gimlet
  module Core
    module Plan
      # Everything of an order that the choice of pump can change: two pumps with the same signature are one order.
      module Signature
        module_function

        # @return [Array] comparable by value
        def of(variant, scope, snapshot)
          teardown = Teardown.of(variant, scope)
          demand = Demand.new(teardown, snapshot)
          tightening = teardown.fasteners.map { |one| Tightening::Instruct.call(one, variant, unit: "N·m") }
          bench = Tools::ToolList.new(teardown, tightening)
          [demand.quantities.sort, demand.missing.map { |one| [one.name, one.quantity] },
           demand.keep.map { |one| [one.slot, one.part] }, teardown.not_on_file,
           bench.tools.map { |tool| [tool.name, tool.number] }, bench.consumables.map { |one| [one.name, one.amount] },
           tightening.map { |one| [one.fastener.id, one.fastener.points.size, one.text, one.targets_nm] }]
        end
      end
    end
  end
end
