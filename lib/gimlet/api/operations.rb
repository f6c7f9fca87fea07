# frozen_string_literal: true

require "uri"
require_relative "../core/value"
require_relative "openapi"

module Gimlet
  module API
    # What is served, read from the OpenAPI document and nowhere else: paths, methods, roles, parameters and the size of bodies.
    #
    #   Operations.at("/api/orders/7")["GET"] # => a Call of the operation "order" with the values [7]
    module Operations
      JSON_MEDIA = "application/json"
      # Read by whoever takes the file, and limited there.
      FILE_MEDIA = "application/octet-stream"
      VERBS = %w[get post].freeze
      # Bytes of a body where the document does not say (`x-max-bytes` of the request body).
      USUAL_BYTES = 65_536

      # How an operation that is sent again is kept from happening twice: it changes nothing, or it is so by its nature (what is set is set), or by
      # the key in its body (Store::Acts).
      REPEATS = %w[reads nature key].freeze

      # `parameters` are the names that may stand in the query; `right` what whoever asks must be allowed, nil where everybody may, signed in or not;
      # `media` is what a body is sent as.
      Operation = Core::Value.of(:id, :verb, :max_bytes, :parameters, :right, :media, :repeat)
      # An operation that is asked for, with the values of its path in their order.
      Call = Core::Value.of(:operation, :values)
      # How a path is recognised, and what its methods are.
      Place = Core::Value.of(:pattern, :types, :operations)

      # A value of the path as it is written, and what it says.
      TYPES = {
        # Wide enough for any id, narrow enough for SQLite.
        "integer" => ["(\\d{1,15})", :to_i.to_proc],
        "string" => ["([^/]+)", ->(raw) { Operations.decoded(raw) }]
      }.freeze

      module_function

      # The one reading of a path. Its fixed parts stand as the document spells them: another spelling is another path, and nothing is there.
      # @param path [String] as it came, percent signs and all
      # @return [Hash{String=>Call}, nil] by method; nil where nothing is served
      def at(path)
        PLACES.each do |place|
          raw = path.match(place.pattern)&.captures or next
          values = raw.zip(place.types).map { |text, type| TYPES.fetch(type).last.call(text) }
          return place.operations.transform_values { |operation| Call.new(operation: operation, values: values) } unless values.include?(nil)
        end
        nil
      end

      # @return [Array<Operation>]
      def all = PLACES.flat_map { |place| place.operations.values }

      # @param raw [String] percent-encoded UTF-8
      # @return [String, nil] nil for what is no text
      def decoded(raw)
        text = URI.decode_www_form_component(raw.b.gsub("+", "%2B")).force_encoding(Encoding::UTF_8)
        text if text.valid_encoding? && !text.match?(/[[:cntrl:]]/)
      rescue ArgumentError
        nil
      end

      def place(path, item)
        shared = parameters(item)
        types = []
        pattern = path.split(/(\{\w+\})/).map do |piece|
          next Regexp.escape(piece) unless piece.start_with?("{")

          types << shared.find { |parameter| parameter["name"] == piece[1..-2] }.fetch("schema").fetch("type")
          TYPES.fetch(types.last).first
        end
        operations = item.slice(*VERBS).to_h { |verb, row| [verb.upcase, operation(verb.upcase, row, shared)] }
        Place.new(pattern: /\A#{pattern.join}\z/n, types: types, operations: operations)
      end

      # A document that names no right for an operation is none that anything is served by.
      def operation(verb, row, shared)
        right = row.fetch("x-right") { raise KeyError, "#{row['operationId']} has no x-right" }
        Operation.new(id: row.fetch("operationId"), verb: verb, max_bytes: row.dig("requestBody", "x-max-bytes") || USUAL_BYTES,
                      parameters: (shared + parameters(row)).select { |parameter| parameter["in"] == "query" }.map { |parameter| parameter["name"] },
                      media: row.dig("requestBody", "content")&.keys&.first || JSON_MEDIA, right: (right unless right == "none"),
                      repeat: repeat(verb, row))
      end

      # One that does not say is none that anything is served by.
      def repeat(verb, row)
        told = verb == "GET" ? "reads" : row["x-repeat"]
        REPEATS.include?(told) || raise(KeyError, "#{row['operationId']} has no x-repeat of #{REPEATS.join(', ')}")
        told == "key" && !keyed?(row) && raise(KeyError, "#{row['operationId']} is repeated by a key and wants none in its body")
        told
      end

      def keyed?(row)
        name = row.dig("requestBody", "content", JSON_MEDIA, "schema", "$ref").split("/").last
        schema = OpenAPI.schema(name)
        (schema["oneOf"]&.map { |one| OpenAPI.schema(one["$ref"].split("/").last) } || [schema]).all? { |one| one["required"]&.include?("key") }
      end

      def parameters(row)
        (row["parameters"] || []).map { |one| one["$ref"] ? OpenAPI::DOCUMENT.dig(*one["$ref"].delete_prefix("#/").split("/")) : one }
      end

      PLACES = OpenAPI::DOCUMENT["paths"].map { |path, item| place(path, item) }.freeze
    end
  end
end
