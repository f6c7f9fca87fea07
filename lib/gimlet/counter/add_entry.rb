# frozen_string_literal: true

require_relative "../core/ticket/ticket"
require_relative "entry_context"

module Gimlet
  module Counter
    # One step of a ticket: one entry, checked by its kind and appended.
    #
    #   AddEntry.new(reference, tickets, customers).call(7, "kind" => "said", "key" => "a", "words" => "8 bolts") # => the entries of ticket 7
    class AddEntry
      # @param reference [Reference]
      # @param tickets [Store::Tickets]
      # @param customers [Store::Customers]
      def initialize(reference, tickets, customers)
        @reference = reference
        @tickets = tickets
        @customers = customers
      end

      # @param id [Integer]
      # @param request [Hash{String=>Object}] of the OpenAPI schema NewEntry
      # @return [Array<Core::Entry>] all of the ticket, with the new one
      # @raise [Core::InputError] nothing was added
      def call(id, request)
        kind = Core::Ticket::Kinds.of(request["kind"])
        @tickets.append(id, kind: kind.id, key: request["key"], who: request["who"] || "counter") do |entries|
          ticket = Core::Ticket::TicketState.of(entries)
          body = request.slice(*kind.fields.keys)
          kind.follow(body, ticket)
          kind.check(body, EntryContext.new(@reference, @customers, ticket))
        end
      end
    end
  end
end
