# frozen_string_literal: true

require_relative "../core/input_error"
require_relative "../counter/place_order"
require_relative "../counter/step_order"
require_relative "../store/health"
require_relative "problem"
require_relative "refused"

module Gimlet
  module API
    # Every mistake becomes a problem document (RFC 9457) here and nowhere else.
    module Errors
      # By code, where it is not 422.
      STATUS = { "not_json" => 400, "copies_unwritable" => 503, "key_lost" => 503, "busy" => 503, "key_used" => 409,
                 "too_large" => 413, "too_many_uploads" => 429 }.freeze

      # Small things that every route may answer with.
      module Helpers
        def problem(status, code, detail, field: nil, **more)
          content_type Problem::MEDIA
          halt status, JSON.generate(Problem.document(status, code, detail, field: field, **more))
        end

        # The disk's own troubles are said as what they are.
        def trouble(error)
          code, sentence = health.met(error)
          warn "#{error.class}: #{error.message}", *(error.backtrace.first(8) unless code)
          code ? problem(503, code, sentence) : problem(500, "internal", Problem::INTERNAL)
        end

        def missing(detail) = problem(404, "not_found", detail)
      end

      # What somebody can put right.
      def self.refused(app)
        app.error(Refused) { |error| problem(error.status, error.code, error.message, field: error.field) }
        app.error(Core::InputError) do |error|
          problem(STATUS.fetch(error.code, 422), error.code, error.message, field: error.field)
        end
        app.error(Counter::PlaceOrder::Stale) do
          problem(409, "stale_ticket", "Something was added to this ticket in the meantime: look at it, then save again.", field: "on")
        end
        app.error(Counter::StepOrder::NotTheirs) { |error| problem(403, "not_yours", error.message, field: "kind") }
        app.error(Counter::OrderChanged) { |error| problem(409, "order_changed", error.message, field: "revision") }
        app.error(Counter::PlaceOrder::Changed) do |error|
          problem(409, "changed", error.message, field: "seen", changes: error.changes)
        end
      end

      def self.registered(app)
        app.helpers Helpers
        refused(app)
        app.error(Sequel::DatabaseError, SystemCallError) { |error| trouble(error) }
        app.error(StandardError) do |error|
          warn "#{error.class}: #{error.message}", *error.backtrace.first(8)
          problem(500, "internal", Problem::INTERNAL)
        end
      end
    end
  end
end
