# frozen_string_literal: true

module Gimlet
  module Exchange
    module Paper
      # One side of the pump with its bolts numbered in tightening order, drawn from the same geometry as on screen.
      module FaceDrawing
        LEAST = 4
        MOST = 9

        module_function

        # @param pdf [Prawn::Document]
        # @param fastener [Hash] one of a plan's `tightening`
        # @param at [Array(Float, Float)] upper left corner, points
        def call(pdf, fastener, at:, width:, height:)
          face = fastener["face"]
          scale = [width / face["width_mm"].to_f, height / face["height_mm"].to_f].min
          place = ->(one) { [at[0] + (one["x_mm"] * scale), at[1] - ((face["height_mm"] - one["y_mm"]) * scale)] }
          pdf.stroke_color "000000"
          pdf.stroke_rectangle(at, face["width_mm"] * scale, face["height_mm"] * scale)
          face["features"].each { |feature| pdf.stroke_circle(place.call(feature), feature["diameter_mm"] * scale / 2) }
          bolts(pdf, fastener["points"].map { |point| [place.call(point), point["order"]] })
        end

        def bolts(pdf, placed)
          size = radius(placed.map { |place, _| Complex(*place) }.uniq)
          placed.each { |place, number| bolt(pdf, place, number, size) }
        end

        # As large as the nearest two allow.
        def radius(places)
          apart = places.combination(2).map { |one, two| (one - two).abs }.min || MOST
          ((apart / 2) - 0.5).clamp(LEAST, MOST)
        end

        def bolt(pdf, centre, number, radius)
          pdf.fill_color "FFFFFF"
          pdf.fill_and_stroke_circle(centre, radius)
          pdf.fill_color "000000"
          size = radius * 1.2
          box = { at: [centre[0] - radius, centre[1] + (size * 0.56)], width: 2 * radius, height: size * 1.4 }
          pdf.text_box(number.to_s, **box, align: :center, size: size, style: :bold)
        end
      end
    end
  end
end
