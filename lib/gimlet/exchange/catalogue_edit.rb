# frozen_string_literal: true

require_relative "../core/drafting/place"
require_relative "../core/drafting/rename"
require_relative "../core/input_error"
require_relative "catalogue_shape"
require_relative "typed_value"

module Gimlet
  module Exchange
    # One change of a catalogue document. What is not touched stays as it is, byte for byte; what is new stands where the format lists it.
    #
    #   CatalogueEdit.call(document, "at" => ["parts", "FX 7", "spec", "id_mm"], "text" => "20,5") # => another document
    #
    # Kinds: `text` is read as the format has it at that place, nothing takes it out; `value` is put there as it is; `add` puts a row at the end of a
    # list, called by `text`; `remove` takes a row or a value out; `move` puts a row at another number of its list.
    module CatalogueEdit
      # Lists in which one name may stand twice.
      SEVERAL = %w[fits layers].freeze

      module_function

      # @param document [Hash] is not changed
      # @param edit [Hash{String=>Object}] at, kind, and text, value or to
      # @return [Hash]
      # @raise [Core::InputError]
      def call(document, edit) = Marshal.load(Marshal.dump(document)).tap { |copy| apply(copy, edit) }

      # @param document [Hash] is changed
      # @return [void]
      # @raise [Core::InputError] some of it may have been changed
      def apply(document, edit)
        steps = edit["at"]
        case edit.fetch("kind", "text")
        when "text" then put(document, steps, TypedValue.read(edit["text"].to_s, shape(document, steps), steps.join(".")))
        when "value" then put(document, steps, edit["value"])
        when "add" then add(document, steps, edit["text"].to_s.strip)
        when "remove" then put(document, steps, nil)
        when "move" then move(document, steps, edit["to"])
        end
      end

      def shape(document, steps)
        CatalogueShape.at(document, steps) ||
          Core::InputError.reject("at", "no_such_place", "The catalogue format knows no “#{steps.join(' › ')}”.")
      end

      def put(document, steps, value)
        holder, key = grown(document, steps)
        return take_out(holder, key) if value.nil?

        was = holder[key]
        holder.is_a?(Hash) && !holder.key?(key) ? insert(holder, key, value, CatalogueShape.at(document, steps[0...-1])) : holder[key] = value
        Core::Drafting::Rename.call(document, steps, was, value) if was.is_a?(String) && value.is_a?(String) && was != value
      end

      # Objects on the way that are not there yet are begun.
      def grown(document, steps)
        (1...steps.size).each do |size|
          some = steps.first(size)
          next unless Core::Drafting::Place.find(document, some).nil?

          shape = shape(document, some)
          put(document, some, [shape["type"]].flatten.include?("array") ? [] : {})
        end
        Core::Drafting::Place.holder(document, steps)
      end

      # What held nothing else is not left empty.
      def take_out(holder, key) = holder.is_a?(Array) ? holder.delete_at(key) : holder.delete(key)

      # A new key stands where the format lists it, among those that are there.
      def insert(holder, key, value, shape)
        order = CatalogueShape.keys(shape || {})
        later = order.drop((order.index(key) || order.size) + 1)
        at = holder.keys.index { |other| later.include?(other) } || holder.size
        rows = holder.to_a.insert(at, [key, value])
        holder.replace(rows.to_h)
      end

      # @return [void] a row that is called so, with what the format asks for and can be said without guessing
      def add(document, steps, name)
        list = grown(document, [*steps, 0]).first
        name.empty? && Core::InputError.reject("text", "no_name", "Say what the new one is called.")
        known = list.any? { |row| row.is_a?(Hash) && Core::Drafting::Place.name(row) == name }
        known && !SEVERAL.include?(steps.last) && Core::InputError.reject("text", "twice", "There is “#{name}” already: each once.")
        list << row(CatalogueShape.at(document, [*steps, list.size]) || {}, name)
      end

      # @return [Hash, Array, String]
      def row(shape, name)
        return figures(shape, name) if shape["prefixItems"]
        return name unless shape["properties"]

        key = Core::Drafting::Place::NAMES.find { |one| shape["properties"].key?(one) }
        others = (shape["required"] || []) - [key]
        { key => name, **others.to_h { |one| [one, blank(shape["properties"][one], name)] }.compact }
      end

      # A point, a feature of a face: at the corner until it is placed.
      def figures(shape, name)
        shape["prefixItems"].first(shape["minItems"]).each_with_index.map { |one, at| at.zero? || one["type"] != "number" ? name : 0 }
      end

      # What can stand there without saying anything wrong: empty lists, the name in words. A figure is not guessed.
      def blank(shape, name)
        shape = CatalogueShape.whole(shape, nil)
        return [] if shape["type"] == "array"
        return {} if shape["type"] == "object"

        name.tr("_", " ") if shape["type"] == "string" && shape["enum"].nil?
      end

      def move(document, steps, to)
        list, from = Core::Drafting::Place.holder(document, steps)
        (list.is_a?(Array) && from < list.size) || Core::InputError.reject("at", "no_such_place",
                                                                           "There is no row “#{steps.join(' › ')}” to be moved.")
        list.insert(to.to_i.clamp(0, list.size - 1), list.delete_at(from))
      end
    end
  end
end
