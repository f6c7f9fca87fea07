# frozen_string_literal: true

require_relative "../5_demand/demand"
require_relative "../6_kit_plan/plans"
require_relative "../8_tools/tool_list"
require_relative "../7_tightening/instruction"
require_relative "../value"
require_relative "cautions"
require_relative "steps"

module Gimlet
  module Core
    module Plan
      # Everything a rebuild order says about one pump.
      Workup = Value.of(:variant, :teardown, :demand, :plans, :tools, :consumables, :tightening, :steps, :cautions)

      # From a pump and its agreed work to the order: teardown, demand, kit plans, tools, tightening, cautions.
      class Rebuild
        # @param snapshot [Catalogue::Snapshot]
        # @param stock [Hash{String=>KitPlan::Stock}]
        def initialize(snapshot, stock)
          @snapshot = snapshot
          @stock = stock
        end

        # @param variant [Catalogue::Variant]
        # @param scope [Array<String>] work areas
        # @param unit [String] torque unit of the customer's wrench
        # @param findings [Array<String>] slots found worn
        # @return [Workup]
        def call(variant, scope:, policy: "on_shelf", pumps: 1, unit: "N·m", findings: [])
          teardown = Teardown.of(variant, scope)
          demand = Demand.new(teardown, @snapshot, pumps: pumps, findings: findings)
          tightening = teardown.fasteners.map { |one| Tightening::Instruct.call(one, variant, unit: unit) }
          bench = Tools::ToolList.new(teardown, tightening, pumps: pumps)
          Workup.new(variant: variant, teardown: teardown, demand: demand,
                     plans: KitPlan::Plans.new(demand, @snapshot, @stock).call(policy), tools: bench.tools,
                     consumables: bench.consumables, tightening: tightening, steps: Steps.for(teardown),
                     cautions: Cautions.for(teardown))
        end
      end
    end
  end
end
