# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  # Putting the manifold back over the plungers.
  module Refit
    # Where the plungers of a pump stand for one turn of its crank.
    #
    #   crank = Crank.new(stroke_mm: 12, rod_mm: 60, cylinders: 3)
    #   crank.out_mm(2, 0) # => 12.0, cylinder 2 at its outermost
    class Crank
      # @param stroke_mm [Numeric]
      # @param rod_mm [Numeric] connecting rod, centre to centre
      # @param cylinders [Integer] throws evenly round the shaft
      def initialize(stroke_mm:, rod_mm:, cylinders:)
        @radius = stroke_mm / 2.0
        @rod = rod_mm.to_f
        @cylinders = cylinders
      end

      # x(θ) = r·cos θ + √(l² − r²·sin² θ), the slider-crank of any mechanics handbook; here less its smallest value, l − r.
      # @param cylinder [Integer] from 1
      # @param turned_deg [Numeric] how far cylinder 1 is past its outermost position
      # @return [Float] mm that the plunger stands out of its innermost position
      def out_mm(cylinder, turned_deg)
        angle = (turned_deg + ((cylinder - 1) * 360.0 / @cylinders)) * Math::PI / 180
        (@radius * Math.cos(angle)) + Math.sqrt((@rod**2) - ((@radius * Math.sin(angle))**2)) - (@rod - @radius)
      end
    end
  end
end
