# frozen_string_literal: true

require_relative "figures"
require_relative "mark"

module Gimlet::Core
  module Outside
    # What sits on one face of the pump, seen from straight ahead (`plan`) and from its edge (`profile`).
    class OnFace
      # Beside its thread, the head of a screw; what stands out of the face, beside its width: common practice, no source.
      HEAD = 1.6
      BOLT_HIGH = 0.6
      CAP_HIGH = 0.5
      # Of a plate or cover under bolts.
      SLAB_MM = 0.09
      USUAL_THREAD = 6

      # @param frame [Frame]
      # @param side [String]
      def initialize(frame, side)
        @frame = frame
        @face = frame.face(side)
        @fasteners = frame.fasteners(@face)
      end

      def any? = !@face.nil?

      # @return [Array<Mark>] the face's own x and y
      def plan
        return [] unless @face

        features.flat_map { |feature| feature_plan(feature) } + bolts.flat_map do |point, fastener|
          screw(point.x_mm, point.y_mm, fastener, point.at)
        end
      end

      # Seen along one of its sides: x is kept, or y where `along` is :y. Outward is upward.
      # @return [Array<Mark>]
      def profile(along: :x, base: 0)
        return [] unless @face

        [*slab(along, base), *caps(along, base + slab_high), *heads(along, base + slab_high)].uniq { |mark| mark.outline.first(2) }
      end

      # @return [Numeric] how high the plate under its bolts is, 0 where it is the head itself
      def slab_high = covered? ? (SLAB_MM * @face.width_mm) : 0

      # @return [Boolean] whether bolts hold a plate or cover on this side
      def covered? = any? && !@face.sides.include?("front") && bolts.any?

      private

      def features = @face.features || []

      # Bolts that hold the face on: those with an order, not the single ones inside it.
      def bolts = @fasteners.reject { |fastener| fastener.pattern == :each }.flat_map { |one| one.points.map { |point| [point, one] } }

      def feature_plan((kind, label, x, y, diameter, *))
        point, fastener = single(x, y)
        at = point&.at || held(kind, label)
        return keyed(Mark.new(kind: kind, label: label, at: at), x, y, diameter, fastener&.drive) if %w[cap plug].include?(kind)

        [Mark.new(kind: kind, label: label, circle: [x, y, diameter / 2.0], at: at)]
      end

      # @return [Array(Catalogue::Point, Catalogue::Fastener), nil] what holds one thing by itself, there
      def single(x, y)
        @fasteners.select { |one| one.pattern == :each }.flat_map { |one| one.points.map { |point| [point, one] } }
                  .find { |point, _| point.x_mm == x && point.y_mm == y }
      end

      # A plunger that nothing holds has its place all the same.
      def held(kind, label)
        place = "cylinder #{label}"
        [place] if kind == "plunger" && @frame.pump.series.stacks.any? { |stack| stack.positions.include?(place) }
      end

      def screw(x, y, fastener, at)
        keyed(Mark.new(kind: "bolt", at: at), x, y, HEAD * thread(fastener), fastener.drive)
      end

      def thread(fastener) = fastener.thread&.fetch("diameter_mm") || USUAL_THREAD

      # A hex key goes into a round head; a socket round a head of six sides.
      def keyed(mark, x, y, width, drive)
        return [mark.with(outline: Figures.hexagon(x, y, width * 0.9))] unless drive.to_s.start_with?("hex")

        [mark.with(circle: [x, y, width / 2.0]), Mark.new(kind: "drive", outline: Figures.hexagon(x, y, width * 0.5), at: mark.at)]
      end

      def slab(along, base)
        return [] unless covered?

        [Mark.new(kind: "slab", outline: Figures.box(0, base, along == :x ? @face.width_mm : @face.height_mm, slab_high))]
      end

      def caps(along, base)
        features.select { |kind, *| %w[cap plug].include?(kind) }.map do |kind, label, x, y, diameter, high|
          middle = along == :x ? x : y
          Mark.new(kind: kind, label: label, at: single(x, y)&.first&.at,
                   outline: Figures.box(middle - (diameter / 2.0), base, diameter, high || (CAP_HIGH * diameter)))
        end
      end

      def heads(along, base)
        bolts.map do |point, fastener|
          wide = HEAD * thread(fastener)
          middle = along == :x ? point.x_mm : point.y_mm
          Mark.new(kind: "bolt", outline: Figures.box(middle - (wide / 2.0), base, wide, BOLT_HIGH * wide))
        end
      end
    end
  end
end
