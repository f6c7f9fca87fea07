# frozen_string_literal: true

require_relative "figures"
require_relative "mark"

module Gimlet::Core
  module Outside
    # A shaft from its end: solid with a key, or a ring round its bore.
    module ShaftEnd
      USUAL_MM = 24
      RING = 1.6
      KEY = 0.25

      module_function

      # @param pump [Catalogue::Variant]
      # @return [Array<Mark>] round this point
      def marks(pump, x, y)
        radius = (pump.trait("shaft_mm") || USUAL_MM) / 2.0
        return solid(x, y, radius) unless pump.trait("shaft_kind") == "hollow"

        [Mark.new(kind: "shaft", label: "hollow shaft", circle: [x, y, radius * RING]), Mark.new(kind: "bore", circle: [x, y, radius])]
      end

      def solid(x, y, radius)
        key = radius * KEY
        [Mark.new(kind: "shaft", label: "shaft", circle: [x, y, radius]),
         Mark.new(kind: "bore", outline: Figures.box(x - key, y + radius - (2 * key), 2 * key, 2 * key))]
      end
    end
  end
end
