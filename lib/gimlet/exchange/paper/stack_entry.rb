# frozen_string_literal: true

require_relative "../../core/4_demand/positions"
require_relative "section_drawing"
require_relative "sheet"

module Gimlet
  module Exchange
    module Paper
      # One stack on the card: its section, and beside it every piece in order with the way it faces.
      class StackEntry
        DRAWN = 230
        GAP = 12
        HIGH = 88
        # One ring alone needs less.
        LOW = 56
        ENDS = 26
        SIZE = 10
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
          height = below
          @sheet.room(height + 40)
          @pdf.move_down 6
          @sheet.line "#{headline}.", strong: "#{@stack['name'].sub(/\A./, &:upcase)}:"
          top = @pdf.cursor - 2
          drawing(top) if @stack["drawing"]
          @pdf.bounding_box([left, top], width: @sheet.width - left) { pieces.each { |piece, rest| @sheet.line(rest, strong: piece, size: SIZE) } }
          @pdf.move_cursor_to([@pdf.cursor, top - height].min)
        end

        private

        def left = @stack["drawing"] ? DRAWN + GAP : 0

        def headline
          [Core::Positions.short(@stack["positions"]), @stack["colour"], @stack["spring"], @stack["checked"]].compact.reject(&:empty?).join("; ")
        end

        def below = [listed, @stack["drawing"] ? drawn + ENDS : 0].max

        def listed
          pieces.sum { |piece, rest| @pdf.height_of("#{piece} #{rest}", width: @sheet.width - left - 4, size: SIZE, style: :bold) + 1.5 }
        end

        def high = @stack["layers"].one? ? LOW : HIGH
        def drawn = SectionDrawing.height(@stack, DRAWN, high)

        # Its ends stand under it, so that nobody turns it round.
        def drawing(top)
          SectionDrawing.call(@pdf, @stack, at: [0, top], width: DRAWN, height: high)
          @pdf.text_box("< #{@stack['from']}", at: [0, top - drawn - 2], width: DRAWN / 2, height: ENDS, size: Sheet::SMALL)
          @pdf.text_box("#{@stack['towards']} >", at: [DRAWN / 2, top - drawn - 2], width: DRAWN / 2, height: ENDS, size: Sheet::SMALL, align: :right)
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
