# frozen_string_literal: true

require_relative "browser_files"
require_relative "operations"
require_relative "refused"

module Gimlet
  module API
    # Where a request goes, decided once from its path as it came: to an operation of the OpenAPI document, or to a file of the front end.
    # What is neither is refused here, so that nothing behind it ever reads a path again.
    class Router
      CALL = "gimlet.call"
      API_PATH = %r{\A/api(?:/|\z)}

      # @param app [#call] serves operations, each at the path of its id
      def initialize(app, files: BrowserFiles.new)
        @app = app
        @files = files
      end

      def call(env)
        path = env["PATH_INFO"].b
        calls = Operations.at(path) or return elsewhere(env, path)
        env[CALL] = calls[verb(env)] || refuse_method(env, calls.keys)
        env["PATH_INFO"] = "/#{env[CALL].operation.id}"
        @app.call(env)
      end

      private

      def verb(env) = env["REQUEST_METHOD"] == "HEAD" ? "GET" : env["REQUEST_METHOD"]

      def elsewhere(env, path)
        raise Refused.new(404, "not_found", "There is nothing at #{shown(path)}.") if path.match?(API_PATH) || !path.start_with?("/")

        refuse_method(env, %w[GET HEAD]) unless verb(env) == "GET"
        @files.call(env, path) || raise(Refused.new(404, "not_found", "There is nothing at #{shown(path)}."))
      end

      def shown(path) = path[0, 80].force_encoding(Encoding::UTF_8).scrub("?").gsub(/[[:cntrl:]]/, "?")

      def refuse_method(env, allowed)
        raise Refused.new(405, "method_not_allowed", "#{env['REQUEST_METHOD'].to_s[0, 20]} is not served here: use #{allowed.join(' or ')}.",
                          headers: { "Allow" => allowed.join(", ") })
      end
    end
  end
end
