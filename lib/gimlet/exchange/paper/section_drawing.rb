# frozen_string_literal: true

module Gimlet
  module Exchange
    module Paper
      # A stack cut along its axis, its pieces numbered, drawn from the same geometry as on screen.
      module SectionDrawing
        NUMBER = 7.5
        ROWS = 3
        NUMBERS = NUMBER * ROWS
        APART = 9
        FILLS = { "replace" => "333333", "inspect" => "BBBBBB", "turn" => "888888", "rework" => "DDDDDD", "clean" => "DDDDDD" }.freeze

        module_function

        # @param pdf [Prawn::Document]
        # @param stack [Hash] one of a record's `stacks`, with its drawing
        # @param at [Array(Float, Float)] upper left corner, points
        # @param fills [Hash{String=>String}, nil] what a piece is drawn with => its shade, where no list of its pieces stands beside it
        def call(pdf, stack, at:, width:, height:, fills: nil)
          drawing = stack["drawing"]
          scale = scale(drawing, width, height)
          axis = at[1] - NUMBERS - (drawing["radius_mm"] * scale)
          place = ->(x, y) { [at[0] + (x * scale), axis + (y * scale)] }
          pdf.line_width(0.5)
          pdf.stroke_color "000000"
          drawing["pieces"].zip(stack["layers"]).each do |piece, layer|
            piece(pdf, piece, (fills || FILLS).fetch(layer["drawn"], "FFFFFF"), place, scale)
          end
          numbers(pdf, drawing["pieces"], at, scale) unless fills
          pdf.fill_color "000000"
        end

        # @return [Float] points that it takes of a box so wide and high
        def height(stack, width, height)
          drawing = stack["drawing"]
          (2 * drawing["radius_mm"] * scale(drawing, width, height)) + NUMBERS
        end

        # @return [Float] points that it takes across
        def width(stack, width, height) = stack["drawing"]["length_mm"] * scale(stack["drawing"], width, height)

        def scale(drawing, width, height) = [width / drawing["length_mm"], (height - NUMBERS) / (2 * drawing["radius_mm"])].min

        def piece(pdf, piece, colour, place, scale)
          [1, -1].each do |half|
            pdf.fill_color colour
            piece["outlines"].each { |points| pdf.fill_and_stroke_polygon(*points.map { |x, y| place.call(x, half * y) }) }
            piece["circles"].each { |x, y, radius| pdf.fill_and_stroke_circle(place.call(x, half * y), [radius * scale, 0.8].max) }
          end
        end

        # In as many rows as keep them from touching.
        def numbers(pdf, pieces, at, scale)
          pdf.fill_color "000000"
          ends = [0] * ROWS
          middles = pieces.map { |piece| (piece["x_mm"] + (piece["width_mm"] / 2)) * scale }
          middles.each_with_index.sort.each do |x, index|
            row = ends.index { |last| x >= last } || (ROWS - 1)
            ends[row] = x + APART
            pdf.text_box((index + 1).to_s, at: [at[0] + x - 10, at[1] + 5 - (row * NUMBER)], width: 20, height: 14, align: :center, size: NUMBER)
          end
        end
      end
    end
  end
end
