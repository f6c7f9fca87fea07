# frozen_string_literal: true

require_relative "../present/identification"
require_relative "../present/plan"
require_relative "../core/input_error"
require_relative "../store/tickets"

module Gimlet
  module Counter
    # A ticket becomes an order: computed once more from what the ticket says, then kept as it is.
    class PlaceOrder
      # @param identify [IdentifyPump]
      # @param plan [PlanRebuild]
      # @param tickets [Store::Tickets]
      # @param orders [Store::Orders]
      # @param customers [Store::Customers]
      def initialize(identify:, plan:, tickets:, orders:, customers:)
        @identify = identify
        @plan = plan
        @tickets = tickets
        @orders = orders
        @customers = customers
      end

      # @param version [Integer] what the specialist saw
      # @return [Array(Hash, Boolean), nil] order and whether it is new; nil when there is no such ticket
      # @raise [Core::InputError, Store::Tickets::Stale]
      def call(ticket_id, version)
        ticket = @tickets.find(ticket_id) or return
        existing = @orders.of_ticket(ticket_id)
        return [existing, false] if existing
        raise Store::Tickets::Stale unless ticket[:version] == version

        save(ticket, ticket[:state])
      end

      private

      def save(ticket, state)
        found = @identify.call(identify_request(state))
        candidate = chosen(found, state)
        planned = @plan.call(plan_request(state, candidate))
        order, fresh = @orders.create(ticket_id: ticket[:id], customer_id: state["customer_id"],
                                      catalogue_version: planned.catalogue_version,
                                      document: document(found, candidate, planned))
        @customers.remember(state["customer_id"], candidate.variant.designation) if fresh && state["customer_id"]
        [order, fresh]
      end

      def identify_request(state)
        live = state["readings"].reject { |row| row["struck"] }.map { |row| row["reading"].transform_keys(&:to_sym) }
        { readings: live, channel: state["channel"], scope: state["scope"], customer_id: state["customer_id"],
          chosen: chosen_id(state) }
      end

      def chosen_id(state) = state["model"] && [state["model"], state["serial"]].compact.join(" ")

      # The candidate that was taken by hand, else the leading one.
      def chosen(found, state)
        candidates = found.identification.candidates
        wanted = chosen_id(state) or return candidates.first

        candidates.find { |one| one.variant.id == wanted } ||
          raise(Core::InputError.new("#{wanted} is no longer a candidate: choose the pump again.", field: "model",
                                                                                                   code: "unknown_model"))
      end

      def plan_request(state, candidate)
        { model: candidate.variant.designation, serial: candidate.variant.serial_range, scope: state["scope"],
          policy: state["policy"], pumps: state["pumps"], units: state["units"], findings: state["findings"] }
      end

      def document(found, candidate, planned)
        same = found.identification.order_classes.find { |one| one.id == candidate.order_class }
        { readings: found.readings.map { |one| Present::Identification.reading(one) },
          sure: same ? same.probability : candidate.probability,
          models: same ? same.variants.first(12).map(&:id) : [candidate.variant.id], plan: Present::Plan.call(planned) }
      end
    end
  end
end
