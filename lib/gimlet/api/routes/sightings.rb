# frozen_string_literal: true

require_relative "../../counter/sightings"
require_relative "../../present/sighting"

module Gimlet
  module API
    module Routes
      # Pumps that are not on file.
      module Sightings
        # What routes here need besides the application's own.
        module Helpers
          def sightings = Gimlet::Counter::Sightings.new(reference, catalogue, tickets, customers)
          def shown_sighting(one) = Present::Sighting.new(reference).call(one)
        end

        def self.registered(app)
          app.helpers Helpers
          app.serve("sightings") { render_json(sightings.open.map { |one| shown_sighting(one) }) }

          app.serve("sighting") do |id|
            known_ticket(id)
            render_json(shown_sighting(sightings.find(id) || missing("The pump of ticket #{id} was not kept as one that is not on file.")))
          end
        end
      end
    end
  end
end
