# frozen_string_literal: true

require_relative "catalogue_shape"
require_relative "csv_text"
require_relative "typed_value"

module Gimlet
  module Exchange
    # One list of a catalogue document as a table, for people with spreadsheets; CatalogueTable reads it again.
    #
    #   CatalogueCSV.write(document, "parts", $stdout) # number,name,spec.id_mm,…
    module CatalogueCSV
      LISTS = %w[parts models kits contents fits].freeze

      module_function

      # @param document [Hash]
      # @param list [String] of LISTS
      # @param out [#<<]
      # @return [Integer] lines written beside the headings
      def write(document, list, out)
        rows = list == "contents" ? contents(document) : (document[list] || []).map { |row| flat(row) }
        columns = rows.flat_map(&:keys).uniq
        CsvText.write(out, [columns])
        CsvText.write(out, rows.map { |row| columns.map { |column| TypedValue.shown(row[column]) } })
      end

      def flat(row)
        row.reject { |_, value| rows?(value) }.reduce({}) do |all, (key, value)|
          all.merge(value.is_a?(Hash) && key != "for" ? value.transform_keys { |inner| "#{key}.#{inner}" } : { key => value })
        end
      end

      # Rows of their own are no cell.
      def rows?(value) = value.is_a?(Array) && value.any?(Hash)

      def contents(document)
        (document["kits"] || []).flat_map { |kit| kit["contents"].map { |line| { "kit" => kit["number"], **line } } }
      end
    end
  end
end
