# frozen_string_literal: true

require_relative "../core/4_demand/positions"
require_relative "../core/assembly/build_up"
require_relative "../core/8_plan/section"
require_relative "../core/8_plan/true_size"
require_relative "../core/desk/terms"
require_relative "../core/outside/pump"
require_relative "outside"
require_relative "places"
require_relative "tightening"

module Gimlet
  module Present
    # A worked-up order as the API answers it and as orders keep it.
    #
    #   Plan.call(result)[:plans].first[:price_cents] # => 7308
    module Plan
      module_function

      # @param result [Counter::PlanRebuild::Result]
      # @param owned [Array<String>] names of tools that the customer has
      # @param handed [Hash{String=>String}] name of a tool => "lent" or "sold"
      # @param terms [Core::Desk::Terms]
      def call(result, owned: [], handed: {}, terms: Core::Desk::Terms.none)
        workup = result.workup
        header(result).merge(pieces(workup, result.request[:pumps], terms)).merge(
          tools: workup.tools.map { |one| tool(one, owned, handed) },
          consumables: workup.consumables.map { |one| one.to_h.merge(how_much: one.how_much) },
          tightening: workup.tightening.map { |row| Tightening.call(row, workup, result.request[:units]) },
          refit: workup.refit && refit(workup), steps: workup.steps.map(&:to_h), stacks: stacks(workup, result.snapshot),
          cautions: workup.cautions.map(&:text), signs: workup.cautions.map { |caution| caution.to_h.except(:text) },
          outside: Core::Outside::Pump.new(workup.variant).views.map { |view| Outside.view(view) }
        )
      end

      def pieces(workup, pumps, terms)
        { demand: workup.demand.lines.map { |line| demand(line) }, places: places(workup, pumps, terms),
          plans: workup.plans.map { |plan| { **kit_plan(plan, terms), late: workup.deadline&.missed(plan.lines) } },
          keep: workup.demand.keep.map { |piece| kept(piece) }, held: workup.demand.held.map { |part| held(part) },
          count_out: workup.demand.count_out.map(&:to_h) }
      end

      def places(workup, pumps, terms)
        plan = workup.plans.first
        days = plan.lines.to_h { |line| [line.number, terms.arrivals.said(line.number, line.short)] }
        Places.call(Core::Order::Places.of_plan(workup.demand, plan, pumps: pumps, days: days))
      end

      def header(result)
        variant, teardown = result.workup.variant, result.workup.teardown
        { model: variant.designation, serial_range: variant.serial_range, maker: variant.series.maker.name,
          series: variant.series.name, manual: variant.series.manual, scope: teardown.areas.map(&:id), areas: areas(variant, teardown),
          added: teardown.added, left_out: teardown.left_out, not_on_file: teardown.not_on_file, extent: extent(teardown.scope.extent),
          assumptions: result.assumptions,
          pumps: result.request[:pumps], units: result.request[:units], catalogue_version: result.catalogue_version }
      end

      # The crank before the manifold goes on: how far each plunger stands out, and which enters first.
      def refit(workup)
        position = workup.refit
        { school: position.school, text: position.text, stroke_mm: workup.variant.model.stroke_mm, turned_deg: position.turned_deg,
          plungers: position.plungers.map { |cylinder, out| { cylinder: cylinder, out_mm: out.round(1), first: position.first.include?(cylinder) } } }
      end

      # Every area of the pump, and where it works.
      def areas(variant, teardown)
        variant.series.areas_of(variant).map do |area|
          { id: area.id, name: area.name, positions: Core::Scope.positions(variant, area), worked: teardown.areas.include?(area) ? teardown.worked(area) : [] }
        end
      end

      # What the customer has is neither lent nor sold.
      def tool(tool, owned, handed)
        has = owned.include?(tool.name)
        tool.to_h.merge(has: has, how: has ? nil : handed[tool.name])
      end

      def extent(id) = { id: id, name: Core::Extent::NAMES.fetch(id), warning: Core::Extent::WARNINGS.fetch(id) }

      def kept(piece)
        piece.to_h.except(:limits).merge(where: Core::Positions.short(piece.positions), to_do: Core::Fates::KINDS.fetch(piece.fate),
                                         limits: piece.limits.map { |limit| { measure: limit.measure, unit: limit.unit, text: limit.limit } })
      end

      def held(part) = { part: part.part.number, name: part.part.name, quantity: part.quantity, why: part.why }

      def demand(line)
        { part: line.part.number, name: line.part.name, quantity: line.quantity, had: line.had, reasons: line.reasons }
      end

      def kit_plan(plan, terms)
        plan.to_h.merge(lines: plan.lines.map { |line| { **line.to_h, comes: terms.arrivals.said(line.number, line.short) } },
                        gross_cents: terms.gross(plan.price_cents),
                        comes: terms.arrivals.together(plan.lines.map { |line| [line.number, line.short] }),
                        price: plan.price_cents / 100.0, complete: plan.complete, not_covered: plan.not_covered,
                        unfilled: plan.unfilled.map { |line| unfilled(line) }, passed_over: plan.passed_over.map(&:to_h),
                        surplus: plan.surplus.map { |line| numbered(line) })
      end

      def unfilled(line) = numbered(line).merge(stand_ins: line.stand_ins.map { |stand_in| { part: stand_in.part, note: stand_in.note } })

      def numbered(line) = { part: line.number }.merge(line.to_h.except(:number))

      def stacks(workup, snapshot)
        handled = workup.demand.fates.group_by { |fate| fate.place.stack.id }.values
        handled.map { |fates| stack(fates.first.place.stack, fates, workup.variant, snapshot) }
      end

      # Outlines of each piece's upper half, in mm; the lower half mirrors it.
      def section(stack, variant, snapshot)
        drawing = Core::Plan::Section.of(stack, variant, snapshot)
        { length_mm: drawing.length_mm, radius_mm: drawing.radius_mm, pieces: drawing.pieces.map { |piece| piece.to_h.except(:at) } }
      end

      # Each layer once, with what becomes of it at each position.
      def stack(stack, fates, variant, snapshot)
        by_place = fates.to_h { |fate| [[fate.place.position, fate.place.at], fate] }
        positions = stack.positions & fates.map { |fate| fate.place.position }
        layers = stack.layers.each_with_index.select { |layer, _| Core::Catalogue::Condition.met?(layer.condition, variant) }
        rows = layers.map { |layer, at| layer(layer, variant, snapshot, positions.map { |place| by_place[[place, at]] }) }
        stack.to_h.slice(:id, :name, :from, :towards, :colour, :spring)
             .merge(built: Core::Assembly::BuildUp.order(variant.series, stack, layers.map(&:first)),
                    checked: Core::Catalogue::Checked.in_words(stack.checked), positions: positions, drawing: section(stack, variant,
                                                                                                                      snapshot), layers: rows)
      end

      def layer(layer, variant, snapshot, fates)
        numbers = variant.series.parts_for(layer.slot, variant)
        kinds = fates.map { |fate| fate&.kind }
        size = Core::Plan::TrueSize.of(layer.shape, snapshot.part(numbers.first).spec) if numbers.one?
        layer.to_h.slice(:slot, :name, :inside, :shape, :opens_to, *Core::Catalogue::LayerFields::TOLD.keys.map(&:to_sym))
             .merge(told: Core::Catalogue::LayerFields.in_words(layer),
                    fates: kinds, drawn: Core::Fates.foremost(kinds),
                    fate: kinds.uniq.one? ? said(kinds.first) : "by position", part: numbers.one? ? numbers.first : nil,
                    look: layer.checks.map(&:to_s), size_mm: size)
      end

      def said(kind) = kind ? Core::Fates::KINDS.fetch(kind) : "stays where it is"
    end
  end
end
