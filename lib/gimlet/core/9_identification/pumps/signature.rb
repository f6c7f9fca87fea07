# frozen_string_literal: true

require_relative "../../4_demand/demand"
require_relative "../../7_tools/tool_list"
require_relative "../../6_tightening/instruction"
require_relative "../../8_plan/refitting"
require_relative "../../8_plan/steps"

module Gimlet
  module Core
    module Identification
      # Everything of an order that the choice of pump can change: two pumps with the same signature are one order.
      module Signature
        module_function

        # @return [Array] comparable by value
        def of(variant, scope, snapshot)
          teardown = Teardown.of(variant, scope)
          demand = Demand.new(teardown, snapshot)
          tightening = teardown.fasteners.map { |one| Tightening::Instruct.call(one, variant, unit: "N·m") }
          parts(teardown, demand) + bench(Tools::ToolList.new(teardown, tightening)) +
            [turns(tightening), Plan::Steps.finish(teardown).map(&:text), Plan::Refitting.of(teardown)&.to_a]
        end

        def parts(teardown, demand)
          [demand.quantities.sort, demand.missing.map { |one| [one.name, one.quantity] },
           demand.fates.map { |fate| [fate.place.layer.slot, fate.kind] }.uniq.map { |slot, kind| [slot, kind, demand.number(slot)] },
           teardown.not_on_file]
        end

        def bench(list)
          [list.tools.map { |tool| [tool.name, tool.number] }, list.consumables.map { |one| [one.name, one.amount] }]
        end

        def turns(tightening)
          tightening.map { |one| [one.fastener.id, one.fastener.points.size, one.text, one.targets_nm] }
        end
      end
    end
  end
end
