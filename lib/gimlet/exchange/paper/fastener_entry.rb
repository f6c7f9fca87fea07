# frozen_string_literal: true

require_relative "face_drawing"
require_relative "sheet"

module Gimlet
  module Exchange
    module Paper
      # One fastener group on the card: rounds with a box for each, treatment, what the wrench is set to, and the order drawn on its face.
      class FastenerEntry
        DRAWN = 300
        GAP = 14
        HIGH = 180
        ROUND = 17
        # What is measured as so wide may break a little earlier.
        SURE = 0.92
        # Its first two lines.
        HEAD = 40
        # What a list of rounds is made smaller to at most, so that it stays on its line.
        SMALLEST = 8.5

        # @param sheet [Sheet]
        # @param fastener [Hash] one of a record's `tightening`
        def initialize(sheet, fastener)
          @sheet = sheet
          @fastener = fastener
          @drawn = fastener["face"] && fastener["points"].any? { |point| point["order"] }
        end

        def draw
          @sheet.room(height + (narrow? ? 0 : HEAD))
          text(head) unless narrow?
          # Within a box the sheet is as wide as the box: what goes into it is decided before.
          rows, top = beside, @sheet.pdf.cursor
          FaceDrawing.call(@sheet.pdf, @fastener, at: [@sheet.width - wide, top], width: wide, height: high) if @drawn
          @sheet.pdf.bounding_box([0, top], width: width) { text(rows) }
          @sheet.pdf.move_cursor_to([@sheet.pdf.cursor, @drawn ? top - high : top].min - 10)
        end

        private

        def text(rows) = rows.each { |text, style| @sheet.pdf.text(text, **style) }
        def beside = narrow? ? head + lines : lines

        def height
          written = beside.sum { |text, style| @sheet.pdf.height_of(text, width: width, **style) + 2 }
          [written + 10, @drawn ? high + 10 : 0].max
        end

        def width = @sheet.width - (@drawn ? wide + GAP : 0)

        def wide = DRAWN * @sheet.density
        def high = [HIGH * @sheet.density, wide * @fastener["face"]["height_mm"] / @fastener["face"]["width_mm"]].min

        # Whether what is asked has its place beside the drawing, in its full size.
        def narrow? = @sheet.pdf.width_of(rounds, size: ROUND, style: :bold) <= width * SURE

        # A list of rounds never breaks: it would be read as two.
        def on_one_line(text)
          size = ROUND * @sheet.width * SURE / @sheet.pdf.width_of(text, size: ROUND, style: :bold)
          [text, { style: :bold, size: size.clamp(SMALLEST, ROUND) }]
        end

        # What it is and what is asked: across the whole sheet where it is long.
        def head
          [["#{@fastener['count']} × #{@fastener['name']} · #{@fastener['drive']}", { style: :bold, size: Sheet::BODY }], on_one_line(rounds)]
        end

        # @return [Array<Array(String, Hash)>] text and style
        def lines
          all = "= #{@fastener['conversions'].map { |other| other['text'] }.join(' = ')}" if @fastener["conversions"].any?
          doubt = "! #{@fastener['doubt']}" if @fastener["doubt"]
          text = @fastener["text"] unless @fastener["text"] == rounds
          [[text, { size: Sheet::BODY }], [setting, { size: Sheet::BODY }], [order, { size: Sheet::BODY }],
           [doubt, { style: :bold, size: Sheet::BODY }], [all, { size: Sheet::SMALL }],
           [@fastener["checked"], { size: Sheet::SMALL }]].select(&:first)
        end

        def rounds
          told = @fastener["rounds"].empty? ? [@fastener["text"]] : @fastener["rounds"]
          told.one? ? told.first : told.each.with_index(1).map { |round, at| "#{at}) #{round}" }.join("  ")
        end

        def setting = @fastener["wrench"] && "Set #{@fastener['setting']} · #{@fastener['wrench']}"

        # Where there is nothing to draw on, the order is read.
        def order
          return if @drawn || @fastener["orders"].empty?

          sets = @fastener["orders"].map { |set| [set["name"], set["labels"].join(", ")].compact.join(": ") }
          "Order: #{sets.join('; ')}"
        end
      end
    end
  end
end
