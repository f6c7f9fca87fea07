# frozen_string_literal: true

require_relative "section_drawing"

module Gimlet
  module Exchange
    # One stack on the card: its section, and beside it every piece in order with the way it faces.
    class StackEntry
      DRAWN = 200
      HIGH = 62
      SIZE = 8

      # @param pdf [Prawn::Document]
      # @param stack [Hash] one of a record's `stacks`
      def initialize(pdf, stack)
        @pdf = pdf
        @stack = stack
      end

      def draw
        return @pdf.text(text, size: SIZE, inline_format: true) unless @stack["drawing"]

        height = [@pdf.height_of(text, width: @pdf.bounds.width - DRAWN - 10, size: SIZE, inline_format: true) + 4, HIGH].max
        @pdf.start_new_page if @pdf.cursor < height
        top = @pdf.cursor
        SectionDrawing.call(@pdf, @stack, at: [0, top - 4], width: DRAWN - 10, height: HIGH - 6)
        @pdf.text_box(text, at: [DRAWN, top], width: @pdf.bounds.width - DRAWN, height: height, size: SIZE, inline_format: true)
        @pdf.move_cursor_to(top - height)
      end

      private

      # "Inlet valve: inlet valve 1, 2, 3. ... 1 valve plug (put back)  2 plug O-ring, below the backup ring ..."
      def text
        told = [@stack["positions"].join(", "), @stack["colour"], @stack["spring"]].compact.reject(&:empty?).join("; ")
        pieces = @stack["layers"].each_with_index.map { |layer, at| "<b>#{at + 1}</b> #{piece(layer)}" }
        ends = "Left #{@stack['from']}, right #{@stack['towards']}."
        "<b>#{@stack['name'].capitalize}</b>#{": #{told}" unless told.empty?}. #{ends} #{pieces.join('  ')}"
      end

      def piece(layer)
        to_do = layer["fate"] unless %w[new renew].include?(layer["fate"])
        [layer["name"], layer["facing"], layer["lube"]].compact.join(", ") + (to_do ? " (#{to_do})" : "")
      end
    end
  end
end
