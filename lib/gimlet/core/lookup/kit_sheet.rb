# frozen_string_literal: true

require_relative "../1_catalogue/condition"
require_relative "../1_catalogue/snapshot"
require_relative "../3_teardown/extent"
require_relative "../3_teardown/teardown"
require_relative "../4_demand/demand"
require_relative "../value"

module Gimlet::Core
  module Lookup
    # A kit against the pumps that it is sold for: what each needs for the work that the kit is for, and what the kit leaves open.
    #
    #   KitSheet.of("PW-K220", snapshot).columns.first.rows.first # => part, held and needed
    KitSheet = Value.of(:kit, :series, :columns)

    # Pumps that need the same, `areas` of work that the kit is for, `kits` of it that one pump takes, and `rows` of KitRow.
    KitColumn = Value.of(:variants, :areas, :kits, :rows)

    # One part: how many the kit holds, and how many the work on one pump needs.
    KitRow = Value.of(:part, :held, :needed) do
      # @return [Integer] still to be ordered beside `kits` of the kit
      def open(kits) = [needed - (held * kits), 0].max
    end

    # Reading it off the teardown.
    class KitSheet
      # @param number [String]
      # @param snapshot [Catalogue::Snapshot]
      # @return [KitSheet, nil] nil where there is no such kit
      def self.of(number, snapshot)
        kit = snapshot.kit(number) or return
        series = snapshot.series.find { |one| one.kits.include?(kit) }
        pumps = snapshot.variants.select { |variant| variant.series == series && Catalogue::Condition.met?(kit.condition, variant) }
        columns = pumps.map { |variant| column(kit, variant, snapshot) }.group_by { |one| one.with(variants: nil) }
        new(kit: kit, series: series, columns: columns.map { |column, same| column.with(variants: same.flat_map(&:variants)) })
      end

      def self.column(kit, variant, snapshot)
        held = kit.contents.transform_keys { |number| newest(number, snapshot) }
        extent, areas = EXTENTS.map { |one, rules| [one, areas(held, rules, variant, snapshot)] }.find { |_, some| some.any? }
        areas ||= []
        needed = areas.any? ? demand(Scope.of(areas.map(&:id), extent: extent), variant, snapshot) : {}
        rows = (held.keys | needed.keys).map do |number|
          KitRow.new(part: snapshot.part(number), held: held.fetch(number, 0), needed: needed.fetch(number, 0))
        end
        KitColumn.new(variants: [variant], areas: areas.map(&:name), kits: kits(rows), rows: rows)
      end

      # What is renewed whenever it is worked on; and, for a kit of pieces that are looked over, what is renewed where everything is.
      RENEWED = %w[replace_always replace_if_removed].freeze
      EXTENTS = { Extent::USUAL => RENEWED, "complete" => [*RENEWED, "inspect", "turn_over_once"] }.freeze

      # A kit is for the work that asks for what it mostly holds.
      def self.areas(held, rules, variant, snapshot)
        variant.series.areas_of(variant).select do |area|
          asked = asked(area, rules, variant, snapshot)
          shared = (asked & held.keys).size
          shared.positive? && shared * 2 > [asked.size, held.size].min
        end
      end

      # What is renewed at the area's own places, not what the way there takes.
      def self.asked(area, rules, variant, snapshot)
        layers = area.stacks.filter_map { |id| variant.series.stack(id) }.flat_map { |stack| stack.layers_of(variant) }
        layers.select { |layer| rules.include?(layer.reuse) }.flat_map { |layer| variant.series.parts_for(layer.slot, variant) }
              .map { |number| newest(number, snapshot) }.uniq
      end

      def self.demand(scope, variant, snapshot)
        Demand.new(Teardown.of(variant, scope), snapshot, pumps: 1).lines.to_h { |line| [newest(line.part.number, snapshot), line.quantity] }
      end

      def self.newest(number, snapshot)
        part = snapshot.part(number)
        part&.superseded_by && snapshot.part(part.superseded_by) ? newest(part.superseded_by, snapshot) : number
      end

      # As many as the part that asks for most of them takes.
      def self.kits(rows) = rows.select { |row| row.held.positive? }.map { |row| (row.needed / row.held.to_f).ceil }.max || 0
      private_class_method :column, :areas, :asked, :demand, :newest, :kits
    end
  end
end
