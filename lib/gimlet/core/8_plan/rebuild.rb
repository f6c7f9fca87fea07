# frozen_string_literal: true

require_relative "../4_demand/demand"
require_relative "../5_kit_plan/plans"
require_relative "../6_tightening/closing"
require_relative "../6_tightening/entered"
require_relative "../6_tightening/instruction"
require_relative "../7_tools/tool_list"
require_relative "../assembly/proof"
require_relative "../value"
require_relative "cautions"
require_relative "refitting"
require_relative "steps"

module Gimlet::Core
  module Plan
    # Everything a rebuild order says about one pump.
    Workup = Value.of(:variant, :teardown, :demand, :plans, :tools, :wrenches, :consumables, :tightening, :extension, :refit, :steps, :cautions,
                      :deadline, :gaps)

    # What is to be done: `scope` areas or a whole Scope, `policy` of KitPlan::POLICIES where one was chosen, `pumps` how many, `unit` of the
    # customer's wrench,
    # `findings` of Finding, `had` { part number => how many the customer has already }, `fixed` lines of KitPlan::Fixed set by hand,
    # `wrenches` the customer's own, `extension` of Tightening::Extension or nil, `entered` { fastener id => Tightening::Entered },
    # `service` of Materials::Service, what it pumps, `also` lines of KitPlan::Fixed that go along, `deadline` a Desk::Deadline or nil.
    Job = Value.of(:scope, :policy, :pumps, :unit, :findings, :had, :fixed, :wrenches, :extension, :entered, :service, :also, :deadline)
    USUAL = { pumps: 1, unit: "N·m", findings: [].freeze, had: {}.freeze, fixed: [].freeze, also: [].freeze,
              wrenches: [].freeze, entered: {}.freeze }.freeze

    # From a pump and its agreed work to the order: teardown, demand, kit plans, tools, tightening, cautions.
    class Rebuild
      # @param snapshot [Catalogue::Snapshot]
      # @param stock [Hash{String=>KitPlan::Stock}]
      # @param solved [Hash] parts of kit plans that were solved before
      def initialize(snapshot, stock, solved = {})
        @snapshot = snapshot
        @stock = stock
        @solved = solved
      end

      # @param variant [Catalogue::Variant]
      # @param particulars [Hash] fields of a Job; those of USUAL may be left out
      # @return [Workup]
      # @raise [InputError] where a finding or a fixed line speaks of what the pump has not
      def call(variant, **particulars)
        job = Job.new(**USUAL, **particulars)
        teardown = Teardown.of(variant, job.scope)
        demand = Demand.new(teardown, @snapshot, pumps: job.pumps, findings: job.findings, had: job.had)
        teardown = demand.decided
        tightening = Closing.in_order(teardown, teardown.fasteners.flat_map do |fastener|
          Tightening::Instruct.call(fastener, variant, unit: job.unit, entered: job.entered[fastener.id])
        end)
        bench = Tools::ToolList.new(teardown, tightening, pumps: job.pumps, own: job.wrenches, extension: job.extension, stock: @stock)
        plans = KitPlan::Plans.new(demand, @snapshot, @stock, fixed: job.fixed, also: job.also, solved: @solved)
        proof = proof(teardown, demand, bench)
        Workup.new(variant: variant, teardown: teardown, demand: demand, plans: plans.call(job.policy, deadline: job.deadline),
                   tools: proof.tools, wrenches: bench.choice,
                   consumables: proof.consumables, tightening: tightening, extension: job.extension, refit: Refitting.of(teardown),
                   steps: proof.steps, deadline: job.deadline, gaps: proof.gaps, cautions: Cautions.for(teardown, @snapshot, job.service))
      end

      private

      def proof(teardown, demand, bench)
        pieces = Assembly::Pieces.new(teardown, demand.fates.select { |fate| fate.kind == :replace }.map(&:place))
        steps, handled = Steps.for(teardown, pieces.told), teardown.places.map(&:layer)
        Assembly::Proof.new(pieces, steps, teardown.variant.series, handled, tools: bench.tools, consumables: bench.consumables)
      end
    end
  end
end
