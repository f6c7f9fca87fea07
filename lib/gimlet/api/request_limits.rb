# frozen_string_literal: true

require "json"
require "stringio"
require_relative "../core/input_error"
require_relative "operations"
require_relative "refused"
require_relative "router"

module Gimlet
  module API
    # What a request to an operation must keep to before the application sees it: text in UTF-8, known parameters, a body of limited size and depth,
    # and no other site's page behind it.
    class RequestLimits
      LONGEST_QUERY = 2000
      DEEPEST = 32
      # Beyond this no size, price or count of the trade lies; floats stay exact enough up to it.
      LARGEST = 1e15
      LONGEST_TEXT = 100_000
      BODY = "gimlet.body"

      def initialize(app)
        @app = app
      end

      def call(env)
        operation = env.fetch(Router::CALL).operation
        query(env["QUERY_STRING"].to_s, operation)
        operation.verb == "POST" ? body(env, operation) : without_body(env)
        @app.call(env)
      end

      private

      # What changes anything comes from Gimlet's own pages, or from no page at all.
      def origin(env)
        told = env["HTTP_ORIGIN"]
        return if (told.nil? || told.downcase.sub(%r{\Ahttps?://},
                                                  "") == env["HTTP_HOST"].to_s.downcase) && env["HTTP_SEC_FETCH_SITE"] != "cross-site"

        refuse(403, "foreign_origin", "This was sent by another site's page: open Gimlet itself and do it there.", field: "Origin")
      end

      def query(raw, operation)
        refuse(414, "query_too_long", "The query is longer than #{LONGEST_QUERY} characters.", field: "query") if raw.bytesize > LONGEST_QUERY
        raw.split("&").each do |pair|
          name, = pair.split("=", 2).map { |piece| text(piece) }
          next if operation.parameters.include?(name)

          refuse(400, "unknown_parameter", "There is no parameter “#{name.to_s[0, 40]}” here.", field: name.to_s[0, 40])
        end
      end

      # @param raw [String] as it came
      def text(raw)
        Operations.decoded(raw.tr("+", " ")) ||
          refuse(400, "bad_text", "The query is not text in UTF-8: write it again, each percent sign as %25.", field: "query")
      end

      # Rack reads forms by itself, wherever they are sent: none is wanted.
      def without_body(env)
        env["CONTENT_TYPE"] = "application/octet-stream"
        env["rack.input"] = StringIO.new
      end

      def body(env, operation)
        origin(env)
        media(env, operation.media)
        return env[BODY] = env["rack.input"] || StringIO.new if operation.media == Operations::FILE_MEDIA

        raw = env["rack.input"]&.read(operation.max_bytes + 1) || +""
        refuse(413, "too_large", "The request is larger than the #{operation.max_bytes} bytes that are taken here.", field: "body") if
          raw.bytesize > operation.max_bytes
        env[BODY] = parsed(raw.force_encoding(Encoding::UTF_8))
      end

      def media(env, wanted)
        return if env["CONTENT_TYPE"].to_s.split(";").first.to_s.strip.downcase == wanted

        code = wanted == Operations::JSON_MEDIA ? "not_json" : "wrong_media"
        refuse(415, code, "Send the request as #{wanted}.", field: "Content-Type")
      end

      def parsed(raw)
        refuse(400, "bad_text", "The request is not text in UTF-8.", field: "body") unless raw.valid_encoding?
        limited(JSON.parse(raw, max_nesting: DEEPEST, allow_duplicate_key: false), [])
      rescue JSON::NestingError
        refuse(400, "too_deep", "The request is nested deeper than #{DEEPEST} levels.", field: "body")
      rescue JSON::ParserError
        refuse(400, "not_json", "The request is not valid JSON.", field: "body")
      end

      # Nothing that no field could mean.
      def limited(value, place)
        case value
        when Hash then value.each { |key, inner| limited(key, place) && limited(inner, place + [key]) }
        when Array then value.each_with_index { |inner, at| limited(inner, place + [at]) }
        when Numeric then within(value.abs <= LARGEST, place, "is beyond any figure here (at most #{LARGEST.to_i})")
        when String then within(!value.include?("\0") && value.size <= LONGEST_TEXT, place, "has a character that is no text, or is too long")
        end
        value
      end

      def within(limits, place, why)
        field = place.join(".")
        refuse(422, "bad_request", "#{field.empty? ? 'The request' : field[0, 80]} cannot be used: it #{why}.", field: field[0, 80]) unless limits
      end

      def refuse(...) = raise(Refused.new(...))
    end
  end
end
