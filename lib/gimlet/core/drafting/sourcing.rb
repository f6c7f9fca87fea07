# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  module Drafting
    # Writing down where an entry was read.
    #
    #   Sourcing.call(document, "parts.FX 7", {"document" => "FX sheet", "page" => "3", "on" => "2026-05-02", "who" => "Ines"})
    module Sourcing
      # Lists whose entries have sources.
      LISTS = %w[models serial_breaks parts kits fits stacks areas groups fasteners faces tools consumables traits].freeze

      module_function

      # @param document [Hash]
      # @param place [String] "parts.FX 7"
      # @param source [Hash{String=>String}] document, page, on, who
      # @return [Hash] another document; the same source in one row with all its places
      def call(document, place, source)
        return document unless LISTS.include?(place.split(".", 2).first)

        wanted = source.compact.reject { |_, told| told.to_s.strip.empty? }
        rows = without(document["sources"] || [], place)
        at = rows.index { |row| row.except("of") == wanted }
        at ? rows[at] = rows[at].merge("of" => rows[at]["of"] + [place]) : rows << { "of" => [place], **wanted }
        document.merge("sources" => rows)
      end

      def without(rows, place)
        rows.map { |row| row.merge("of" => row["of"] - [place]) }.reject { |row| row["of"].empty? }
      end
    end
  end
end
