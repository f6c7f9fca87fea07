# frozen_string_literal: true

require_relative "problem"
require_relative "refused"

module Gimlet
  module API
    # The outermost of the application: every answer has the headers that browsers need to be careful, and whatever goes wrong inside is
    # answered with a problem document.
    class SafeAnswers
      HEADERS = { "x-content-type-options" => "nosniff", "x-frame-options" => "DENY", "referrer-policy" => "no-referrer",
                  "cross-origin-resource-policy" => "same-origin", "cache-control" => "no-store" }.freeze

      def initialize(app)
        @app = app
      end

      def call(env)
        status, headers, body = shown(env, *answer(env))
        [status, HEADERS.merge(headers.transform_keys(&:downcase)), body]
      end

      private

      # Whoever follows a link to a paper and may not have it sees a page that says so.
      def shown(env, status, headers, body)
        page = env["HTTP_SEC_FETCH_DEST"] == "document" && headers["content-type"] == Problem::MEDIA
        page ? Problem.page(status, body.each.to_a.join) : [status, headers, body]
      end

      def answer(env)
        @app.call(env)
      rescue Refused => e
        Problem.answer(e.status, e.code, e.message, field: e.field, headers: e.headers)
      rescue StandardError => e
        warn "#{e.class}: #{e.message}", *e.backtrace.first(8)
        Problem.answer(500, "internal", Problem::INTERNAL)
      end
    end
  end
end
