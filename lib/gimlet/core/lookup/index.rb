# frozen_string_literal: true

require_relative "../1_catalogue/snapshot"
require_relative "../plain"
require_relative "../value"

module Gimlet::Core
  # Looking into the catalogue without a pump on the counter.
  module Lookup
    # One thing of the catalogue that has a page: `kind` is "series", "model", "part", "kit", "tool" or "consumable"; `key` its id or number,
    # `series` the id of what it belongs to; `told` says in a line what it is.
    Entry = Value.of(:kind, :key, :name, :series, :told)

    # Finds by numbers, names, sizes, designations and words, all of which must be there.
    #
    #   Index.new(snapshot).find("20x28x6").map(&:key) # => ["PW-4220"]
    #   Index.new(snapshot).find("yellow spring").first.name # => "discharge valve spring"
    class Index
      ROW = /\d+(?:[.,]\d+)?(?: ?[x×*] ?\d+(?:[.,]\d+)?)+/i
      SIZES = %w[id_mm od_mm section_mm height_mm length_mm].freeze
      # What stands first of what is found alike.
      KINDS = %w[series model kit part tool consumable].freeze
      SHORTEST = 3
      # A row of sizes may be so far off, in mm.
      NEAR_MM = 0.051

      # @param snapshot [Catalogue::Snapshot]
      def initialize(snapshot)
        @rows = snapshot.series.flat_map { |series| of_series(series) }.freeze
      end

      # @param words [String]
      # @return [Array<Entry>] what is called so first
      def find(words)
        sizes = words.to_s.scan(ROW).map { |row| row.tr(",", ".").scan(/\d+(?:\.\d+)?/).map(&:to_f) }
        told = words.to_s.gsub(ROW, " ").downcase.split
        return [] if sizes.empty? && told.empty?

        whole = squeezed(words)
        @rows.select { |row| told.all? { |word| met?(row, word) } && sizes.all? { |row_sizes| sized?(row, row_sizes) } }
             .sort_by { |row| [rank(row, whole), KINDS.index(row.entry.kind), row.entry.key] }.map(&:entry)
      end

      private

      Row = Value.of(:entry, :text, :called, :sizes)
      private_constant :Row

      def of_series(series)
        on = "#{series.maker.name} #{series.name}"
        told = "#{series.construction.tr('-', ' ')}, #{series.manual}, #{series.models.map(&:designation).join(' ')}"
        [row("series", series.id, on, series.id, told),
         *series.models.map { |model| row("model", model.designation, "#{on} #{model.designation}", series.id, figures(series, model)) },
         *series.kits.map { |kit| row("kit", kit.number, kit.name, series.id, "#{kit.contents.size} numbers") },
         *series.parts.map { |part| row("part", part.number, part.name, series.id, spec(part), sizes: part.spec.values_at(*SIZES).compact) },
         *numbered(series)]
      end

      def numbered(series)
        { "tool" => series.tools, "consumable" => series.consumables }.flat_map do |kind, all|
          all.select(&:number).map { |one| row(kind, one.number, one.name, series.id, "") }
        end
      end

      def row(kind, key, name, on, told, sizes: [])
        entry = Entry.new(kind: kind, key: key, name: name, series: on, told: told)
        Row.new(entry: entry, text: "#{key} #{name} #{told} #{kind}".downcase, called: squeezed(key), sizes: sizes)
      end

      def figures(series, model)
        traits = series.traits.merge(model.traits)
        [["plunger_mm", "plunger %s mm"], ["flow_l_min", "%s L/min"], ["pressure_bar", "%s bar"]].filter_map do |id, words|
          format(words, number(traits[id])) if traits[id]
        end.join(", ")
      end

      def spec(part) = part.spec.map { |key, value| "#{Plain.name(key.delete_suffix('_mm'))} #{number(value)}" }.join(", ")

      def number(value)
        case value
        when Range then "#{Plain.number(value.begin)} to #{Plain.number(value.end)}"
        when Numeric then Plain.number(value)
        else value
        end
      end

      def met?(row, word) = row.text.include?(word) || run_together?(row.called, squeezed(word))

      # "pw4220" and "bwkvs" are numbers without their hyphens.
      def run_together?(called, word) = word.match?(/\d/) ? called.include?(word) : word.size >= SHORTEST && called.start_with?(word)

      def sized?(row, wanted) = wanted.all? { |size| row.sizes.any? { |one| (one - size).abs < NEAR_MM } }

      def rank(row, whole)
        return 0 if row.called == whole

        row.called.start_with?(whole) ? 1 : 2
      end

      def squeezed(words) = words.to_s.downcase.gsub(/[^\p{L}\d]/, "")
    end
  end
end
