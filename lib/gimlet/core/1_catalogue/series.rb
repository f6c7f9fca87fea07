# frozen_string_literal: true

require_relative "../plain"
require_relative "../value"
require_relative "condition"
require_relative "outline"
require_relative "parts"
require_relative "source"
require_relative "variant"
require_relative "wet_end"

module Gimlet::Core
  module Catalogue
    Maker = Value.of(:id, :name)

    # Part `part` serves `slot` on the pumps of `condition`.
    Fit = Value.of(:slot, :part, :condition)

    # Pumps (or valves: `item`) that share a manual, with everything their manual says. `trait_definitions` are rows of the vocabulary
    # for traits that only this series has.
    Series = Value.of(:id, :name, :abbreviations, :maker, :item, :construction, :manual, :traits, :models,
                      :serial_breaks, :parts, :kits, :fits, :stacks, :areas, :groups, :close_order, :axes, :fasteners, :tools,
                      :consumables, :together, :refit, :finish, :cautions, :faces, :outside, :sources, :trait_definitions) do
      # A whole manual as a key would be read whole each time.
      def hash = id.hash

      def stack(id) = stacks.find { |stack| stack.id == id }

      # @param stack [Stack]
      # @return [String, nil] "from" or "towards", the end where its pieces go in, by its axis or by what its ends are called
      def open_end(stack) = axes.flat_map(&:stacks).find { |id, _| id == stack.id }&.last || stack.open_end

      def area(id) = areas.find { |area| area.id == id }
      def group(id) = groups.find { |group| group.id == id }
      def fastener(id) = fasteners.find { |fastener| fastener.id == id }
      def face(id) = faces.find { |face| face.id == id }
      def consumable(id) = consumables.find { |consumable| consumable.id == id }

      # @param list [String] "parts"
      # @param name [String] what one of them is called
      # @return [Source, nil] where it was read
      def source_of(list, name) = Source.for(sources, list, name)

      # @return [String] what the sheet calls the piece of a slot
      def piece(slot) = stacks.filter_map { |stack| stack.layer(slot) }.first&.name || Plain.name(slot)

      # @return [Array<String>] every trait that some condition or figure of this series asks for
      def condition_keys
        conditions = conditional.filter_map(&:condition).flat_map(&:keys) + finish.filter_map { |entry| entry.figure&.fetch("trait") }
        conditions.uniq - %w[before from]
      end

      # @return [Array] everything that may be said of some of the pumps only
      def conditional
        [*fits, *tools, *kits, *stacks, *stacks.flat_map(&:layers), *areas, *areas.flat_map(&:work), *groups, *close_order,
         *fasteners.flat_map(&:tightenings), *together, *finish, *cautions]
      end

      # @return [Array<Area>] that this pump has
      def areas_of(variant) = areas.select { |area| Condition.met?(area.condition, variant) }

      # @return [Array<String>] part numbers on file for a slot; more than one is a fault of the data
      def parts_for(slot, variant)
        fits.select { |fit| fit.slot == slot && Condition.met?(fit.condition, variant) }.map(&:part)
      end
    end
  end
end
