# frozen_string_literal: true

require_relative "face_drawing"
require_relative "sheet"

module Gimlet
  module Exchange
    module Paper
      # One fastener group on the card: rounds with a box for each, treatment, what the wrench is set to, and the order drawn on its face.
      class FastenerEntry
        DRAWN = 210
        GAP = 14
        HIGH = 104
        ROUND = 14

        # @param sheet [Sheet]
        # @param fastener [Hash] one of a record's `tightening`
        def initialize(sheet, fastener)
          @sheet = sheet
          @fastener = fastener
          @drawn = fastener["face"] && fastener["points"].any? { |point| point["order"] }
        end

        def draw
          pdf = @sheet.pdf
          height = [lines.sum { |text, style| pdf.height_of(text, width: width, **style) + 2 } + 10, @drawn ? HIGH + 10 : 0].max
          @sheet.room(height)
          top = pdf.cursor
          FaceDrawing.call(pdf, @fastener, at: [pdf.bounds.right - DRAWN, top], width: DRAWN, height: HIGH) if @drawn
          pdf.bounding_box([0, top], width: width) { lines.each { |text, style| pdf.text(text, **style) } }
          pdf.move_cursor_to([pdf.cursor, @drawn ? top - HIGH : top].min - 10)
        end

        private

        def width = @sheet.width - (@drawn ? DRAWN + GAP : 0)

        # @return [Array<Array(String, Hash)>] text and style
        def lines
          all = "= #{@fastener['conversions'].map { |other| other['text'] }.join(' = ')}" if @fastener["conversions"].any?
          doubt = "! #{@fastener['doubt']}" if @fastener["doubt"]
          text = @fastener["text"] unless @fastener["text"] == rounds
          [["#{@fastener['count']} × #{@fastener['name']} · #{@fastener['drive']}", { style: :bold, size: Sheet::BODY }],
           [rounds, { style: :bold, size: ROUND }], [text, { size: Sheet::BODY }], [setting, { size: Sheet::BODY }], [order, { size: Sheet::BODY }],
           [doubt, { style: :bold, size: Sheet::BODY }], [all, { size: Sheet::SMALL }],
           [@fastener["checked"], { size: Sheet::SMALL }]].select(&:first)
        end

        def rounds
          told = @fastener["rounds"].empty? ? [@fastener["text"]] : @fastener["rounds"]
          told.one? ? told.first : told.each.with_index(1).map { |round, at| "#{at}) #{round}" }.join("   ")
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
