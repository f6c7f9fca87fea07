# frozen_string_literal: true

require_relative "../core/desk/deadline"
require_relative "../core/desk/terms"
require_relative "../core/diagnosis/told_findings"
require_relative "plan_rebuild"

module Gimlet
  module Counter
    # The plan that a ticket's work leads to, for any pump. Most steps of a call leave it as it was: it is worked out once.
    #
    #   TicketPlans.new(reference, stock).call(ticket, variant).workup.plans.first.price_cents
    class TicketPlans
      # `pieces` are renewed, `unfilled` parts cannot be had so.
      Cost = Core::Value.of(:price_cents, :pieces, :unfilled)

      # @param reference [Reference]
      # @param stock [Hash{String=>Core::KitPlan::Stock}]
      # @param arrivals [Core::Desk::Arrivals] when what is short comes
      def initialize(reference, stock, arrivals = Core::Desk::Terms.none.arrivals)
        @arrivals = arrivals
        @reference = reference
        @stock = stock
      end

      # @param ticket [Core::Ticket::TicketState] with work agreed or asked for
      # @param variant [Core::Catalogue::Variant]
      # @return [PlanRebuild::Result]
      def call(ticket, variant)
        request = { model: variant.designation, serial: variant.serial_range, units: ticket.unit, **work(ticket, variant),
                    **ticket.to_h.slice(:policy, :pumps, :extent, :had, :fixed, :extension), service: ticket.service,
                    also: ticket.also.select { |line| sold?(line[:number]) },
                    entered: ticket.entered.select { |id, one| same_gap?(id, one[:pump], variant) },
                    wrenches: ticket.owned.values.select { |range| range["from"] } }
        key = [:plan, request, @stock.object_id, ticket.wanted && [ticket.wanted, @arrivals.mark]]
        @reference.field.recall(:results, key) { planned(request.merge(deadline: deadline(ticket))) }
      end

      # What the work would cost if it went so far, bought in the way that is chosen.
      # @param extent [String] of Core::Extent::NAMES
      # @return [Cost]
      def cost(ticket, variant, extent)
        key = [:cost, extent, ticket.policy, ticket.pumps, ticket.had, work(ticket, variant), variant.id, @stock.object_id]
        @reference.field.recall(:results, key) { costed(ticket, variant, extent) }
      end

      private

      def deadline(ticket) = ticket.wanted && Core::Desk::Deadline.new(by: Date.iso8601(ticket.wanted), arrivals: @arrivals)

      # What goes along must still be in a catalogue and have a price.
      def sold?(number) = @stock.key?(number) && (@reference.snapshot.part(number) || @reference.snapshot.kit(number))

      def costed(ticket, variant, extent)
        agreed = work(ticket, variant)
        scope = Core::Scope.of(agreed[:scope], at: agreed[:positions], extent: extent)
        findings = agreed[:findings].map { |one| Core::Finding.from(one) }
        demand = Core::Demand.new(Core::Teardown.of(variant, scope), @reference.snapshot, pumps: ticket.pumps, findings: findings, had: ticket.had)
        plan = Core::KitPlan::Plans.new(demand, @reference.snapshot, @stock, solved: @reference.solved).one(ticket.policy)
        Cost.new(price_cents: plan.price_cents, pieces: demand.lines.sum(&:quantity), unfilled: plan.unfilled.size)
      end

      # A value that was looked up for one pump holds for another only where the same line of the same sheet is silent.
      def same_gap?(fastener, pump, variant)
        other = @reference.snapshot.variants.find { |one| one.id == pump }
        other&.series&.id == variant.series.id && variant.series.fastener(fastener)&.one_line?([other, variant])
      end

      # What was agreed or found on a place that this pump has not, is kept in the ticket, and tells nothing about this pump.
      def work(ticket, variant)
        areas = variant.series.areas_of(variant)
        at = ticket.at.to_h { |id, positions| [id, positions & Core::Scope.positions(variant, areas.find { |area| area.id == id })] }
        { scope: ticket.scope & @reference.snapshot.areas.keys, positions: at.slice(*ticket.scope).reject { |_, positions| positions.empty? },
          findings: told(ticket, variant) + ticket.findings.select { |finding| findable?(variant, finding) } }
      end

      # What was looked at since has the last word.
      def told(ticket, variant)
        signs = ticket.signs.select { |_, there| there }.keys.filter_map { |id| @reference.diagnosis.signs[id] }
        Core::Diagnosis::ToldFindings.of(signs, variant, ticket.scope).map(&:to_h)
      end

      def findable?(variant, finding)
        stacks = variant.series.stacks.select { |stack| stack.layers_of(variant).any? { |layer| layer.slot == finding[:slot] } }
        return false unless stacks.any? { |stack| finding[:position].nil? || stack.positions.include?(finding[:position]) }

        Core::Finding.from(finding).judged(stacks.flat_map(&:layers).select { |layer| layer.slot == finding[:slot] })
        true
      rescue Core::InputError
        false
      end

      # A line set by hand that serves nothing any more, since the pump or the work is another now, is left out.
      def planned(request)
        PlanRebuild.new(@reference.snapshot, @stock, @reference.tables, @reference.solved).call(request)
      rescue Core::KitPlan::UnknownLine => e
        planned(request.merge(fixed: request[:fixed].reject { |one| one[:number] == e.number }))
      end
    end
  end
end
