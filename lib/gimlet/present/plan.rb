# frozen_string_literal: true

require_relative "../core/5_demand/positions"
require_relative "tightening"

module Gimlet
  module Present
    # A worked-up order as the API answers it and as orders keep it.
    module Plan
      module_function

      # @param result [Counter::PlanRebuild::Result]
      def call(result)
        workup = result.workup
        header(result).merge(
          demand: workup.demand.lines.map { |one| demand(one) }, plans: workup.plans.map { |one| kit_plan(one) },
          keep: workup.demand.keep.map { |one| kept(one) }, count_out: workup.demand.count_out.map(&:to_h),
          tools: workup.tools.map(&:to_h), consumables: workup.consumables.map(&:to_h),
          tightening: workup.tightening.map { |one| Tightening.call(one, workup.variant.series, result.request[:units]) },
          steps: workup.steps.map(&:to_h), stacks: stacks(workup), cautions: workup.cautions
        )
      end

      def header(result)
        variant, teardown = result.workup.variant, result.workup.teardown
        { model: variant.designation, serial_range: variant.serial_range, maker: variant.series.maker.name,
          series: variant.series.name, manual: variant.series.manual, scope: teardown.areas.map(&:id),
          added: teardown.added, not_on_file: teardown.not_on_file, assumptions: result.assumptions,
          pumps: result.request[:pumps], units: result.request[:units], catalogue_version: result.catalogue_version }
      end

      def kept(one) = one.to_h.merge(where: Core::Positions.short(one.positions))

      def demand(one)
        { part: one.part.number, name: one.part.name, quantity: one.quantity, reasons: one.reasons }
      end

      def kit_plan(one)
        one.to_h.merge(lines: one.lines.map(&:to_h), price: one.price_cents / 100.0,
                       unfilled: one.unfilled.map { |line| numbered(line) },
                       surplus: one.surplus.map { |line| numbered(line) })
      end

      def numbered(line) = { part: line.number }.merge(line.to_h.except(:number))

      def stacks(workup)
        ids = workup.teardown.areas.flat_map(&:stacks).uniq
        ids.map { |id| stack(workup.variant.series.stack(id), workup.variant) }
      end

      def stack(one, variant)
        present = one.layers.select { |layer| Core::Catalogue::Condition.met?(layer.condition, variant) }
        one.to_h.slice(:name, :from, :towards, :colour, :spring).merge(layers: present.map { |layer| layer(layer, variant) })
      end

      def layer(one, variant)
        numbers = variant.series.parts_for(one.slot, variant)
        one.to_h.slice(:name, :facing, :shape, :lube).merge(fate: Core::Catalogue::REUSE_RULES.fetch(one.reuse),
                                                            part: numbers.one? ? numbers.first : nil)
      end
    end
  end
end
