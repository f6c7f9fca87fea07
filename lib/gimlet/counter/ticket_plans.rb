# frozen_string_literal: true

require_relative "plan_rebuild"

module Gimlet
  module Counter
    # The plan that a ticket's work leads to, for any pump. Most steps of a call leave it as it was: it is worked out once.
    class TicketPlans
      # @param reference [Reference]
      # @param stock [Hash{String=>Core::KitPlan::Stock}]
      def initialize(reference, stock)
        @reference = reference
        @stock = stock
      end

      # @param ticket [Core::Ticket::Folded] with work agreed or asked for
      # @param variant [Core::Catalogue::Variant]
      # @return [PlanRebuild::Result]
      def call(ticket, variant)
        request = { model: variant.designation, serial: variant.serial_range, units: ticket.unit, **work(ticket, variant),
                    **ticket.to_h.slice(:policy, :pumps, :extent, :had, :fixed) }
        @reference.field.recall(:results, [:plan, request, @stock.object_id]) { planned(request) }
      end

      private

      # What was agreed or found on a place that this pump has not, is kept in the ticket, and tells nothing about this pump.
      def work(ticket, variant)
        areas = variant.series.areas_of(variant)
        at = ticket.at.to_h { |id, positions| [id, positions & Core::Scope.positions(variant, areas.find { |area| area.id == id })] }
        slots = variant.series.stacks.flat_map { |stack| stack.layers_of(variant).map { |layer| [layer.slot, stack.positions] } }
        found = ticket.findings.select do |one|
          slots.any? do |slot, positions|
            slot == one[:slot] && (one[:position].nil? || positions.include?(one[:position]))
          end
        end
        { scope: ticket.scope & @reference.snapshot.areas.keys, positions: at.slice(*ticket.scope).reject do |_, positions|
          positions.empty?
        end, findings: found }
      end

      # A line set by hand that serves nothing any more, since the pump or the work is another now, is left out.
      def planned(request)
        PlanRebuild.new(@reference.snapshot, @stock).call(request)
      rescue Core::InputError => e
        raise unless e.code == "unknown_line" && request[:fixed].any?

        planned(request.merge(fixed: request[:fixed].reject { |one| e.message.include?("“#{one[:number]}”") }))
      end
    end
  end
end
