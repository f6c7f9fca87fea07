# frozen_string_literal: true

require "json"
require "stringio"
require "uri"
require_relative "../core/input_error"
require_relative "operations"

module Gimlet
  module API
    # What every request passes before the application sees it: sound text, a known method, a body of bearable size. What does not pass is
    # answered here, always with a problem document; so is whatever goes wrong behind it.
    class Gate
      # A request that is turned away.
      class Refused < StandardError
        attr_reader :status, :code, :field, :headers

        def initialize(status, code, sentence, field: nil, headers: {})
          super(sentence)
          @status, @code, @field, @headers = status, code, field, headers
        end
      end

      LONGEST_QUERY = 2000
      DEEPEST = 32
      # Beyond this no size, price or count of the trade lies; floats stay exact enough up to it.
      LARGEST = 1e15
      LONGEST_TEXT = 100_000
      BODY = "gimlet.body"
      OPERATION = "gimlet.operation"
      # Names that the shop's network calls this machine by, beside the machine's own.
      HOSTS = %w[localhost 127.0.0.1 [::1]] + ENV.fetch("GIMLET_HOSTS", "").split(",").map { |one| one.strip.downcase }
      SAFE = { "X-Content-Type-Options" => "nosniff", "X-Frame-Options" => "DENY", "Referrer-Policy" => "no-referrer",
               "Cross-Origin-Resource-Policy" => "same-origin" }.freeze

      def initialize(app)
        @app = app
      end

      def call(env)
        status, headers, body = passed(env)
        [status, SAFE.merge({ "Cache-Control" => "no-store" }).transform_keys(&:downcase).merge(headers.transform_keys(&:downcase)), body]
      end

      private

      def passed(env)
        look_at(env)
        @app.call(env)
      rescue Refused => e
        problem(e.status, e.code, e.message, e.field, e.headers)
      rescue StandardError => e
        warn "#{e.class}: #{e.message}", *e.backtrace.first(8)
        problem(500, "internal", "Something went wrong here; nothing was changed. Try again, and tell us if it stays.")
      end

      def look_at(env)
        host(env)
        text(env["PATH_INFO"], "path")
        operations = Operations.at(env["PATH_INFO"]) or return without_body(env)
        verb = env["REQUEST_METHOD"] == "HEAD" ? "GET" : env["REQUEST_METHOD"]
        operation = operations[verb] or refuse_method(env, operations)
        env[OPERATION] = operation
        query(env["QUERY_STRING"].to_s, operation)
        verb == "POST" ? body(env, operation) : without_body(env)
      end

      # A name that a stranger's page gave this machine is none of its own.
      def host(env)
        named = env.values_at("HTTP_HOST", "HTTP_X_FORWARDED_HOST").compact
        foreign = named.find { |one| !HOSTS.include?(one.downcase.sub(/:\d+\z/, "")) } or return
        refuse(421, "unknown_host", "Gimlet is not served under the name “#{foreign[0, 80].scrub}”: add it to GIMLET_HOSTS if it should be.",
               field: "Host")
      end

      # What changes anything comes from Gimlet's own pages, or from no page at all.
      def origin(env)
        told = env["HTTP_ORIGIN"]
        own = (env["HTTP_X_FORWARDED_HOST"] || env["HTTP_HOST"]).to_s.downcase
        return if (told.nil? || told.downcase.sub(%r{\Ahttps?://}, "") == own) && env["HTTP_SEC_FETCH_SITE"] != "cross-site"

        refuse(403, "foreign_origin", "This was sent by another site's page: open Gimlet itself and do it there.", field: "Origin")
      end

      def refuse_method(env, operations)
        allowed = operations.keys.join(", ")
        refuse(405, "method_not_allowed", "#{env['REQUEST_METHOD']} is not served here: use #{allowed}.", headers: { "Allow" => allowed })
      end

      # @param raw [String] as it came, percent signs and all
      def text(raw, field)
        told = URI.decode_www_form_component(raw.b, Encoding::UTF_8).force_encoding(Encoding::UTF_8)
        return told if told.valid_encoding? && !told.include?("\0")

        refuse(400, "bad_text", "The #{field} is not text in UTF-8: write it again.", field: field)
      rescue ArgumentError
        refuse(400, "bad_text", "The #{field} has a percent sign that stands for nothing: write it as %25.", field: field)
      end

      def query(raw, operation)
        refuse(414, "query_too_long", "The query is longer than #{LONGEST_QUERY} characters.", field: "query") if raw.bytesize > LONGEST_QUERY
        raw.split("&").each do |pair|
          name, value = pair.split("=", 2)
          name = text(name.to_s.tr("+", " "), "query")
          text(value.to_s.tr("+", " "), "query")
          unless operation.parameters.include?(name)
            refuse(400, "unknown_parameter", "There is no parameter “#{name[0, 40]}” here.",
                   field: name[0, 40])
          end
        end
      end

      # Rack reads forms by itself, wherever they are sent: none is wanted.
      def without_body(env)
        env["CONTENT_TYPE"] = "application/octet-stream"
        env["rack.input"] = StringIO.new
        env["QUERY_STRING"] = "" unless Operations.at(env["PATH_INFO"])
      end

      def body(env, operation)
        origin(env)
        media(env, operation.media)
        raw = env["rack.input"]&.read(operation.max_bytes + 1) || +""
        refuse(413, "too_large", "The request is larger than the #{operation.max_bytes} bytes that are taken here.", field: "body") if
          raw.bytesize > operation.max_bytes
        env[BODY] = operation.media == Operations::JSON_MEDIA ? parsed(raw.force_encoding(Encoding::UTF_8)) : raw
      end

      def media(env, wanted)
        return if env["CONTENT_TYPE"].to_s.split(";").first.to_s.strip.downcase == wanted

        code = wanted == Operations::JSON_MEDIA ? "not_json" : "wrong_media"
        refuse(415, code, "Send the request as #{wanted}.", field: "Content-Type")
      end

      def parsed(raw)
        refuse(400, "bad_text", "The request is not text in UTF-8.", field: "body") unless raw.valid_encoding?
        sound(JSON.parse(raw, max_nesting: DEEPEST, allow_duplicate_key: false), [])
      rescue JSON::NestingError
        refuse(400, "too_deep", "The request is nested deeper than #{DEEPEST} levels.", field: "body")
      rescue JSON::ParserError
        refuse(400, "not_json", "The request is not valid JSON.", field: "body")
      end

      # Nothing that no field could mean.
      def sound(value, place)
        case value
        when Hash then value.each { |key, one| sound(key, place) && sound(one, place + [key]) }
        when Array then value.each_with_index { |one, at| sound(one, place + [at]) }
        when Numeric then bearable(value.abs <= LARGEST, place, "is beyond any figure here (at most #{LARGEST.to_i})")
        when String then bearable(!value.include?("\0") && value.size <= LONGEST_TEXT, place, "has a character that is no text, or is too long")
        end
        value
      end

      def bearable(sound, place, why)
        field = place.join(".")
        refuse(422, "bad_request", "#{field.empty? ? 'The request' : field[0, 80]} cannot be used: it #{why}.", field: field[0, 80]) unless sound
      end

      def refuse(...) = raise(Refused.new(...))

      def problem(status, code, sentence, field = nil, headers = {})
        document = { title: Rack::Utils::HTTP_STATUS_CODES[status], status: status, detail: sentence, field: field, code: code }
        [status, { "content-type" => "application/problem+json", **headers }, [JSON.generate(document)]]
      end
    end
  end
end
