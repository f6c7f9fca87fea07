# frozen_string_literal: true

require_relative "../value"
require_relative "inspection"
require_relative "shapes"

module Gimlet::Core
  module Catalogue
    # What each reuse rule means to the person who rebuilds that place.
    REUSE_RULES = {
      "replace_always" => "new", "replace_if_removed" => "new", "turn_over_once" => "turn over once", "inspect" => "look over",
      "keep" => "keep"
    }.freeze

    # What a layer may be set in with; data/reference/elastomers.yml says which rubber bears it.
    LUBRICANTS = ["dry", "oil", "grease", "lithium grease", "petroleum jelly", "packing lubricant", "silicone grease", "O-ring grease",
                  "anti-seize", "water"].freeze

    # What a catalogue document says of a layer, field by field, as JSON Schema. A field with `told` is shown wherever the piece is listed, on
    # screen and on the card, in this order. Another one is a row here: format, plan, card, screen and OpenAPI document follow.
    module LayerFields
      ID = { "type" => "string", "pattern" => "^[a-z0-9][a-z0-9_-]*$", "maxLength" => 60 }.freeze
      TEXT = { "type" => "string", "minLength" => 1, "maxLength" => 200 }.freeze
      POSITIVE = { "type" => "number", "exclusiveMinimum" => 0 }.freeze
      # How much of what is smeared or dropped on a piece.
      USAGE = { "type" => "object", "additionalProperties" => false, "required" => %w[consumable amount],
                "properties" => { "consumable" => ID, "amount" => POSITIVE, "per" => { "enum" => %w[piece contact_face] } } }.freeze

      SCHEMA = {
        "slot" => ID, "name" => TEXT, "reuse" => { "enum" => REUSE_RULES.keys }, "inside" => ID, "behind" => ID,
        "renew_with" => { "type" => "array", "items" => ID, "minItems" => 1 },
        "criteria" => { "type" => "array", "items" => { "$ref" => "#/$defs/criterion" }, "minItems" => 1 },
        "interval" => { "type" => "object", "additionalProperties" => false, "minProperties" => 1,
                        "properties" => { "hours" => POSITIVE, "months" => POSITIVE } },
        "facing" => TEXT,
        "opens_to" => { "enum" => %w[from towards],
                        "description" => "The end of the stack that its lips, hollow or seat look to; it is drawn so." },
        "shape" => { "enum" => Shapes.all }, "lube" => { "enum" => LUBRICANTS }, "count_out" => { "type" => "boolean" },
        "for" => { "$ref" => "#/$defs/for" }, "contact_faces" => { "type" => "integer", "minimum" => 1 },
        "consumables" => { "type" => "array", "items" => USAGE }
      }.freeze
      REQUIRED = %w[slot name reuse].freeze
      # In which words.
      TOLD = { "facing" => "%s", "lube" => "%s" }.freeze

      # @return [Hash] JSON Schema of a layer
      def self.schema = { "type" => "object", "additionalProperties" => false, "required" => REQUIRED, "properties" => SCHEMA }

      # @param layer [Layer, Hash{String=>Object}] or one of an order's record
      # @return [Array<String>] what is told of it: ["lips to the manifold", "oil"]
      def self.in_words(layer) = TOLD.filter_map { |field, words| format(words, layer[field]) if layer[field] }
    end

    # One ring, spring or seat of a stack. `slot` is what `fits` resolves to a part number; a stack may have the same slot twice.
    # `reuse` is one of REUSE_RULES. `inside` is the slot of the layer that this one sits in and comes out with. `renew_with` are slots of
    # the same stack that are renewed when this one is. `behind` is the slot of the layer that keeps it in its bore: it comes out only where that
    # one is renewed, and stays otherwise. `criteria` say what decides when it is looked at. `interval` is
    # { "hours" => 2000 } or { "months" => 24 }. `count_out` marks a piece that can stay behind in its bore.
    # `opens_to` ("from", "towards") is the end of the stack that its lips, hollow or seat look to. `condition` names the pumps that have it.
    Layer = Value.of(*(LayerFields::SCHEMA.keys - ["for"]).map(&:to_sym), :condition) do
      # @return [Array<Criterion>] what is looked at, the interval of renewal included
      def checks = criteria + due

      # @return [Array<Criterion>] those that are measured
      def limits = checks.select(&:measure)

      private

      # "hours since renewed over 2000 hours: renew it"
      def due
        turned = reuse == "turn_over_once" ? [Criterion.new(sign: "turned over before", outcome: "replace")] : []
        turned + (interval || {}).map do |unit, most|
          Criterion.new(measure: "#{unit} since renewed", unit: unit, at_most: most, outcome: "replace")
        end
      end
    end
  end
end
