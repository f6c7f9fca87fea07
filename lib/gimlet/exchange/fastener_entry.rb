# frozen_string_literal: true

require_relative "face_drawing"

module Gimlet
  module Exchange
    # One fastener group on the card: value, passes, treatment, source, and the order drawn on its face.
    class FastenerEntry
      DRAWN = 150
      GAP = 15
      HIGH = 72
      SMALL = 8
      BODY = 8.5

      # @param pdf [Prawn::Document]
      # @param fastener [Hash] one of a record's `tightening`
      def initialize(pdf, fastener)
        @pdf = pdf
        @fastener = fastener
        @drawn = fastener["face"] && fastener["points"].any? { |point| point["order"] }
      end

      def draw
        height = [lines.sum { |text, style| @pdf.height_of(text, width: width, **style) } + 6, @drawn ? HIGH + 6 : 0].max
        @pdf.start_new_page if @pdf.cursor < height
        top = @pdf.cursor
        FaceDrawing.call(@pdf, @fastener, at: [@pdf.bounds.right - DRAWN, top], width: DRAWN, height: HIGH) if @drawn
        @pdf.bounding_box([0, top], width: width, height: height) { lines.each { |text, style| @pdf.text(text, **style) } }
      end

      private

      def width = @pdf.bounds.width - (@drawn ? DRAWN + GAP : 0)

      # @return [Array<Array(String, Hash)>] text and style
      def lines
        passes = @fastener["passes"].map { |pass| pass["text"] }
        [["#{@fastener['count']} × #{@fastener['name']} · #{@fastener['drive']}", { style: :bold, size: BODY }], [@fastener["text"], { size: BODY }],
         (["Set #{@fastener['setting']} · #{@fastener['wrench']}", { size: BODY }] if @fastener["wrench"]),
         (["Passes: #{passes.join(', then ')}, each in the order.", { size: BODY }] if passes.size > 1), order,
         (["= #{@fastener['conversions'].map { |other| other['text'] }.join(' = ')}", { size: SMALL }] if @fastener["conversions"].any?),
         (["Source: #{@fastener['source']}", { size: SMALL }] if @fastener["source"])].compact
      end

      # Where there is nothing to draw on, the order is read.
      def order
        return if @drawn || @fastener["orders"].empty?

        sets = @fastener["orders"].map { |set| [set["name"], set["labels"].join(", ")].compact.join(": ") }
        ["Order: #{sets.join('; ')}", { size: BODY }]
      end
    end
  end
end
