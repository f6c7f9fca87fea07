# frozen_string_literal: true

require_relative "refused"

module Gimlet
  module API
    # A name that a stranger's page gave this machine is none of its own.
    class KnownHost
      # Names that the shop's network calls this machine by, beside the machine's own.
      NAMES = (%w[localhost 127.0.0.1 [::1]] + ENV.fetch("GIMLET_HOSTS", "").split(",").map { |name| name.strip.downcase }).freeze

      def initialize(app)
        @app = app
      end

      def call(env)
        named = env.values_at("HTTP_HOST", "HTTP_X_FORWARDED_HOST").compact
        foreign = named.find { |name| !NAMES.include?(name.downcase.sub(/:\d+\z/, "")) } or return @app.call(env)
        sentence = "Gimlet is not served under the name “#{foreign[0, 80].scrub}”: add it to GIMLET_HOSTS if it should be."
        raise Refused.new(421, "unknown_host", sentence, field: "Host")
      end
    end
  end
end
