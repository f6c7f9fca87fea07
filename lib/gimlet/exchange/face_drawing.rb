# frozen_string_literal: true

module Gimlet
  module Exchange
    # One side of the pump with its bolts numbered in tightening order, drawn from the same geometry as on screen.
    module FaceDrawing
      module_function

      # @param pdf [Prawn::Document]
      # @param fastener [Hash] one of a plan's `tightening`
      # @param at [Array(Float, Float)] upper left corner, points
      def call(pdf, fastener, at:, width:, height:)
        face = fastener["face"]
        scale = [width / face["width_mm"].to_f, height / face["height_mm"].to_f].min
        place = ->(x, y) { [at[0] + (x * scale), at[1] - ((face["height_mm"] - y) * scale)] }
        pdf.stroke_color "000000"
        pdf.stroke_rectangle(at, face["width_mm"] * scale, face["height_mm"] * scale)
        face["features"].each { |one| pdf.stroke_circle(place.call(one["x_mm"], one["y_mm"]), one["diameter_mm"] * scale / 2) }
        fastener["points"].each { |point| bolt(pdf, place.call(point["x_mm"], point["y_mm"]), point["order"]) }
      end

      def bolt(pdf, centre, number)
        pdf.fill_color "FFFFFF"
        pdf.fill_and_stroke_circle(centre, 7)
        pdf.fill_color "000000"
        pdf.text_box(number.to_s, at: [centre[0] - 7, centre[1] + 4.5], width: 14, height: 10, align: :center, size: 8, style: :bold)
      end
    end
  end
end
