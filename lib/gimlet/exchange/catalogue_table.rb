# frozen_string_literal: true

require "csv"
require_relative "../core/drafting/place"
require_relative "../core/input_error"
require_relative "../core/nearest"
require_relative "../core/value"
require_relative "catalogue_edit"
require_relative "catalogue_shape"
require_relative "typed_value"

module Gimlet
  module Exchange
    # A table from a spreadsheet, read into one list of a catalogue document: models, parts, kit contents, fits. Headings say what a column is; what
    # they were taken for is asked once and remembered by the caller.
    #
    #   CatalogueTable.new(document, "parts", lines).call # => columns, and rows beside what is on file
    class CatalogueTable
      # What a column may be called, besides the key of the format itself.
      CALLED = {
        "number" => ["part no", "part number", "no", "article", "item"], "name" => %w[description text], "designation" => %w[model type plate],
        "spec.id_mm" => %w[inside inner id bore], "spec.od_mm" => %w[outside outer od], "spec.height_mm" => %w[height thick thickness],
        "spec.section_mm" => %w[section cord], "spec.length_mm" => %w[length], "spec.material" => %w[material], "spec.colour" => %w[colour color],
        "superseded_by" => ["replaced by", "superseded", "new number"], "traits.plunger_mm" => %w[plunger], "traits.flow_l_min" => %w[flow],
        "traits.pressure_bar" => %w[pressure], "traits.mass_kg" => %w[mass weight], "stroke_mm" => %w[stroke], "kit" => ["kit", "kit number"],
        "part" => ["part", "part number", "contents"], "quantity" => %w[quantity qty pieces count], "slot" => %w[slot place], "for" => %w[for]
      }.freeze
      LISTS = { "parts" => "number", "models" => "designation", "kits" => "number", "fits" => "slot", "contents" => "kit" }.freeze
      # `heading` as it stands, `at` the key that it is taken for, nil for none.
      Column = Core::Value.of(:heading, :at)
      # One row: what it is called, whether it is there already, and [key, was, is] of what differs.
      Row = Core::Value.of(:name, :known, :changes, :edits)
      Table = Core::Value.of(:columns, :rows)

      # @param text [String] as it was pasted: tabs, commas or semicolons
      # @return [Array<Array<String>>]
      # @raise [Core::InputError]
      def self.lines(text)
        separator = ["\t", ";", ","].max_by { |one| text.lines.first.to_s.count(one) }
        CSV.parse(text.strip, col_sep: separator, liberal_parsing: true).map { |row| row.map { |cell| cell.to_s.strip } }
      rescue CSV::MalformedCSVError => e
        Core::InputError.reject("text", "bad_table", "The table cannot be read: #{e.message}.")
      end

      # @param document [Hash]
      # @param list [String] of LISTS; "contents" are rows of kit, part, quantity
      # @param lines [Array<Array<String>>] the headings first
      # @param taken [Hash{String=>String|nil}] heading => key, as it was said before
      def initialize(document, list, lines, taken = {})
        @document = document
        @list = list
        @headings, *@lines = lines
        @taken = taken
      end

      # @return [Table]
      # @raise [Core::InputError]
      def call
        LISTS.key?(@list) || Core::InputError.reject("list", "bad_list", "A table is read into #{LISTS.keys.join(', ')}.")
        Table.new(columns: columns, rows: @lines.reject { |line| line.all?(&:empty?) }.filter_map { |line| row(line) })
      end

      # @return [Array<Column>]
      def columns = @columns ||= (@headings || []).map { |heading| Column.new(heading: heading, at: @taken.fetch(heading) { guess(heading) }) }

      # @return [Array<String>] keys that a column may be taken for
      def keys
        return %w[kit part quantity] if @list == "contents"

        shape = CatalogueShape.at(@document, [@list, 0]) || {}
        CatalogueShape.keys(shape).flat_map { |key| nested(shape, key) } + (@list == "models" ? CALLED.keys.grep(/\Atraits\./) : [])
      end

      private

      def nested(shape, key)
        inner = CatalogueShape.whole(shape["properties"][key], nil)
        return [] if CatalogueShape.rows?(inner)

        key == "spec" ? CatalogueShape.keys(inner).map { |one| "#{key}.#{one}" } : [key]
      end

      def guess(heading)
        told = heading.downcase.delete("()").sub(/,? ?mm\z/, "").strip
        keys.find { |key| [key, key.split(".").last, key.split(".").last.delete_suffix("_mm")].include?(told) } ||
          keys.find { |key| (CALLED[key] || []).include?(told) } || Core::Nearest.one(told, keys)
      end

      def cells(line) = columns.zip(line).select { |column, cell| column.at && !cell.to_s.empty? }.to_h { |column, cell| [column.at, cell] }

      def row(line)
        cells = cells(line)
        name = cells[LISTS[@list]]
        name || Core::InputError.reject("columns", "no_name", "No column is taken for #{LISTS[@list]}: say which one it is.")
        @list == "contents" ? content(cells, name) : entry(cells, name)
      end

      def entry(cells, name)
        at = known(cells, name)
        steps = [@list, at || name]
        changes = cells.except(LISTS[@list]).filter_map { |key, cell| change(steps, key, cell) }
        begin_it = at ? [] : [{ "at" => [@list], "kind" => "add", "text" => name }]
        steps = [@list, new_row] if @list == "fits" && at.nil?
        edits = changes.map { |key, _, cell| { "at" => [*steps, *key.split(".")], "text" => cell } }
        Row.new(name: name, known: !at.nil?, changes: changes, edits: begin_it + edits)
      end

      # A fit is told by slot and part.
      def known(cells, name)
        return (name if Core::Drafting::Place.find(@document, [@list, name])) unless @list == "fits"

        (@document["fits"] || []).index { |fit| fit["slot"] == name && fit["part"] == cells["part"] }
      end

      def new_row = @new_row = (@new_row || ((@document["fits"] || []).size - 1)) + 1

      def change(steps, key, cell)
        was = Core::Drafting::Place.find(@document, [*steps, *key.split(".")])
        shape = CatalogueShape.at(@document, [*steps, *key.split(".")]) || {}
        is = TypedValue.read(cell, shape, key)
        [key, was && TypedValue.shown(was), cell] unless was == is
      end

      def content(cells, kit)
        part = cells["part"] || Core::InputError.reject("columns", "no_part", "No column is taken for part: say which one it is.")
        steps = ["kits", kit, "contents", part, "quantity"]
        there = Core::Drafting::Place.find(@document, ["kits", kit])
        was = there && Core::Drafting::Place.find(@document, steps)
        edits = []
        edits << { "at" => ["kits"], "kind" => "add", "text" => kit } unless there || @begun&.include?(kit)
        (@begun ||= []) << kit
        edits << { "at" => steps[0...-2], "kind" => "add", "text" => part } unless was
        quantity = cells["quantity"] || "1"
        edits << { "at" => steps, "text" => quantity } unless was.to_s == quantity
        Row.new(name: "#{kit}: #{part}", known: !was.nil?, changes: was.to_s == quantity ? [] : [["quantity", was&.to_s, quantity]], edits: edits)
      end
    end
  end
end
