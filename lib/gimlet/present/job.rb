# frozen_string_literal: true

require_relative "../core/desk/terms"

module Gimlet
  module Present
    # One kind of pump of a call, as the others show it.
    #
    #   Job.call(view, terms)[:pump] # => "DK418"
    module Job
      module_function

      # @param view [Counter::WorkOnTicket::View]
      # @param terms [Core::Desk::Terms]
      # @return [Hash] of the OpenAPI schema Job
      def call(view, terms)
        cents = view.tray.price_cents
        { ticket_id: view.id, order_id: view.ticket.order_id, pump: view.pump&.designation, pumps: view.ticket.pumps,
          price_cents: cents, gross_cents: terms.gross(cents), enough: view.readiness.enough? && !view.planned.nil? }
      end
    end
  end
end
