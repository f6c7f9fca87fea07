# frozen_string_literal: true

require_relative "../core/input_error"
require_relative "../counter/place_order"
require_relative "gate"
require_relative "../store/wellbeing"

module Gimlet
  module API
    # Every mistake becomes a problem document (RFC 9457) here and nowhere else.
    module Errors
      INTERNAL = "Something went wrong here; nothing was changed. Try again, and tell us if it stays."

      # Small things that every route may answer with.
      module Helpers
        def problem(status, code, detail, field: nil, **more)
          content_type "application/problem+json"
          halt status, JSON.generate(title: Rack::Utils::HTTP_STATUS_CODES[status], status: status, detail: detail,
                                     field: field, code: code, **more)
        end

        # The disk's own troubles are said as what they are.
        def trouble(error)
          code, sentence = wellbeing.met(error)
          warn "#{error.class}: #{error.message}", *(error.backtrace.first(8) unless code)
          code ? problem(503, code, sentence) : problem(500, "internal", INTERNAL)
        end

        def missing(detail) = problem(404, "not_found", detail)
      end

      # What somebody can put right.
      def self.refused(app)
        app.error(Gate::Refused) { |error| problem(error.status, error.code, error.message, field: error.field) }
        app.error(Core::InputError) do |error|
          problem(error.code == "not_json" ? 400 : 422, error.code, error.message, field: error.field)
        end
        app.error(Counter::PlaceOrder::Stale) do
          problem(409, "stale_ticket", "Something was added to this ticket in the meantime: look at it, then save again.", field: "on")
        end
        app.not_found do
          # A route that said what is missing keeps its words.
          response.media_type == "application/problem+json" ? response.body : missing("There is nothing at #{request.path_info}.")
        end
        app.error(Counter::PlaceOrder::Changed) do |error|
          problem(409, "changed", error.message, field: "seen", changes: error.changes)
        end
      end

      def self.registered(app)
        app.helpers Helpers
        refused(app)
        app.error(Sequel::DatabaseError) { |error| trouble(error) }
        app.error(StandardError) do |error|
          warn "#{error.class}: #{error.message}", *error.backtrace.first(8)
          problem(500, "internal", INTERNAL)
        end
      end
    end
  end
end
