# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Sizes
    # A slice through a groove and the ring in it, in mm, to be drawn: `free_mm` is the ring's section before it goes in.
    Slice = Value.of(:depth_mm, :width_mm, :gap_mm, :ring_height_mm, :ring_width_mm, :free_mm, :seat)

    # Squeezed to the depth of the groove, with round ends, a ring keeps its area, and fills the groove at most.
    class Slice
      # @param gland [Gland]
      # @param free_mm [Float]
      # @param seated_mm [Float] the section once the ring is stretched
      # @return [Slice]
      def self.of(gland, free_mm, seated_mm)
        height = [seated_mm, gland.depth_mm].min
        width = height + (Math::PI / 4 * ((seated_mm**2) - (height**2)) / height)
        groove = { depth_mm: gland.depth_mm, width_mm: gland.width_mm, gap_mm: gland.gap_mm, seat: gland.seat }
        new(**groove, ring_height_mm: height, ring_width_mm: [width, gland.width_mm].min, free_mm: free_mm)
      end
    end
  end
end
