# frozen_string_literal: true

module Gimlet
  module Core
    module Plan
      # What each shape of a layer looks like when it is cut: shapes of our own, to be read in black and white.
      #
      # Outlines are given in a box: u from 0 at the side that the piece opens to, to 1; v from 0 at the inside to 1 at the outside.
      module SectionShapes
        BOX = [[0, 0], [0, 1], [1, 1], [1, 0]].freeze
        # Shapes that reach to the axis.
        SOLID = %w[poppet plate ball bolt nut pin plug plunger piston valve].freeze
        OUTLINES = {
          "u_seal" => [[[0, 0], [0, 0.26], [0.6, 0.5], [0, 0.74], [0, 1], [1, 1], [1, 0]]],
          "v_ring" => [[[0, 0], [0.42, 0.5], [0, 1], [0.58, 1], [1, 0.5], [0.58, 0]]],
          "lip_seal" => [[[0, 0.82], [0, 1], [1, 1], [1, 0.2], [0.84, 0.2], [0.84, 0.82]],
                         [[0.1, 0], [0.2, 0.4], [0.84, 0.34], [0.84, 0.2], [0.36, 0.22]]],
          "cup" => [[[0, 0.7], [0, 1], [1, 1], [1, 0], [0.66, 0], [0.66, 0.7]]],
          "backup" => [[[0, 0], [0.5, 0], [1, 1], [0, 1]]],
          "seat" => [[[0, 0.5], [0, 1], [1, 1], [1, 0], [0.5, 0]]],
          "poppet" => [[[0, 0], [0, 1], [0.3, 1], [0.55, 0.3], [1, 0.24], [1, 0]]],
          "cage" => [[[0, 0.82], [0, 1], [1, 1], [1, 0.3], [0.86, 0.3], [0.86, 0.82]]],
          "valve" => [[[0, 0.8], [0, 1], [1, 1], [1, 0.45], [0.8, 0.45], [0.8, 0.8]], [[0.55, 0], [0.55, 0.7], [0.7, 0.7], [0.7, 0]],
                      [[0.1, 0], [0.1, 0.2], [0.55, 0.2], [0.55, 0]]],
          "guide" => [[[0, 0.1], [0, 1], [1, 1], [1, 0], [0.2, 0]]],
          "retainer" => [[[0, 0], [0, 0.8], [0.3, 0.8], [0.3, 1], [1, 1], [1, 0]]],
          "case" => [[[0, 0], [0, 0.7], [0.4, 0.7], [0.4, 1], [1, 1], [1, 0]]],
          "bolt" => [[[0, 0], [0, 1], [0.4, 1], [0.4, 0.45], [1, 0.45], [1, 0]]],
          "plug" => [[[0, 0], [0, 0.6], [0.2, 0.6], [0.2, 1], [1, 1], [1, 0]]],
          "piston" => [[[0, 0], [0, 0.6], [0.3, 0.6], [0.3, 1], [0.7, 1], [0.7, 0.6], [1, 0.6], [1, 0]]]
        }.freeze
        # Which way these look matters: they are plain boxes where that is not on file.
        SEALS = %w[u_seal v_ring lip_seal cup].freeze
        DIRECTED = [*SEALS, "seat", "poppet", "cage"].freeze
        WIRES = 4

        module_function

        def solid?(shape) = SOLID.include?(shape)

        # @param open_to [String, nil] "from" (left) or "towards" (right)
        # @return [Array(Array<Array>, Array<Array>)] outlines and circles of the upper half, in mm
        def of(shape, open_to:, x:, width:, inner:, outer:)
          place = lambda do |u, v|
            [(open_to == "towards" ? x + (width * (1 - u)) : x + (width * u)).round(2), (inner + ((outer - inner) * v)).round(2)]
          end
          case shape
          when "oring" then [[], [[(x + (width / 2)).round(2), ((inner + outer) / 2).round(2), ([width, outer - inner].min / 2).round(2)]]]
          when "ball" then [[], [[(x + (width / 2)).round(2), 0, [width / 2, outer].min.round(2)]]]
          when "spring" then [[], wires(x, width, outer)]
          else [outlines(shape, open_to).map { |outline| outline.map { |u, v| place.call(u, v) } }, []]
          end
        end

        def outlines(shape, open_to)
          DIRECTED.include?(shape) && open_to.nil? ? [BOX] : OUTLINES.fetch(shape, [BOX])
        end

        def wires(x, width, outer)
          radius = [width / (WIRES * 3.0), 0.5].max
          Array.new(WIRES) { |at| [(x + (width * (at + 0.5) / WIRES)).round(2), (outer - radius).round(2), radius.round(2)] }
        end
      end
    end
  end
end
