# frozen_string_literal: true

require_relative "../1_catalogue/shapes"

module Gimlet::Core
  module Plan
    # What each shape of a layer looks like when it is cut, set in its place.
    module SectionShapes
      WIRES = 4

      module_function

      # @param id [String, nil] of a shape
      # @param open_to [String, nil] "from" (left) or "towards" (right)
      # @return [Array(Array<Array>, Array<Array>)] outlines and circles of the upper half, in mm
      def of(id, open_to:, x:, width:, inner:, outer:)
        place = lambda do |u, v|
          [(open_to == "towards" ? x + (width * (1 - u)) : x + (width * u)).round(2), (inner + ((outer - inner) * v)).round(2)]
        end
        shape = Catalogue::Shapes.of(id)
        case shape.drawn
        when :wire then [[], [[(x + (width / 2)).round(2), ((inner + outer) / 2).round(2), ([width, outer - inner].min / 2).round(2)]]]
        when :ball then [[], [[(x + (width / 2)).round(2), 0, [width / 2, outer].min.round(2)]]]
        when :wires then [[], wires(x, width, outer)]
        else [outlines(shape, open_to).map { |outline| outline.map { |u, v| place.call(u, v) } }, []]
        end
      end

      def outlines(shape, open_to) = shape.directed && open_to.nil? ? shape.untold : shape.outlines

      def wires(x, width, outer)
        radius = [width / (WIRES * 3.0), 0.5].max
        Array.new(WIRES) { |at| [(x + (width * (at + 0.5) / WIRES)).round(2), (outer - radius).round(2), radius.round(2)] }
      end
    end
  end
end
