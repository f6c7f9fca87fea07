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
        request = { model: variant.designation, serial: variant.serial_range, scope: ticket.scope, policy: ticket.policy, pumps: ticket.pumps,
                    units: ticket.unit, findings: ticket.findings }
        @reference.field.recall(:results, [:plan, request, @stock.object_id]) { PlanRebuild.new(@reference.snapshot, @stock).call(request) }
      end
    end
  end
end
