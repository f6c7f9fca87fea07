# frozen_string_literal: true

module Gimlet
  module Exchange
    module Paper
      # How far each plunger stands out of the crankcase, to scale; those that enter first are black.
      module CrankDrawing
        BAR = 18
        GAP = 8
        HIGH = 3 * (BAR + GAP)
        CASE = 80
        SHORTEST = 12
        REACH = 180

        module_function

        # @param refit [Hash] of a record
        def call(pdf, refit, width:)
          pdf.move_down 4
          top = pdf.cursor
          pdf.stroke_rectangle([0, top], CASE, HIGH)
          pdf.text_box("crankcase", at: [6, top - (HIGH / 2) + 6], width: CASE, height: 14, size: 10)
          refit["plungers"].each_with_index { |one, at| plunger(pdf, one, refit["stroke_mm"], top - (GAP / 2) - (at * (BAR + GAP)), width) }
          pdf.move_cursor_to(top - HIGH - 4)
        end

        def plunger(pdf, plunger, stroke, top, width)
          out = SHORTEST + (plunger["out_mm"] / stroke.to_f * REACH)
          pdf.fill_color plunger["first"] ? "000000" : "FFFFFF"
          pdf.fill_and_stroke_rectangle([CASE, top], out, BAR)
          pdf.fill_color "000000"
          told = "plunger #{plunger['cylinder']}: #{plunger['out_mm']} mm out#{', enters first' if plunger['first']}"
          left = CASE + out + 8
          pdf.text_box(told, at: [left, top - 4], width: width - left, height: 14, size: 11, style: plunger["first"] ? :bold : :normal)
        end
      end
    end
  end
end
