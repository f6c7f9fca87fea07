# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  module Outside
    # Polygons, in mm.
    module Figures
      module_function

      def box(left, bottom, width, height)
        [[left, bottom], [left, bottom + height], [left + width, bottom + height], [left + width, bottom]]
      end

      # A box with its corners cut.
      def cut_box(left, bottom, width, height, cut)
        right, top = left + width, bottom + height
        [[left + cut, bottom], [left, bottom + cut], [left, top - cut], [left + cut, top], [right - cut, top], [right, top - cut],
         [right, bottom + cut], [right - cut, bottom]]
      end

      # @param across [Numeric] flats
      def hexagon(x, y, across) = regular(x, y, across / Math.sqrt(3), 6)

      def regular(x, y, radius, sides)
        Array.new(sides) { |at| (2 * Math::PI * at / sides).then { |angle| [x + (radius * Math.cos(angle)), y + (radius * Math.sin(angle))] } }
      end
    end
  end
end
