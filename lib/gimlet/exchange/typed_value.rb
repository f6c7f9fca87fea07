# frozen_string_literal: true

require_relative "../core/input_error"
require_relative "../core/nearest"
require_relative "catalogue_shape"

module Gimlet
  module Exchange
    # What somebody types into a place of a catalogue document, read as the format has it there; and shown so again.
    #
    #   TypedValue.read("20,5", {"type" => "number"})                       # => 20.5
    #   TypedValue.read("plunger_mm: 18, 20; from: new-valve", for_schema)  # => {"plunger_mm" => [18, 20], "from" => "new-valve"}
    #   TypedValue.shown({"plunger_mm" => [18, 20]})                        # => "plunger_mm: 18, 20"
    module TypedValue
      NUMBER = /\A[+-]?\d+(?:[.,]\d+)?\z/
      YES = %w[yes true y x].freeze
      NO = %w[no false n].freeze

      module_function

      # @param text [String]
      # @param schema [Hash] of the place
      # @param field [String] what an error names
      # @return [Object, nil] nil takes it out
      # @raise [Core::InputError]
      def read(text, schema, field = "value")
        text = text.strip
        return if text.empty?
        return one_of(text, schema["anyOf"], field) if schema["anyOf"]
        return list(text, schema, field) if type?(schema, "array")
        return map(text, schema, field) if type?(schema, "object")

        scalar(text, schema, field)
      end

      # @return [String]
      def shown(value)
        case value
        when nil then ""
        when Hash then value.map { |key, one| "#{key}: #{shown(one)}" }.join("; ")
        when Array then value.map { |one| one.is_a?(Array) || one.is_a?(Hash) ? "(#{shown(one)})" : shown(one) }.join(", ")
        when true then "yes"
        when false then "no"
        else value.to_s
        end
      end

      # A word that stands for itself, "key: value" for an object, several with commas between for a list, else a word or figure.
      def one_of(text, shapes, field)
        return text if shapes.any? { |one| one["const"] == text }

        shapes = shapes.map { |one| CatalogueShape.whole(one, nil) }
        object = shapes.find { |one| type?(one, "object") }
        single = shapes.find { |one| type?(one, "string", "number") }
        return map(text, object, field) if object && text.match?(/\A\w+:/)

        several = shapes.find { |one| type?(one, "array") }
        return read(text, several, field) if several && (single.nil? || text.include?(","))

        scalar(text, single || {}, field)
      end

      def scalar(text, schema, field)
        return chosen(text, schema["enum"], field) if schema["enum"]
        return yes(text, field) if type?(schema, "boolean")
        return number(text, schema, field) if type?(schema, "number", "integer") && (!type?(schema, "string") || text.match?(NUMBER))

        text
      end

      def number(text, schema, field)
        text.match?(NUMBER) || reject(field, "“#{text}” is not a number: type figures, with a point or a comma.")
        value = Float(text.tr(",", "."))
        whole = value == value.to_i && !text.match?(/[.,]/)
        type?(schema, "integer") && !type?(schema, "number") && !whole && reject(field, "“#{text}” is not a whole number.")
        whole ? value.to_i : value
      end

      def yes(text, field)
        return true if YES.include?(text.downcase)

        NO.include?(text.downcase) ? false : reject(field, "“#{text}” is neither yes nor no.")
      end

      def chosen(text, words, field)
        words.find { |word| word.to_s.casecmp?(text) } || reject(field, "“#{text}” is none of #{words.join(', ')}.#{near(text, words)}")
      end

      def near(text, words) = Core::Nearest.one(text, words)&.then { |one| " Did you mean “#{one}”?" }

      # "a, b, c"
      def list(text, schema, field)
        items = schema["items"] || {}
        text.split(",").map(&:strip).reject(&:empty?).map { |one| scalar(one, type?(items, "object", "array") ? {} : items, field) }
      end

      # "key: value; other: one, two"
      def map(text, schema, field)
        text.split(/;|\n/).map(&:strip).reject(&:empty?).to_h do |pair|
          key, told = pair.split(":", 2).map(&:strip)
          told || reject(field, "“#{pair}” is no pair: write key: value; key: value.")
          known = schema.dig("properties", key) || (schema["additionalProperties"] if schema["additionalProperties"].is_a?(Hash)) || {}
          [key, one_or_more(told, known, field)]
        end
      end

      def one_or_more(told, schema, field)
        return list(told, schema, field) if type?(schema, "array") && !several?(schema)

        values = told.split(",").map(&:strip)
        values.one? ? scalar(told, loose(schema), field) : values.map { |one| scalar(one, loose(schema), field) }
      end

      # A value of `for` is one word or figure, or a list of them.
      def several?(schema) = schema.key?("anyOf")
      def loose(schema) = several?(schema) ? { "type" => %w[string number] } : schema

      def type?(schema, *types) = [schema["type"]].flatten.intersect?(types)
      def reject(field, sentence) = Core::InputError.reject(field, "bad_value", sentence)
    end
  end
end
