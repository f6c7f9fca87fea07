# frozen_string_literal: true

module Gimlet
  module Exchange
    module Paper
      # The pump from outside on paper: its sides beside each other, to one scale, from the same marks as on screen.
      module OutsideDrawing
        HIGH = 92
        GAP = 18
        WORDS = 8.5
        FILLS = { "solid" => "EEEEEE", "raised" => "FFFFFF", "hole" => "FFFFFF", "dark" => "444444" }.freeze

        module_function

        # @param sheet [Sheet]
        # @param views [Array<Hash>] of a record's `outside`
        def call(sheet, views)
          high = HIGH * sheet.density
          sheet.room(high + 24)
          pdf = sheet.pdf
          scale = [high / views.map { |view| view["box"][3] }.max.to_f,
                   (sheet.width - (GAP * views.size)) / views.sum { |view| view["box"][2] }].min
          top, left = pdf.cursor - 6, 0
          views.each do |view|
            side(pdf, view, left, top, scale)
            left += (view["box"][2] * scale) + GAP
          end
          pdf.move_cursor_to(top - (views.map { |view| view["box"][3] }.max * scale) - 16)
        end

        def side(pdf, view, left, top, scale)
          x, y, _, height = view["box"]
          place = ->(u, v) { [left + ((u - x) * scale), top - ((height - (v - y)) * scale)] }
          pdf.line_width 0.6
          view["marks"].each { |mark| drawn(pdf, mark, place, scale) }
          pdf.undash
          pdf.fill_color "000000"
          pdf.draw_text(view["name"], at: [left, top - (height * scale) - 10], size: WORDS)
        end

        def drawn(pdf, mark, place, scale)
          mark["guessed"] || mark["tone"] == "hidden" ? pdf.dash(2) : pdf.undash
          pdf.stroke_color "000000"
          fill = FILLS[mark["tone"]]
          pdf.fill_color(fill) if fill
          paint = fill ? :fill_and_stroke : :stroke
          pdf.public_send(paint) { outline(pdf, mark, place, scale) }
        end

        def outline(pdf, mark, place, scale)
          return pdf.polygon(*mark["outline"].map { |u, v| place.call(u, v) }) unless mark["circle"]

          u, v, radius = mark["circle"]
          pdf.circle(place.call(u, v), radius * scale)
        end
      end
    end
  end
end
