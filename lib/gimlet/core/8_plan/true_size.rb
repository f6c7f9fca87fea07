# frozen_string_literal: true

require_relative "../1_catalogue/shapes"

module Gimlet::Core
  module Plan
    # How large a piece is, where that is on file: what it is laid down on at true size.
    module TrueSize
      module_function

      # @param shape [String, nil] of Catalogue::Shapes
      # @param spec [Hash] of its part
      # @return [Array<Numeric>, nil] inside, outside and height in mm; nil where outside or height are not on file
      def of(shape, spec)
        section = spec["section_mm"]
        outside = spec["od_mm"] || (spec["id_mm"] && section && (spec["id_mm"] + (2 * section)))
        height = section || spec["height_mm"] || spec["length_mm"]
        [inside(shape, spec, outside), outside, height] if outside && height
      end

      def inside(shape, spec, outside)
        return 0 if Catalogue::Shapes.of(shape).solid

        spec["id_mm"] || (spec["section_mm"] ? outside - (2 * spec["section_mm"]) : 0)
      end
    end
  end
end
