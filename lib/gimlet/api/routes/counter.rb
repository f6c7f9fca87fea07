# frozen_string_literal: true

require_relative "../../present/identification"
require_relative "../../present/plan"
require_relative "../../present/vocabulary"

module Gimlet
  module API
    module Routes
      # Asking the core: which pump, and what it needs.
      module Counter
        # @param snapshot [Core::Catalogue::Snapshot, nil]
        def self.health(found, snapshot)
          { status: found.problem ? "ailing" : "ok", **found.to_h, catalogue_version: snapshot&.version, catalogue: snapshot&.counts }
        end

        def self.registered(app)
          app.serve("health") do
            found = health.call
            render_json(Counter.health(found, found.can_read ? reference.snapshot : nil), found.can_write ? 200 : 503)
          end

          app.serve("openapi") { render_json(OpenAPI::DOCUMENT) }
          app.serve("vocabulary") { render_json(Present::Vocabulary.call(reference)) }

          app.serve("identify") do
            request = body_as("IdentifyRequest").transform_keys(&:to_sym)
            request[:readings] = (request[:readings] || []).map { |row| row.transform_keys(&:to_sym) }
            render_json(Present::Identification.call(identify.call(request)))
          end

          app.serve("plan") do
            render_json(Present::Plan.call(plan.call(body_as("PlanRequest").transform_keys(&:to_sym)), terms: terms))
          end
        end
      end
    end
  end
end
