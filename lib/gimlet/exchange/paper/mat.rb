# frozen_string_literal: true

require_relative "../../core/4_demand/fates"
require_relative "../../core/8_plan/section_shapes"
require_relative "../../core/value"
require_relative "sheet"

module Gimlet
  module Exchange
    module Paper
      # What old pieces are laid down on as they come out: each at true size, in its order and facing, a row for each cylinder. What lies on it in the
      # end can be counted, and what goes back is told from what is new.
      #
      #   File.binwrite("mat.pdf", Mat.call(order))
      class Mat
        MM = 72 / 25.4
        GAP = 5 * MM
        # A cell is wide enough for its words.
        CELL = 26 * MM
        WORDS = 34
        # So long is the line that shows whether the printer kept the size, in mm.
        RULER = 100
        FILL = "DDDDDD"
        # Of orders from before it was kept, and of those that take nothing out.
        NOTHING = "It was not kept with this order which piece comes out where: lay them down by cylinder, as they come."
        UNKNOWN_MM = [0, 14, 8].freeze

        # One piece at one position; `size` is nil where it is not on file.
        Lies = Core::Value.of(:number, :layer, :fate, :size) do
          def known? = !size.nil?
          def inside = (size || UNKNOWN_MM)[0] / 2.0
          def outside = (size || UNKNOWN_MM)[1] / 2.0
          def length = (size || UNKNOWN_MM)[2]
        end

        # @param order [Core::Order]
        # @return [String] the PDF
        def self.call(order, on: Stationery.of) = new(order, on).render

        def initialize(order, on)
          @order = order
          @record = order.record
          @sheet = Sheet.new(Paper.blank("Mat, order #{order.id}", on, page_layout: :landscape))
          @pdf = @sheet.pdf
        end

        # @return [String]
        def render
          head
          places = @record["stacks"].flat_map { |stack| stack["positions"].each_index.map { |at| [stack, at, lying(stack, at)] } }
          places.reject! { |_, _, pieces| pieces.empty? }
          places.each { |place| row(*place) }
          @sheet.line NOTHING if places.empty?
          @pdf.render
        end

        private

        def head
          pump = @record["pump"]
          @sheet.line "Lay the old pieces here", size: 20, style: :bold
          @sheet.line [pump.values_at("maker", "model").join(" "), "order #{@order.id}", @order.customer].compact.join(" · ")
          @sheet.line "Print it at its own size, not “fit to page”: this line is #{RULER} mm long. Each piece is drawn as if cut open."
          y = @pdf.cursor - 4
          @pdf.line_width 1
          @pdf.stroke_line [0, y], [RULER * MM, y]
          [0, RULER * MM].each { |x| @pdf.stroke_line [x, y - 4], [x, y + 4] }
          @pdf.move_down 12
        end

        def row(stack, at, pieces)
          lines(pieces).each_with_index do |line, number|
            tall = line.map { |piece| piece.outside * 2 * MM }.max
            @sheet.room(tall + WORDS + 26)
            title(stack, at) if number.zero?
            line(line, tall)
          end
        end

        def title(stack, at)
          @sheet.line "#{stack['positions'][at]}   left: #{stack['from']} · right: #{stack['towards']}", strong: "#{stack['name']},"
        end

        # @return [Array<Lies>] what comes out there
        def lying(stack, at)
          layers = stack["layers"].each_with_index.map do |layer, place|
            Lies.new(number: place + 1, layer: layer, fate: layer["fates"][at], size: layer["size_mm"])
          end
          layers.select(&:fate)
        end

        # As many beside each other as the paper is wide.
        def lines(pieces)
          pieces.each_with_object([[]]) do |piece, lines|
            lines << [] if lines.last.any? && (lines.last + [piece]).sum { |one| cell(one) } > @sheet.width
            lines.last << piece
          end
        end

        def cell(piece) = (piece.length * MM).clamp(CELL, @sheet.width - GAP) + GAP

        def line(pieces, tall)
          axis = @pdf.cursor - (tall / 2)
          pieces.reduce(0) do |x, piece|
            draw(piece, x, axis)
            words(piece, x, axis - (tall / 2) - 3)
            x + cell(piece)
          end
          @pdf.move_down tall + WORDS + 8
        end

        def draw(piece, x, axis)
          long = [piece.length * MM, @sheet.width - GAP].min
          outlines, circles = Core::Plan::SectionShapes.of(piece.layer["shape"], open_to: piece.layer["opens_to"], x: 0, width: long,
                                                                                 inner: piece.inside * MM, outer: piece.outside * MM)
          @pdf.line_width 0.6
          @pdf.fill_color piece.fate == "replace" ? FILL : "FFFFFF"
          piece.known? ? @pdf.undash : @pdf.dash(2)
          [1, -1].each do |half|
            outlines.each { |points| @pdf.fill_and_stroke_polygon(*points.map { |u, v| [x + u, axis + (half * v)] }) }
            circles.each { |u, v, radius| @pdf.fill_and_stroke_circle([x + u, axis + (half * v)], radius) }
          end
          bore(piece, x, axis, long)
          @pdf.undash
          @pdf.fill_color Sheet::BLACK
        end

        # The edges of the hole behind the cut: the two halves are one piece.
        def bore(piece, x, axis, long)
          @pdf.line_width 0.25
          reach = piece.inside * MM
          [x, x + long].each { |edge| @pdf.stroke_line [edge, axis + reach], [edge, axis - reach] } if reach.positive?
        end

        def words(piece, x, top)
          @pdf.line_width 0.8
          @pdf.stroke_rectangle [x, top], Sheet::BOX, Sheet::BOX
          said = [Core::Fates::KINDS.fetch(piece.fate.to_sym), ("size not on file" unless piece.known?), shortened(piece)].compact.join(", ")
          @pdf.text_box "#{piece.number} #{piece.layer['name']}: #{said}", at: [x + Sheet::BOX + 3, top + 2], width: cell(piece) - Sheet::BOX - 5,
                                                                           height: WORDS, size: 7.5, leading: 0, overflow: :shrink_to_fit
        end

        def shortened(piece) = ("longer than the paper" if piece.length * MM > @sheet.width - GAP)
      end
    end
  end
end
