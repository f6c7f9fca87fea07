# frozen_string_literal: true

require_relative "../core/9_identification/leader"
require_relative "../core/input_error"
require_relative "../core/safety/stops"
require_relative "../core/ticket/readiness"
require_relative "../core/ticket/ticket"
require_relative "../core/ticket/telling_lines"
require_relative "../core/value"
require_relative "diagnose_call"
require_relative "identify_pump"
require_relative "entry_context"
require_relative "measured_on_ticket"
require_relative "order_preview"
require_relative "ticket_plans"

module Gimlet
  module Counter
    # All that a ticket's entries lead to: the pump, the work, the parts, and what may be done next.
    #
    #   view = WorkOnTicket.new(reference, stock, customers, orders).call(7, tickets.entries(7))
    #   view.readiness.blockers.map(&:id) # => ["unsure"]
    class WorkOnTicket
      # `steps` are [pumps, orders] still possible after each line that said something, by entry number; `turns` which of them moved it most.
      # `pump` is the variant that the order would be for, nil while none leads clearly; `sure` the probability of its order; `planned` a
      # PlanRebuild::Result or nil; `extents`
      # the cost of each extent, `diagnosis` a DiagnoseCall::Result or nil, `amending` the Core::Order that saving would change,
      # `stops` the dangers that stand (Core::Safety::Stop).
      View = Core::Value.of(:id, :ticket, :customer, :found, :steps, :turns, :pump, :sure, :planned, :tray, :readiness, :diagnosis, :extents,
                            :measured, :amending, :stops)

      # @param reference [Reference]
      # @param stock [Hash{String=>Core::KitPlan::Stock}]
      # @param customers [Store::Customers]
      # @param orders [Store::Orders]
      # @param arrivals [Core::Desk::Arrivals] when what is short comes
      def initialize(reference, stock, customers, orders, arrivals = Core::Desk::Terms.none.arrivals)
        @orders = orders
        @reference = reference
        @plans = TicketPlans.new(reference, stock, arrivals)
        @customers = customers
        @identify = IdentifyPump.new(reference, customers)
        @diagnose = DiagnoseCall.new(reference)
        @measured = MeasuredOnTicket.new(reference, stock)
      end

      # @param id [Integer, nil]
      # @param entries [Array<Core::Entry>]
      # @return [View]
      def call(id, entries)
        customer, ticket = with_customer(Core::Ticket::TicketState.of(entries))
        found = identified(ticket)
        leader = leader(ticket, found.identification)
        pump = leader.at && @reference.variant(leader.at)
        planned = @plans.call(ticket, pump) if pump && !ticket.scope.empty?
        measured = @measured.call(ticket, pump)
        amending = ticket.amends && @orders.brief(ticket.amends)
        diagnosis = @diagnose.call(ticket, pump, measured)
        stops = Core::Safety::Stops.of(ticket.lines, EntryContext::HAZARDS)
        steps = steps(ticket, entries, found.owned)
        View.new(id: id, ticket: ticket, customer: customer, found: found, steps: steps,
                 turns: Core::Ticket::TellingLines.of(steps, @reference.classes(scope(ticket)).ids.size), pump: pump,
                 sure: leader.sure, planned: planned,
                 tray: OrderPreview.new(@reference, @plans).call(ticket, found.identification, pump, planned),
                 readiness: readiness(ticket, found, leader, planned, amending, stops),
                 measured: measured, diagnosis: diagnosis, stops: stops, extents: planned ? extents(ticket, pump) : [],
                 amending: amending)
      end

      private

      # What the customer is known to have, and what was said of it since.
      def with_customer(ticket)
        customer = ticket.customer_id && @customers.find(ticket.customer_id)
        [customer, ticket.with(owned: (customer ? customer[:tools] : {}).merge(ticket.owned).compact)]
      end

      # The same work, gone as far as each school would.
      # @return [Array<Array(String, TicketPlans::Cost)>]
      def extents(ticket, pump) = Core::Extent::NAMES.keys.map { |key| [key, @plans.cost(ticket, pump, key)] }

      def identified(ticket)
        @identify.call(kept: ticket.readings, channel: ticket.channel, scope: ticket.scope, customer_id: ticket.customer_id,
                       chosen: ticket.chosen, settled: ticket.settled.keys)
      end

      # The pump taken by hand, else the likeliest; of one that is not on file, none.
      def leader(ticket, found)
        return Core::Identification::Leader.none if ticket.state == "sighted"

        classes = @reference.classes(scope(ticket))
        return Core::Identification::Leader.of(found, classes, told: ticket.readings.any?) unless ticket.chosen

        Core::Identification::Leader.chosen(@reference.snapshot.variants.index { |variant| variant.id == ticket.chosen }, found, classes)
      end

      def scope(ticket) = ticket.scope.empty? ? @reference.snapshot.areas.keys : ticket.scope

      # How far each line narrowed the field, as it went. The log only grows: what a line did is worked out once, whatever comes after.
      def steps(ticket, entries, owned)
        classes = @reference.classes(scope(ticket))
        so_far = nil
        told = ticket.lines.zip(entries).filter_map do |line, entry|
          so_far = [so_far, entry.kind, entry.body].hash
          next unless line.items.any? { |item| item.readings&.any? } || %w[struck restored].include?(line.kind)

          key = [:step, so_far, owned, classes.object_id]
          [line.number, @reference.field.recall(:results, key) { narrowed(entries.take(line.number), ticket, owned) }]
        end
        told.to_h
      end

      def narrowed(entries, ticket, owned)
        told = Core::Ticket::TicketState.of(entries)
        @reference.identify(scope(ticket)).narrowed(@identify.kept(told.readings, told.channel), owned: owned)
      end

      def readiness(ticket, found, leader, planned, amending, stops)
        Core::Ticket::Readiness.of(ticket, found.identification, planned&.workup, leads: ticket.chosen.nil? || leader.first, amended: amending,
                                                                                  stops: stops)
      end
    end
  end
end
