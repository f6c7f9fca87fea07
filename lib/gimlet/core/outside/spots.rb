# frozen_string_literal: true

require_relative "figures"
require_relative "mark"

module Gimlet::Core
  module Outside
    # Glass, plate, ports and what else may sit somewhere: where the catalogue says, else where it usually is, marked as guessed.
    # What is usual: common practice, no source.
    class Spots
      # Seen from straight ahead; with a height it is seen from its edge.
      ROUND = %w[sight_glass inlet outlet weep_hole filler port].freeze
      # Of the body's height.
      GLASS = 0.15
      # What a thread measures outside, beside its name in inches.
      PORT_WIDER_MM = 8
      INCH = 25.4

      # @param frame [Frame]
      def initialize(frame)
        @frame = frame
      end

      # @param view [String]
      # @return [Array<Mark>]
      def on(view)
        told = @frame.told(view).map { |spot| mark(spot.what, spot.x_mm, spot.y_mm, spot.width_mm, spot.height_mm) }
        known = %w[front side top].flat_map { |one| @frame.told(one).map(&:what) }
        told + usual(view).reject { |mark| known.include?(mark.kind) }
      end

      # @return [Array<Mark>] what the head hides in part
      def behind_head = @frame.barrel? ? [] : ports

      private

      def mark(kind, x, y, width, height, guessed: nil)
        round = ROUND.include?(kind) && height.nil?
        tall = height || width
        shape = round ? { circle: [x, y, width / 2.0] } : { outline: Figures.box(x - (width / 2.0), y - (tall / 2.0), width, tall) }
        Mark.new(kind: kind, label: kind.tr("_", " "), guessed: guessed, **shape)
      end

      def usual(view) = { "front" => [glass_in_front], "side" => side, "top" => top }.fetch(view).compact

      def pump = @frame.pump
      def glass = pump.trait("sight_glass")
      def wide = @frame.body[1] * GLASS

      # Below the head, where the crankcase shows.
      def glass_in_front
        mark("sight_glass", @frame.head[0] * 0.5, @frame.body_bottom + (wide * 0.7), wide, nil, guessed: true) if glass == "front"
      end

      def side
        return [] unless @frame.crankcase?

        low = @frame.body_bottom + (@frame.body[1] * 0.3)
        { "side" => [mark("sight_glass", @frame.head[2] + (@frame.body[2] * 0.3), low, wide, nil, guessed: true)], "rear" => at_the_rear(low),
          "front" => [bump(@frame.head[2] - (wide * 0.25), @frame.body_bottom + (wide * 0.7))] }.fetch(glass, [])
      end

      # In a cover that is bolted on.
      def at_the_rear(low)
        rear = @frame.depth
        [mark("oil_cover", rear + (wide * 0.2), low + (wide * 0.6), wide * 0.4, wide * 2.6, guessed: true), bump(rear + (wide * 0.65), low)]
      end

      # A glass from its edge.
      def bump(x, y)
        Mark.new(kind: "sight_glass", label: "sight glass", outline: Figures.box(x - (wide * 0.25), y - (wide / 2), wide * 0.5, wide),
                 guessed: true)
      end

      def top
        width, _, depth = @frame.body
        return [plate_on_head] unless @frame.crankcase?

        middle = @frame.head[2] + (depth * 0.55)
        [mark("plate", @frame.body_left + (width * 0.5), middle, width * 0.34, depth * 0.2, guessed: true),
         mark("filler", @frame.body_left + (width * 0.82), @frame.head[2] + (depth * 0.85), width * 0.1, nil, guessed: true)]
      end

      def plate_on_head
        mark("plate", @frame.head[0] / 2.0, @frame.depth / 2.0, @frame.head[0] * 0.3, @frame.head[0] * 0.15, guessed: true)
      end

      # Beside the head: the inlet low on the left, the outlet high on the right.
      def ports
        [port("inlet", pump.trait("inlet_port"), 0.28, :left),
         port("outlet", pump.trait("outlet_port") || pump.trait("inlet_port"), 0.74, :right)].compact
      end

      def port(kind, thread, height, side)
        return if thread.nil? || %w[front side top].any? { |view| @frame.told(view).any? { |spot| spot.what == kind } }

        thick = diameter(thread)
        long = thick * 0.6
        left = side == :left ? -long : @frame.head[0]
        Mark.new(kind: kind, label: kind, guessed: true, outline: Figures.box(left, (@frame.head[1] * height) - (thick / 2.0), long, thick))
      end

      # "G 1 1/4" is called for a bore of so many inches.
      def diameter(thread)
        inches = thread.to_s.scan(%r{\d+/\d+|\d+(?!/)}).sum { |figure| Rational(figure) }
        ((inches.zero? ? Rational(1, 2) : inches) * INCH) + PORT_WIDER_MM
      end
    end
  end
end
