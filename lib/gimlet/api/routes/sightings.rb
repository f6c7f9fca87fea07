# frozen_string_literal: true

require_relative "../../core/ticket/ticket"

module Gimlet
  module API
    module Routes
      # Pumps that no catalogue has.
      module Sightings
        def self.registered(app)
          app.serve("sightings") { render_json(sightings.all) }

          app.serve("recordSighting") do
            id = body_as("NewSighting")["ticket_id"]
            tickets.known?(id) || missing("There is no such ticket.")
            told = Core::Ticket::TicketState.of(tickets.entries(id)).readings
            render_json(sightings.record(id, told.map(&:compact)), 201)
          end
        end
      end
    end
  end
end
