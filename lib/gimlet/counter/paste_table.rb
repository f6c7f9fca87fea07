# frozen_string_literal: true

require "json"
require_relative "../exchange/catalogue_table"

module Gimlet
  module Counter
    # A table pasted into a draft. What a heading was taken for is remembered, for each list of the document.
    #
    #   PasteTable.new(settings).call(draft.document, "parts", lines, "Part" => "number")
    class PasteTable
      # The setting: list => heading => what it was taken for.
      COLUMNS = "catalogue columns"

      # @param settings [Store::Settings]
      def initialize(settings)
        @settings = settings
      end

      # @param document [Hash] of a draft
      # @param list [String] of it
      # @param lines [Array<Array<String>>] as CatalogueTable.lines gives them
      # @param told [Hash{String=>String}] what headings are taken for now
      # @return [Exchange::CatalogueTable]
      def call(document, list, lines, told = {})
        known = JSON.parse(@settings[COLUMNS] || "{}")
        taken = known.fetch(list, {}).merge(told)
        @settings[COLUMNS] = JSON.generate(known.merge(list => taken)) if told.any?
        Exchange::CatalogueTable.new(document, list, lines, taken)
      end
    end
  end
end
