# frozen_string_literal: true

require "cgi"
require_relative "../core/1_catalogue/layer"
require_relative "../core/8_plan/section"

module Gimlet
  module Exchange
    # Stacks of a pump cut along their axes, one below the other, as an SVG picture that can be printed: the pieces numbered, and named beside it with
    # the way each faces. From the same geometry as screen and card.
    #
    #   File.write("packing.svg", SectionSvg.call(pump, ["packing"], snapshot))
    class SectionSvg
      WIDTH = 760
      DRAWN = 330
      HIGH = 150
      LEFT = 10
      LINE = 17
      HEAD = 58
      NUMBER = 12
      # Characters of a line beside the drawing.
      WRAPPED = 56
      # Dark is renewed, grey looked over, white goes back as it is.
      FILLS = { "new" => "#333", "look over" => "#bbb", "turn over once" => "#888", "keep" => "#fff" }.freeze

      # @param pump [Core::Catalogue::Variant]
      # @param stacks [Array<String>] stack ids
      # @param snapshot [Core::Catalogue::Snapshot]
      # @return [String]
      def self.call(pump, stacks, snapshot) = new(pump, stacks, snapshot).call

      def initialize(pump, stacks, snapshot)
        @pump = pump
        @snapshot = snapshot
        @stacks = stacks.map { |id| pump.series.stack(id) }
      end

      def call
        top = 0
        body = @stacks.map do |stack|
          text, height = drawn(stack, top)
          top += height
          text
        end
        <<~SVG
          <svg xmlns="http://www.w3.org/2000/svg" width="#{WIDTH}" height="#{top}" viewBox="0 0 #{WIDTH} #{top}" font-family="sans-serif" font-size="13">
          <rect width="#{WIDTH}" height="#{top}" fill="#fff"/>
          #{body.join}</svg>
        SVG
      end

      private

      # @return [Array(String, Numeric)] elements, and how high it is
      def drawn(stack, top)
        layers = stack.layers_of(@pump)
        drawing = Core::Plan::Section.of(stack, @pump, @snapshot)
        scale = [DRAWN / drawing.length_mm, HIGH / (2 * drawing.radius_mm)].min
        axis = top + HEAD + (drawing.radius_mm * scale)
        below = axis + (drawing.radius_mm * scale) + LINE
        lines = layers.each.with_index(1).flat_map { |layer, at| wrapped("#{at}  #{told(layer)}") }
        [[*titles(stack, top, below), *pieces(drawing, layers, axis, scale), *numbers(drawing, top, scale), *named(lines, top + HEAD)].join,
         [below + LINE, top + HEAD + (lines.size * LINE)].max - top + LINE]
      end

      def titles(stack, top, below)
        [text(LEFT, top + 14, stack.name.sub(/\A./, &:upcase), bold: true), text(LEFT, below, "< #{stack.from}"),
         text(LEFT + DRAWN, below, "#{stack.towards} >", anchor: "end")]
      end

      def named(lines, top) = lines.each_with_index.map { |line, at| text(DRAWN + 50, top + (at * LINE), line) }

      def told(layer) = [layer.name, layer.facing].compact.join(": ")

      def wrapped(words)
        first, *rest = words.scan(/\S.{0,#{WRAPPED}}(?=\s|\z)/)
        [first, *rest.map { |line| "     #{line}" }]
      end

      def pieces(drawing, layers, axis, scale)
        drawing.pieces.zip(layers).flat_map do |piece, layer|
          fill = FILLS.fetch(Core::Catalogue::REUSE_RULES.fetch(layer.reuse))
          [1, -1].flat_map { |half| half(piece, fill, axis, scale * half, scale) }
        end
      end

      # In as many rows as keep them from touching.
      def numbers(drawing, top, scale)
        ends = [0, 0, 0]
        middles = drawing.pieces.map { |piece| LEFT + ((piece.x_mm + (piece.width_mm / 2)) * scale) }
        middles.each_with_index.sort.map do |middle, at|
          row = ends.index { |last| middle >= last } || (ends.size - 1)
          ends[row] = middle + (1.5 * NUMBER)
          text(middle, top + HEAD - 4 - (row * NUMBER), at + 1, anchor: "middle")
        end
      end

      def half(piece, fill, axis, upward, scale)
        place = ->(x, y) { [(LEFT + (x * scale)).round(1), (axis - (y * upward)).round(1)] }
        style = "fill=\"#{fill}\" stroke=\"#000\" stroke-width=\"0.7\""
        piece.outlines.map { |points| "<polygon points=\"#{points.map { |x, y| place.call(x, y).join(',') }.join(' ')}\" #{style}/>\n" } +
          piece.circles.map do |x, y, radius|
            place.call(x, y).then do |cx, cy|
              "<circle cx=\"#{cx}\" cy=\"#{cy}\" r=\"#{(radius * scale).round(1)}\" #{style}/>\n"
            end
          end
      end

      def text(left, top, words, anchor: "start", bold: false)
        weight = ' font-weight="bold"' if bold
        "<text x=\"#{left.round(1)}\" y=\"#{top.round(1)}\" text-anchor=\"#{anchor}\"#{weight}>#{CGI.escapeHTML(words.to_s)}</text>\n"
      end
    end
  end
end
