# frozen_string_literal: true

require_relative "blank"

module Gimlet
  module Exchange
    module Paper
      # What a card is set with: headings, lines, boxes to tick. Sizes in points, to be read at arm's length. No text is read as markup.
      #
      #   sheet.heading("Tools")
      #   sheet.tick("hex 6", "head bolts")
      class Sheet
        BODY = 11
        SMALL = 9.5
        BIG = 14
        BOX = 9
        INDENT = 16
        # How far below the top of a line its letters stand, as a share of their size.
        BASELINE = 0.95
        RULE = "777777"
        BLACK = "000000"
        # A heading is not left alone at the foot of a page: so much below it belongs to it.
        ROOM = 90

        attr_reader :pdf, :density

        # @param pdf [Prawn::Document]
        # @param density [Float] what drawings are made smaller by, so that no page is left with a few lines
        def initialize(pdf, density: 1.0)
          @pdf = pdf
          @density = density
          @filled = []
          @pdf.font_size BODY
          @pdf.default_leading 1.5
          @pdf.stroke_color BLACK
        end

        def width = @pdf.bounds.width

        def heading(name, with: ROOM)
          @pdf.move_down 8
          room(with)
          @pdf.text name, style: :bold, size: BIG
          @pdf.stroke_horizontal_rule
          @pdf.move_down 4
        end

        # Dangers that stand, ahead of all else, with what is done first. Framed, as colour is not printed.
        # @param stops [Array<Hash>] of an order's record
        def stops(stops)
          return if stops.empty?

          @pdf.move_down 4
          top = @pdf.cursor
          @pdf.indent(INDENT / 2, INDENT / 2) { stops.each { |stop| stop(stop) } }
          @pdf.line_width(2)
          @pdf.stroke_rectangle([0, top + 3], width, top - @pdf.cursor + 8)
          @pdf.line_width(1)
          @pdf.move_down 12
        end

        # A new page unless so much is left of this one.
        def room(height)
          return unless @pdf.cursor < [height, @pdf.bounds.height].min

          @filled << filled
          @pdf.start_new_page
        end

        # @return [Float] of its emptiest page, how much is written on, as a share
        def emptiest = [*@filled, filled].min

        # @return [Float] of the page that is being written
        def filled = 1 - (@pdf.cursor / @pdf.bounds.height)

        # @param strong [String, nil] set before the text in bold
        def line(text, strong: nil, size: BODY, style: :normal)
          @pdf.formatted_text(fragments(text, strong, style), size: size)
        end

        def bullet(text, size: BODY, **style)
          room(@pdf.height_of(text, width: width - INDENT, size: size) + 2)
          @pdf.draw_text "–", at: [0, @pdf.cursor - (size * BASELINE)], size: size
          @pdf.indent(INDENT) { line(text, size: size, **style) }
        end

        # A box to tick before a line.
        # @return [Float] points that a ticked text takes
        def high(text, strong: nil, size: BODY) = @pdf.height_of_formatted(fragments(text, strong, :normal), size: size, width: width - INDENT) + 2

        def tick(text, strong: nil, size: BODY)
          room(high(text, strong: strong, size: size))
          box(0, @pdf.cursor - 1)
          @pdf.indent(INDENT) { line(text, strong: strong, size: size) }
        end

        # Several boxes in one line, each with what it is for.
        # @param places [Array<String>]
        def ticks(places)
          room(BODY * 2)
          row = places.each_with_object([[]]) { |place, rows| (reaches?(rows.last + [place]) ? rows.last : (rows << []).last) << place }
          row.each { |some| boxes(some) }
        end

        # @param rows [Array<Array>] the first is the head
        # @param widths [Array<Numeric, nil>] nil takes what is left
        def table(rows, widths)
          columns = widths.map { |one| one || (width - widths.compact.sum) }
          @pdf.table(rows, header: true, column_widths: columns,
                           cell_style: { size: BODY, padding: [2, 5, 3, 5], border_color: RULE, border_width: 0.5 }) { row(0).font_style = :bold }
        end

        private

        def stop(stop)
          line "STOP: #{stop['sure'] ? stop['name'] : stop['ask']}", size: BIG, style: :bold
          line stop["why"]
          stop["first"].each_with_index { |text, at| line text, strong: "#{at + 1}." }
          line "#{stop['lifted']}.", strong: "Goes on only when", size: SMALL
          line "#{stop['told']['words']} (#{stop['told']['who']})", strong: "The caller was told:", size: SMALL if stop["told"]
        end

        def fragments(text, strong, style)
          [({ text: "#{strong} ", styles: [:bold] } if strong), { text: text.to_s, styles: style == :bold ? [:bold] : [] }].compact
        end

        def box(left, top)
          @pdf.line_width(0.8)
          @pdf.stroke_rectangle([left, top], BOX, BOX)
          @pdf.line_width(1)
        end

        def measure(text) = INDENT + @pdf.width_of(text, size: BODY) + 14
        def reaches?(places) = places.sum { |place| measure(place) } <= @pdf.bounds.width

        def boxes(places)
          top = @pdf.cursor
          places.reduce(@pdf.bounds.left) do |left, place|
            box(left - @pdf.bounds.left, top - 1)
            @pdf.draw_text place, at: [left - @pdf.bounds.left + INDENT, top - (BODY * BASELINE)], size: BODY
            left + measure(place)
          end
          @pdf.move_down BODY + 5
        end
      end
    end
  end
end
