# frozen_string_literal: true

require "json"
require "json_schemer"
require_relative "../core/1_catalogue/layer"
require_relative "../core/2_readings/kinds"
require_relative "../core/6_tightening/kinds"
require_relative "../core/drafting/place"
require_relative "../core/nearest"

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

        found = SCHEMA.validate(document).first(SHOWN).map { |fault| sentence(document, fault) }.uniq
        found.empty? ? blank(document) + twice(document) : found
      end

      # What is there and says nothing.
      def blank(value, place = [])
        case value
        when Hash then value.flat_map { |key, one| blank(one, [*place, key]) }
        when Array then value.each_with_index.flat_map { |one, at| blank(one, [*place, Core::Drafting::Place.name(one) || at]) }
        when /\A[[:space:]]+\z/ then ["#{place.join('.')} is empty: write it, or leave it out."]
        else []
        end
      end

      # A kit is a list of numbers with quantities: each number once.
      def twice(document)
        (document["kits"] || []).flat_map do |kit|
          kit["contents"].map { |row| row["part"] }.tally.select { |_, times| times > 1 }.map do |part, times|
            "kits.#{kit['number']}.contents names #{part} #{times} times: once, with the quantity of all."
          end
        end
      end

      def sentence(document, fault)
        place = place(document, fault["data_pointer"])
        "#{place.empty? ? 'the document' : place.join('.')} is not in the catalogue format: #{what(fault)}.".sub(/\?\.\z/, "?")
      end

      # @param pointer [String] "/parts/1/spec"
      # @return [Array<String>] ["parts", "FX 7", "spec"]: rows by what they are called
      def place(document, pointer)
        steps = pointer.split("/").drop(1).map { |step| step.gsub("~1", "/").gsub("~0", "~") }
        steps.reduce([document, []]) do |(inside, names), step|
          next [nil, [*names, step]] unless inside.is_a?(Array) || inside.is_a?(Hash)

          one = inside.is_a?(Array) ? inside[step.to_i] : inside[step]
          [one, [*names, (inside.is_a?(Array) && Core::Drafting::Place.name(one)) || step]]
        end.last
      end

      # A key that stands in the schema beside the one that is not known.
      def meant(fault)
        beside = fault["schema_pointer"].delete_suffix("/additionalProperties").split("/").drop(1).reduce(DOCUMENT) do |inside, step|
          inside.is_a?(Array) ? inside[step.to_i] : inside[step]
        end
        Core::Nearest.instead(fault["data_pointer"].split("/").last, (beside["properties"] || {}).keys)
      end

      def what(fault)
        schema = fault["schema"]
        case fault["type"]
        when "enum" then "“#{fault['data']}” is none of #{schema['enum'].join(', ')}"
        when "required" then "it lacks #{fault.dig('details', 'missing_keys').join(', ')}"
        when "maximum" then "#{fault['data']} is too much: at most #{schema['maximum']}"
        when "minimum" then "#{fault['data']} is too little: at least #{schema['minimum']}"
        when "minItems" then "it is empty: at least #{schema['minItems']}"
        when "exclusiveMinimum" then "#{fault['data']} is too little: more than #{schema['exclusiveMinimum']}"
        when "schema" then "it is a key that the format does not know here.#{meant(fault)}".delete_suffix(".")
        else fault["error"].sub(/\A.*?`[^`]*`/, "it").sub(/\Aobject at root/, "it")
        end
      end
    end
  end
end
