# frozen_string_literal: true

require_relative "../core/drafting/unsaid"
require_relative "../core/ticket/ticket"
require_relative "../core/value"
require_relative "identify_pump"

module Gimlet
  module Counter
    # Pumps that came over the counter and are not on file, and what has come of them since.
    #
    #   sightings = Sightings.new(reference, catalogue, tickets, customers)
    #   sightings.open.reject(&:fits) # => those whose sheet is still to be found
    class Sightings
      # `fits` is a pump that explains what was said and was not on file then (Core::Catalogue::Variant), `lacking` the traits that nobody has
      # said anything of.
      Sighting = Core::Value.of(:ticket_id, :ticket, :customer, :at, :due_on, :fits, :lacking) do
        # @return [Array<String>] what was typed, word by word
        def words = ticket.lines.filter_map(&:words)
      end

      # @param reference [Reference]
      # @param catalogue [Store::Catalogue]
      # @param tickets [Store::Tickets]
      # @param customers [Store::Customers]
      def initialize(reference, catalogue, tickets, customers)
        @reference = reference
        @catalogue = catalogue
        @tickets = tickets
        @customers = customers
        @identify = IdentifyPump.new(reference, customers)
      end

      # @return [Array<Sighting>] those that wait, the one that is due first first
      def open = @tickets.in_state("sighted").filter_map { |id| find(id) }.sort_by { |one| [one.due_on, one.ticket_id] }

      # @param id [Integer] of its ticket
      # @return [Sighting, nil]
      def find(id)
        ticket = Core::Ticket::TicketState.of(@tickets.entries(id))
        return unless ticket.sighted

        told = ticket.readings.map { |row| row[:trait] }
        Sighting.new(ticket_id: id, ticket: ticket, customer: ticket.customer_id && @customers.find(ticket.customer_id), **ticket.sighted,
                     fits: fits(ticket), lacking: Core::Drafting::Unsaid.of(@reference.snapshot, told))
      end

      private

      # What leads now, where it was not on file when the pump was seen.
      def fits(ticket)
        return if ticket.readings.empty? || @reference.snapshot.variants.empty?

        found = @identify.call(kept: ticket.readings, channel: ticket.channel, customer_id: ticket.customer_id,
                               settled: ticket.settled.keys).identification
        pump = @reference.variant(found.order_classes.first.members.first) if found.clear
        pump unless pump.nil? || @catalogue.models_at(pump.series.id, ticket.sighted[:at]).include?(pump.designation)
      end
    end
  end
end
