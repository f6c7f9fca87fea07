# frozen_string_literal: true

require "json"
require "json_schemer"
require_relative "../core/1_catalogue/layer"
require_relative "../core/2_readings/kinds"
require_relative "../core/6_tightening/kinds"

module Gimlet
  module Exchange
    # Whether a document is in the catalogue format (docs/catalogue-format.md).
    #
    #   CatalogueFormat.faults({"format" => "gimlet-catalogue", "version" => 2}).first # => "the document is not in the catalogue format: it lacks …"
    module CatalogueFormat
      VERSION = 2
      # What the core declares is filled in: fields of a layer, ways of tightening, kinds of trait.
      DOCUMENT = JSON.parse(File.read(File.expand_path("../../../data/schema/catalogue-#{VERSION}.json", __dir__))).tap do |schema|
        kinds = Core::Tightening::Kinds::ALL
        schema["$defs"]["layer"] = Core::Catalogue::LayerFields.schema
        schema["$defs"]["tightening"] = {
          "type" => "object", "required" => ["kind"], "properties" => { "kind" => { "enum" => kinds.keys } },
          "allOf" => kinds.map do |id, kind|
            { "if" => { "required" => ["kind"], "properties" => { "kind" => { "const" => id } } }, "then" => kind.schema }
          end
        }
        schema["properties"]["trait_definitions"]["items"]["properties"]["kind"] = { "enum" => Core::Readings::Kinds.definable }
      end.freeze
      SCHEMA = JSONSchemer.schema(DOCUMENT)
      SHOWN = 12
      OLD = "is catalogue format %s: Gimlet reads format #{VERSION} (docs/catalogue-format.md says what is new).".freeze

      module_function

      # @param document [Object]
      # @return [Array<String>] sentences; none when all is well
      def faults(document)
        return ["is not a catalogue document: it must be a JSON object."] unless document.is_a?(Hash)
        return ["is not a catalogue document: it has no “format”: “gimlet-catalogue”."] unless document["format"] == "gimlet-catalogue"
        return [format(OLD, document["version"] || "unknown")] unless document["version"] == VERSION

        SCHEMA.validate(document).first(SHOWN).map { |fault| sentence(fault) }.uniq
      end

      def sentence(fault)
        place = fault["data_pointer"].empty? ? "the document" : fault["data_pointer"]
        "#{place} is not in the catalogue format: #{what(fault)}."
      end

      def what(fault)
        schema = fault["schema"]
        case fault["type"]
        when "enum" then "“#{fault['data']}” is none of #{schema['enum'].join(', ')}"
        when "required" then "it lacks #{fault.dig('details', 'missing_keys').join(', ')}"
        when "maximum" then "#{fault['data']} is too much: at most #{schema['maximum']}"
        when "minimum" then "#{fault['data']} is too little: at least #{schema['minimum']}"
        when "exclusiveMinimum" then "#{fault['data']} is too little: more than #{schema['exclusiveMinimum']}"
        when "schema" then "it is a key that the format does not know here"
        else fault["error"].sub(/\A.*?`[^`]*`/, "it").sub(/\Aobject at root/, "it")
        end
      end
    end
  end
end
