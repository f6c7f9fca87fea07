# frozen_string_literal: true

require_relative "../core/ticket/ticket"

module Gimlet
  module Counter
    # Another kind of pump in the same call: a ticket of its own, with the same customer, who is present in the same way.
    #
    #   AnotherJob.new(add_entry, tickets).call(7, key: "a1", who: "Ines") # => the new ticket's id
    class AnotherJob
      # @param add_entry [AddEntry]
      # @param tickets [Store::Tickets]
      def initialize(add_entry, tickets)
        @add_entry = add_entry
        @tickets = tickets
      end

      # @param id [Integer] of a ticket of the call
      # @param key [String] the same one is the same ticket
      # @return [Integer]
      def call(id, key:, who:)
        told = Core::Ticket::TicketState.of(@tickets.entries(id))
        job = @tickets.open(key, call: @tickets.call_of(id))
        entries = [["channel", { "channel" => told.channel }], (["customer", { "customer_id" => told.customer_id }] if told.customer_id)].compact
        entries.each { |kind, body| @add_entry.call(job, { "kind" => kind, "key" => "#{key} #{kind}", "who" => who, **body }) }
        job
      end
    end
  end
end
