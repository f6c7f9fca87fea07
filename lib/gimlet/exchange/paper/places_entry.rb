# frozen_string_literal: true

require_relative "../../core/order/places"
require_relative "section_drawing"
require_relative "sheet"

module Gimlet
  module Exchange
    module Paper
      # How the places of an order are filled: what is not in the bag in words, ahead of all, and its holes drawn.
      module PlacesEntry
        WIDE = 220
        HIGH = 74
        GAP = 16
        CAPTION = 26
        FILLED = %w[own out bag shelf].freeze
        # Shades that a copier keeps apart: there, to come, old piece goes back, a hole.
        FILLS = { **FILLED.to_h { |how| [how, "333333"] }, "coming" => "BBBBBB" }.freeze

        module_function

        # @param sheet [Sheet]
        # @param places [Core::Order::Places]
        # @param reason [String, nil] why it was agreed so
        def words(sheet, places, reason)
          lacking(sheet, places)
          places.coming.each { |text| sheet.bullet(text, style: :bold) }
          sheet.bullet "Agreed so: #{reason}." if reason && places.lacking.any?
        end

        def lacking(sheet, places) = places.lacking.each { |text| sheet.bullet(text, style: :bold) }

        # @param record [Hash] of an order, of the present version
        def drawn(sheet, places, record)
          holes = record["stacks"].select { |stack| stack["drawing"] }.flat_map do |stack|
            places.rows(stack["id"]).select(&:hole?).map { |row| [stack, row] }
          end
          return if holes.empty?

          sheet.heading "Places: dark is there, grey is to come, a hole stays empty", with: deep(sheet) + 30
          holes.each_slice(across(sheet)) { |some| line(sheet, some) }
        end

        def across(sheet) = [(sheet.width / (WIDE + GAP)).floor, 1].max

        def line(sheet, some)
          sheet.room(deep(sheet))
          top = sheet.pdf.cursor
          some.each_with_index { |(stack, row), at| one(sheet, stack, row, [at * (WIDE + GAP), top]) }
          sheet.pdf.move_cursor_to(top - deep(sheet))
        end

        def high(sheet) = HIGH * sheet.density
        def deep(sheet) = high(sheet) + CAPTION

        def one(sheet, stack, row, corner)
          shown = stack.merge("layers" => row.layers.map { |how| { "drawn" => how } })
          SectionDrawing.call(sheet.pdf, shown, at: corner, width: WIDE, height: high(sheet), fills: FILLS)
          sheet.pdf.text_box(row.title, at: [corner[0], corner[1] - high(sheet) - 2], width: WIDE, height: CAPTION,
                                        size: Sheet::SMALL)
        end
        private_class_method :across, :line, :high, :deep, :one
      end
    end
  end
end
