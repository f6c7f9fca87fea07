# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Outside
    # Something that is seen of a pump from outside, in mm: a polygon `outline` ([[x, y], ...]) or a `circle` ([x, y, radius]), y upward.
    # `kind` is one of KINDS, `label` what stands beside it, `at` the position that it holds ("cylinder 2"). `guessed` is where the
    # catalogue does not say where it is.
    Mark = Value.of(:kind, :label, :outline, :circle, :at, :guessed) do
      # @return [Array<Array(Numeric, Numeric)>] its furthest points
      def corners
        return outline unless circle

        x, y, radius = circle
        [[x - radius, y - radius], [x + radius, y + radius]]
      end

      def mirrored(axis)
        with(outline: outline&.map { |x, y| [axis - x, y] }, circle: circle && [axis - circle[0], *circle[1..]])
      end

      # @return [Array(Numeric, Numeric)]
      def centre
        return circle.first(2) if circle

        outline.transpose.map { |values| values.minmax.sum / 2.0 }
      end
    end

    # What a mark can be, and its tone: `solid` is the pump itself, `raised` what stands on it, `hole` what goes into it, `dark` what is filled,
    # `hidden` what is behind or inside. Screen, card and documents draw the same tones, in black and white.
    KINDS = {
      "body" => "solid", "head" => "solid", "foot" => "solid", "slab" => "raised", "cap" => "raised", "bolt" => "raised", "drive" => "hole",
      "shaft" => "dark", "bore" => "hole", "sight_glass" => "hole", "plate" => "hole", "oil_cover" => "raised", "filler" => "raised",
      "inlet" => "raised", "outlet" => "raised", "weep_hole" => "hole", "plunger" => "hidden", "holder" => "raised", "pin" => "dark",
      "ceramic" => "hole", "metal" => "dark", "seal" => "dark", "wire" => "raised", "valve" => "hidden", "plug" => "raised", "port" => "raised"
    }.freeze

    # One side of a pump, or one thing of it; `name` in words. Marks further down the list lie in front.
    View = Value.of(:id, :name, :marks) do
      # @return [Array(Numeric, Numeric, Numeric, Numeric)] left, bottom, width, height, mm
      def box
        xs, ys = marks.flat_map(&:corners).transpose
        [xs.min, ys.min, xs.max - xs.min, ys.max - ys.min]
      end

      # @return [Array<Mark>]
      def of(*kinds) = marks.select { |mark| kinds.include?(mark.kind) }
    end
  end
end
