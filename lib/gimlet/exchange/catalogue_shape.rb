# frozen_string_literal: true

require_relative "../core/drafting/place"
require_relative "catalogue_format"

module Gimlet
  module Exchange
    # What the catalogue format says of a place in a document: its JSON Schema, with what it refers to filled in.
    #
    #   CatalogueShape.at(document, ["parts", "FX 7", "spec", "id_mm"]) # => {"type" => "number", "exclusiveMinimum" => 0}
    module CatalogueShape
      ROOT = CatalogueFormat::DOCUMENT

      module_function

      # @param document [Hash]
      # @param steps [Array<String, Integer>]
      # @return [Hash, nil] nil where the format knows no such place
      def at(document, steps)
        inside, schema = document, ROOT
        steps.each do |step|
          schema = within(schema && whole(schema, inside), inside, step)
          inside = Core::Drafting::Place.one(inside, step)
        end
        schema && whole(schema, inside)
      end

      # @param schema [Hash] of an object
      # @return [Array<String>] its keys in the order in which the format lists them
      def keys(schema) = (schema["properties"] || {}).keys

      # @return [Boolean] whether it is a list of rows, not of words or figures
      def rows?(schema)
        items = schema["items"] && whole(schema["items"], nil)
        !items.nil? && !%w[string number].include?(items["type"])
      end

      def within(schema, inside, step)
        return if schema.nil?
        return schema.dig("prefixItems", step) || schema["items"] if inside.is_a?(Array)

        schema.dig("properties", step.to_s) || (schema["additionalProperties"] if schema["additionalProperties"].is_a?(Hash))
      end

      # A step of closing is one of three, a tightening one of several ways: the value says which.
      def whole(schema, value)
        schema = ROOT.dig(*schema["$ref"].split("/").drop(1)) if schema["$ref"]
        return schema unless value.is_a?(Hash)

        pairs(schema) || one_of(schema, value) || of_kind(schema, value) || schema
      end

      # Of a word, a list or an object, the object.
      def pairs(schema) = (schema["anyOf"] || []).map { |row| whole(row, nil) }.find { |row| row["type"] == "object" }

      def one_of(schema, value)
        return if schema["properties"]

        one = (schema["oneOf"] || []).find { |row| row["properties"] && (row["required"] || []).all? { |key| value.key?(key) } }
        one && schema.merge(one)
      end

      def of_kind(schema, value)
        kind = (schema["allOf"] || []).find { |row| row.dig("if", "properties", "kind", "const") == value["kind"] } or return
        kind["then"].merge("properties" => { "kind" => schema.dig("properties", "kind"), **(kind.dig("then", "properties") || {}) })
      end
    end
  end
end
