# frozen_string_literal: true

require_relative "../1_catalogue/series"
require_relative "../value"
require_relative "opening"
require_relative "scope"

module Gimlet::Core
  # What must come apart to reach the agreed work.
  #
  #   teardown = Teardown.of(variant, ["packings"])
  #   teardown.groups.map(&:name) # => ["top plate", "manifold"], in the order they come off
  class Teardown
    # One layer at one position that is handled; `at` is its place in the stack. `cause` says why: [:area, area id], [:group, group id],
    # or [:inside, group id] for what comes out with the layer that it sits in.
    Place = Value.of(:stack, :position, :layer, :at, :cause) do
      # @return [Array] the same for the same place
      def key = [stack.id, position, at]
    end

    # @return [Array<Catalogue::Area>] agreed areas and those that go with them, in bench order
    attr_reader :areas
    # @return [Hash{String=>String}] area id => why it was added to what was agreed
    attr_reader :added
    # @return [Hash{String=>String}] area id => why it would go with the agreed work, which stays with what was agreed only
    attr_reader :left_out
    # @return [Array<Catalogue::Group>] in the order they come off
    attr_reader :groups
    # @return [Array<String>] agreed areas that this pump has nothing on file for
    attr_reader :not_on_file
    attr_reader :variant, :scope
    # @return [Array<Place>] every layer that is worked on or disturbed, once for each position
    attr_reader :places

    # @param scope [Array<String>, Scope] area ids, or a whole scope
    def self.of(variant, scope) = new(variant, Scope.of(scope))

    def initialize(variant, scope)
      @variant = variant
      @series = variant.series
      @scope = scope
      share_out
      @areas = wanted_areas
      @not_on_file = (scope.areas + @added.keys).uniq - @areas.map(&:id)
      @opened = opened
      @groups = @opened.keys.map { |id| @series.group(id) }
      @places = (area_places + disturbed_places).uniq(&:key).freeze
      @on_the_way = passed
      freeze
    end

    # @return [Array<String>, nil] positions at which a group comes off; nil for all of it
    def positions(group) = @opened.fetch(group.id)

    # @return [Array<Catalogue::Work>] what is done on an agreed area
    def work(area) = area.work.select { |work| met?(work) && renews?(work) }

    # The same once it is decided which pieces are renewed: what is only done for these is left out where they stay.
    # @param slots [Array<String>]
    # @return [Teardown]
    def renewing(slots)
      dup.tap do |decided|
        decided.instance_variable_set(:@renewed, slots)
        decided.freeze
      end
    end

    # @param entry [Catalogue::Work, Catalogue::Caution, Catalogue::Finish]
    # @return [Boolean] whether it is said of the pieces that are renewed; until these are decided it is said
    def renews?(entry) = entry.renewing.nil? || @renewed.nil? || entry.renewing.intersect?(@renewed)

    # @return [Array<String>] positions at which an area is worked on
    def worked(area) = at(area) || Scope.positions(@variant, area)

    # @return [Hash{Catalogue::Area=>Array<Catalogue::Work>}] areas of which pieces come out because other work lies behind, and what of their
    #   work that takes
    def on_the_way
      @on_the_way.transform_values { |work| work.select { |one| renews?(one) } }.reject { |_, work| work.empty? }
    end

    # @return [Array<Catalogue::Fastener>] that the work undoes, in the order they are undone
    def fasteners
      opened = groups.flat_map { |group| group.fasteners.map { |id| [id, positions(group)] } }
      opened.group_by(&:first).map do |id, same|
        held = same.map(&:last)
        @series.fastener(id).holding(held.include?(nil) ? nil : held.flatten.uniq)
      end
    end

    private

    def passed
      out = @places.group_by { |place| place.stack.id }.transform_values { |places| places.map { |place| place.layer.slot } }
      others = (@series.areas_of(@variant) - @areas).select { |area| area.work.any?(&:of) }
      work = others.to_h do |area|
        handled = out.values_at(*(area.stacks - @areas.flat_map(&:stacks))).compact.flatten
        [area, work(area).select { |work| (work.of || []).intersect?(handled) }]
      end
      work.reject { |_, sentences| sentences.empty? }
    end

    # Areas that wear together are added, or, where only the agreed work is wanted, named.
    def share_out
      together = together(@scope.areas)
      @added, @left_out = @scope.extent == "leak_only" ? [{}, together] : [together, {}]
    end

    # What one rule adds may call another, whatever their order; what this pump has not calls nothing.
    def together(areas, added = {})
      all = areas + added.keys
      there = all & @series.areas_of(@variant).map(&:id)
      rule = @series.together.find { |one| met?(one) && one.areas.intersect?(there) && (one.areas - all).any? } or return added
      together(areas, added.merge((rule.areas - all).to_h { |id| [id, rule.reason] }))
    end

    def wanted_areas
      ids = @scope.areas + @added.keys
      usual = Catalogue::WORK_AREAS.keys & ids
      (usual + (ids - usual)).filter_map { |id| @series.areas_of(@variant).find { |area| area.id == id } }.uniq
    end

    def met?(entry) = Catalogue::Condition.met?(entry.condition, @variant)
    def at(area) = @scope.at[area.id] || (beside(area) if @added.key?(area.id))

    # What wears together does so on one cylinder: where the agreed work names positions, what goes with it is done at those that are called alike by
    # their last word. All of them where one is agreed everywhere, or where none is called so.
    def beside(area)
      calling = @scope.areas.select { |id| @series.together.any? { |rule| met?(rule) && rule.areas.include?(id) } }
      return unless calling.all? { |id| @scope.at.key?(id) }

      named = @scope.at.values_at(*calling).flatten.map { |position| last_word(position) }
      alike = Scope.positions(@variant, area).select { |position| named.include?(last_word(position)) }
      alike unless alike.empty?
    end

    def last_word(position) = position[/\S+\z/]

    # Group id => positions, in the order they come off. What comes off in one piece comes off for all.
    def opened
      asked = @areas.each_with_object({}) do |area, order|
        area.opens.each { |id| take_off(id, worked(area), order) }
      end
      Opening.order(@series, asked.keys).to_h { |id| [id, asked[id]] }
    end

    # @param positions [Array<String>, nil] nil for all: what comes off in one piece wants everything before it off
    def take_off(id, positions, order)
      group = @series.group(id)
      return unless met?(group)

      group.after.each { |first| take_off(first, (positions if group.each), order) }
      whole = positions.nil? || !group.each || (order.key?(id) && order[id].nil?)
      order[id] = whole ? nil : [*order[id], *with_neighbours(group, positions)].uniq
    end

    # A cover over two valves comes off for both.
    def with_neighbours(group, positions)
      points = group.fasteners.flat_map { |id| @series.fastener(id).points }
      positions + points.filter_map(&:at).select { |at| at.intersect?(positions) }.flatten
    end

    def area_places
      @areas.flat_map do |area|
        area.stacks.flat_map do |id|
          stack = @series.stack(id)
          expand(stack, indexed(stack), at(area), [:area, area.id])
        end
      end
    end

    def disturbed_places
      groups.flat_map do |group|
        group.disturbs.flat_map do |id, slots|
          stack = @series.stack(id)
          with_host, inside = with_what_is_inside(stack, slots)
          expand(stack, with_host, positions(group), [:group, group.id]) + expand(stack, inside, positions(group), [:inside, group.id])
        end
      end
    end

    def with_what_is_inside(stack, slots)
      out = slots.dup
      loop do
        more = stack.layers.select { |layer| layer.inside && out.include?(layer.inside) }.map(&:slot) - out
        break if more.empty?

        out.concat(more)
      end
      indexed(stack).select { |layer, _| out.include?(layer.slot) }.partition { |layer, _| slots.include?(layer.slot) }
    end

    def indexed(stack) = stack.layers.each_with_index.to_a

    def expand(stack, layers, positions, cause)
      return [] unless met?(stack)

      present = layers.select { |layer, _| met?(layer) }
      stack.positions.select { |position| positions.nil? || positions.include?(position) }.product(present).map do |position, (layer, at)|
        Place.new(stack: stack, position: position, layer: layer, at: at, cause: cause)
      end
    end
  end
end
