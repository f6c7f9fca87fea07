# frozen_string_literal: true

require_relative "../../core/order/parts"
require_relative "card_lines"
require_relative "places_entry"
require_relative "sheet"

module Gimlet
  module Exchange
    module Paper
      # What lies on the bench before the work begins: parts and why they are there, tools, what is used up.
      class CardGoods
        include CardLines

        # @param sheet [Sheet]
        # @param record [Hash] of an order, of the present version
        # @param sections [Hash{String=>Core::Order::Lines::Section}]
        # @param places [Core::Order::Places]
        def initialize(sheet, record, sections, places)
          @places = places
          @sheet = sheet
          @record = record
          @sections = sections
        end

        def draw
          parts
          PlacesEntry.drawn(@sheet, @places, @record)
          lines "held"
          lines "tool"
          lines "used"
        end

        private

        def parts
          before_you_start(@sections["part"])
          parts = Core::Order::Parts.new(@record)
          @sheet.heading "Parts: #{@record['parts']['plan']}"
          @sheet.table([["", "Qty", "Number", "Name", "Serves"], *parts.rows.map { |row| ["", *row] }], [18, 72, 86, 170, nil])
          @sheet.pdf.move_down 4
          PlacesEntry.lacking(@sheet, @places)
          @sheet.bullet("#{@places.says.sub(/\A./, &:upcase)}.")
          parts.remarks.each { |text| @sheet.bullet(text) }
        end

        def before_you_start(section)
          return unless section && due(section).any?

          @sheet.heading "Before you start"
          cautions(section)
        end
      end
    end
  end
end
