# frozen_string_literal: true

require_relative "../1_catalogue/series"
require_relative "../value"

module Gimlet
  module Core
    # What must come apart to reach the agreed work.
    #
    #   teardown = Teardown.of(variant, ["packings"])
    #   teardown.groups.map(&:name) # => ["top plate", "manifold"], in the order they come off
    class Teardown
      # One layer at one position that is handled. `cause` says why: [:area, area id] or [:group, group id].
      Place = Value.of(:stack, :position, :layer, :cause)

      # @return [Array<Catalogue::Area>] agreed areas and those that go with them, in bench order
      attr_reader :areas
      # @return [Hash{String=>String}] area id => why it was added to what was agreed
      attr_reader :added
      # @return [Array<Catalogue::Group>] in the order they come off
      attr_reader :groups
      # @return [Array<String>] agreed areas that this series has nothing on file for
      attr_reader :not_on_file
      attr_reader :variant

      # @param scope [Array<String>] ids of Catalogue::WORK_AREAS
      def self.of(variant, scope) = new(variant, scope)

      def initialize(variant, scope)
        @variant = variant
        @series = variant.series
        @added = together(scope)
        wanted = Catalogue::WORK_AREAS.keys & (scope + @added.keys)
        @areas = wanted.filter_map { |id| @series.area(id) }
        @not_on_file = wanted - @areas.map(&:id)
        @groups = opened
        freeze
      end

      # Every layer that is worked on or disturbed, once for each position.
      # @return [Array<Place>]
      def places
        (area_places + disturbed_places).uniq { |place| [place.stack.id, place.position, place.layer.slot] }
      end

      # @return [Array<Catalogue::Fastener>] that the work undoes, in the order they are undone
      def fasteners
        groups.flat_map { |group| group.fasteners.map { |id| @series.fastener(id) } }.uniq
      end

      private

      def together(scope)
        @series.together.each_with_object({}) do |rule, added|
          next unless rule.areas.intersect?(scope + added.keys)

          (rule.areas - scope - added.keys).each { |id| added[id] = rule.reason }
        end
      end

      def opened
        order = []
        visit = lambda do |id|
          group = @series.group(id)
          group.after.each(&visit)
          order << group unless order.include?(group)
        end
        @areas.flat_map(&:opens).each(&visit)
        order
      end

      def area_places
        @areas.flat_map do |area|
          area.stacks.flat_map do |id|
            stack = @series.stack(id)
            expand(stack, stack.layers, [:area, area.id])
          end
        end
      end

      def disturbed_places
        groups.flat_map do |group|
          group.disturbs.flat_map do |id, slots|
            stack = @series.stack(id)
            expand(stack, slots.map { |slot| stack.layer(slot) }, [:group, group.id])
          end
        end
      end

      def expand(stack, layers, cause)
        present = layers.select { |layer| Catalogue::Condition.met?(layer.condition, variant) }
        stack.positions.product(present).map do |position, layer|
          Place.new(stack: stack, position: position, layer: layer, cause: cause)
        end
      end
    end
  end
end
