# frozen_string_literal: true

module Gimlet
  module API
    module Routes
      # Pumps that no catalogue has.
      module Sightings
        def self.registered(app)
          app.get("/api/sightings") { answer(sightings.all) }

          app.post("/api/sightings") do
            ticket = tickets.find(body_as("NewSighting")["ticket_id"]) || missing("There is no such ticket.")
            seen = ticket[:state]["readings"].reject { |row| row["struck"] }.map { |row| row["reading"] }
            answer(sightings.record(ticket[:id], seen), 201)
          end
        end
      end
    end
  end
end
