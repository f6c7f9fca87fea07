# frozen_string_literal: true

require_relative "place"

module Gimlet::Core
  module Drafting
    # Another name for an entry is another name wherever it is spoken of.
    #
    #   Rename.call(document, ["parts", "FX 7", "number"], "FX 7", "FX 70") # fits and kits have FX 70 too
    module Rename
      # What has names => keys whose values are these names, and keys that hold objects whose keys are.
      SPOKEN = {
        "parts" => [%w[part superseded_by interchange sold_as], []], "models" => [%w[models], []], "serial_breaks" => [%w[before from], []],
        "stacks" => [%w[stack stacks], %w[disturbs puts carries]], "groups" => [%w[group after on opens when by], []],
        "areas" => [%w[areas when], []], "fasteners" => [%w[fasteners tighten], []], "faces" => [%w[face], []], "tools" => [%w[tools], []],
        "consumables" => [%w[consumable], []], "layers" => [%w[slot inside behind renew_with renewing decides of to], []]
      }.freeze
      # What an entry is called by.
      CALLED = %w[id number designation slot].freeze
      # Slots are spoken of under stacks.
      BY_STACK = %w[disturbs puts carries].freeze

      module_function

      # @param document [Hash] is changed
      # @param steps [Array] of the name that was changed
      # @return [void]
      def call(document, steps, was, now)
        list = steps[-3]
        keys, maps = SPOKEN[list]
        return unless keys && CALLED.include?(steps.last)

        replace(document, keys, maps, was, now, slots: list == "layers")
        sources(document, list, was, now)
      end

      def replace(value, keys, maps, was, now, slots: false)
        return value.each { |one| replace(one, keys, maps, was, now, slots: slots) } if value.is_a?(Array)
        return unless value.is_a?(Hash)

        value.each do |key, one|
          value[key] = swapped(one, was, now) if keys.include?(key)
          one.transform_keys! { |name| name == was ? now : name } if maps.include?(key) && one.is_a?(Hash)
          one.transform_values! { |names| swapped(names, was, now) } if slots && BY_STACK.include?(key) && one.is_a?(Hash)
          replace(one, keys, maps, was, now, slots: slots)
        end
      end

      def swapped(value, was, now)
        case value
        when Array then value.map { |one| one == was ? now : one }
        when was then now
        else value
        end
      end

      def sources(document, list, was, now)
        (document["sources"] || []).each { |row| row["of"] = swapped(row["of"], "#{list}.#{was}", "#{list}.#{now}") }
      end
    end
  end
end
