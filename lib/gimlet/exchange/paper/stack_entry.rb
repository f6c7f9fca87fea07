# frozen_string_literal: true

require_relative "../../core/4_demand/positions"
require_relative "section_drawing"
require_relative "sheet"

module Gimlet
  module Exchange
    module Paper
      # One stack on the card: its section, and beside it every piece in order with the way it faces.
      class StackEntry
        DRAWN = 460
        GAP = 14
        HIGH = 170
        # One ring alone needs less.
        LOW = 100
        ENDS = 26
        SIZE = 10
        COLUMNS = 2
        # What a list needs beside the drawing.
        LIST = 220
        AS_NEW = %w[new renew].freeze

        # @param sheet [Sheet]
        # @param stack [Hash] one of a record's `stacks`
        def initialize(sheet, stack)
          @sheet = sheet
          @pdf = sheet.pdf
          @stack = stack
        end

        # @return [Float] points that it takes with its headline
        def height = below + 40

        def draw
          @sheet.room(height)
          @pdf.move_down 6
          @sheet.line "#{headline}.", strong: "#{@stack['name'].sub(/\A./, &:upcase)}:"
          top = @pdf.cursor - 2
          drawing(top) if @stack["drawing"]
          list(top - beneath)
          @pdf.move_cursor_to(top - below)
        end

        private

        def headline
          [Core::Positions.short(@stack["positions"]), @stack["colour"], @stack["spring"], @stack["checked"]].compact.reject(&:empty?).join("; ")
        end

        def below = beside? ? [beneath, listed(pieces)].max : beneath + columns.map { |pieces| listed(pieces) }.max
        def beneath = @stack["drawing"] ? drawn + ENDS : 0
        def column = beside? ? @sheet.width - across - GAP : (@sheet.width - GAP) / COLUMNS

        # What the drawing takes of the width: a short stack leaves room for its list beside it.
        def across = @stack["drawing"] ? [SectionDrawing.width(@stack, DRAWN * @sheet.density, high), ENDS * 5].max : 0
        def beside? = @stack["drawing"] && @sheet.width - across - GAP >= LIST
        def wide = beside? ? across : DRAWN * @sheet.density

        # Beside each other, in their order, about as long.
        def columns = pieces.each_slice((pieces.size / COLUMNS.to_f).ceil).to_a

        def list(top)
          return column_at(across + GAP, top + beneath, pieces) if beside?

          columns.each_with_index { |pieces, at| column_at(at * (column + GAP), top, pieces) }
        end

        def column_at(left, top, pieces)
          @pdf.bounding_box([left, top], width: column) { pieces.each { |piece, rest| @sheet.line(rest, strong: piece, size: SIZE) } }
        end

        def listed(pieces)
          pieces.sum { |piece, rest| @pdf.height_of("#{piece} #{rest}", width: column - 4, size: SIZE, style: :bold) + 1.5 }
        end

        def high = (@stack["layers"].one? ? LOW : HIGH) * @sheet.density
        def drawn = SectionDrawing.height(@stack, DRAWN * @sheet.density, high)

        # Its ends stand under it, so that nobody turns it round.
        def drawing(top)
          SectionDrawing.call(@pdf, @stack, at: [0, top], width: DRAWN * @sheet.density, height: high)
          @pdf.text_box("< #{@stack['from']}", at: [0, top - drawn - 2], width: wide / 2, height: ENDS, size: Sheet::SMALL)
          @pdf.text_box("#{@stack['towards']} >", at: [wide / 2, top - drawn - 2], width: wide / 2, height: ENDS, size: Sheet::SMALL, align: :right)
        end

        # @return [Array<Array(String, String)>] number and name, how it goes in
        def pieces
          @stack["layers"].map.with_index(1) do |layer, at|
            ["#{at} #{layer['name']}", [*layer["told"], to_do(layer)].join("; ")]
          end
        end

        def to_do(layer) = AS_NEW.include?(layer["fate"]) ? "NEW" : layer["fate"]
      end
    end
  end
end
