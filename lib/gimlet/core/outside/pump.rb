# frozen_string_literal: true

require_relative "figures"
require_relative "frame"
require_relative "mark"
require_relative "on_face"
require_relative "shaft_end"
require_relative "spots"

module Gimlet::Core
  # A pump from outside, drawn to scale from what is on file: what the eye can tell it by. One set of marks for screen, card and documents.
  #
  #   Outside::Pump.new(variant).views.map(&:id) # => ["front", "side", "top"]
  #   Outside::Pump.new(variant).view("front").of("bolt").size # => 8
  module Outside
    # The sides of one pump.
    class Pump
      NAMES = { "front" => "from the front", "side" => "from the side", "top" => "from above" }.freeze
      FOOT = 0.16
      CUT = 0.08
      # A shaft sticks out so far, beside its thickness.
      SHAFT_OUT = 1.3

      # @param pump [Catalogue::Variant]
      def initialize(pump)
        @pump = pump
        @frame = Frame.new(pump)
        @spots = Spots.new(@frame)
        @faces = %w[front top below rear].to_h { |side| [side, OnFace.new(@frame, side)] }
      end

      # @return [Array<View>]
      def views = NAMES.keys.map { |id| view(id) }

      # @param id [String] one of NAMES
      # @return [View]
      def view(id)
        marks = { "front" => :front, "side" => :side, "top" => :top }.fetch(id).then { |side| send(side) }
        View.new(id: id, name: "#{NAMES.fetch(id)}#{", the shaft's" if id == 'side' && shaft}", marks: marks.compact)
      end

      private

      def shaft = @frame.crankcase? ? @pump.trait("shaft_side") : nil
      def head = @frame.head
      def body = @frame.body

      def front
        width, height, = head
        [*behind, *@spots.behind_head, shaft_from_front, *lifted(@faces["top"].profile, 0, height), *turned(@faces["below"].profile, 0),
         Mark.new(kind: "head", outline: Figures.box(0, 0, width, height)), *@faces["front"].plan, *@spots.on("front")]
      end

      # What of the body is seen round the head.
      def behind
        return [] unless @frame.crankcase?

        [*feet(@frame.body_left, body[0]),
         Mark.new(kind: "body", outline: Figures.cut_box(@frame.body_left, @frame.body_bottom, body[0], body[1], body[1] * CUT))]
      end

      def feet(left, width)
        return [] unless @frame.feet?

        high = body[1] * FOOT
        [left + (width * 0.06), left + (width * 0.7)].map do |from|
          Mark.new(kind: "foot", outline: Figures.box(from, @frame.body_bottom - (high / 2), width * 0.24, high))
        end
      end

      def shaft_from_front
        side = shaft or return
        thick = @pump.trait("shaft_mm") || (body[1] * 0.2)
        hollow = @pump.trait("shaft_kind") == "hollow"
        long = thick * (hollow ? 0.4 : SHAFT_OUT)
        left = side == "left" ? @frame.body_left - long : @frame.body_left + body[0]
        wide = hollow ? thick * 1.6 : thick
        Mark.new(kind: "shaft", label: "shaft", outline: Figures.box(left, @frame.shaft_height - (wide / 2.0), long, wide))
      end

      # Looked at from the side that the shaft is on, with the head on the left; from the other side it is turned.
      def side
        marks = [*side_of_body, *side_of_heads, *@spots.on("side")].compact
        shaft == "left" ? marks.map { |mark| mark.mirrored(@frame.depth) } : marks
      end

      def side_of_body
        return [] if @frame.form == Frame::BLOCK

        from = head[2]
        [*feet(from, body[2]), Mark.new(kind: "body", outline: Figures.cut_box(from, @frame.body_bottom, body[2], body[1], body[1] * CUT)),
         *shaft_end(@frame.shaft_depth, @frame.shaft_height)]
      end

      def shaft_end(x, y)
        return [] unless shaft

        ShaftEnd.marks(@pump, x, y)
      end

      def side_of_heads
        starts = @frame.barrel? ? [0, head[2] + body[2]] : [0]
        starts.flat_map { |from| [Mark.new(kind: "head", outline: Figures.box(from, 0, head[2], head[1])), *edges(from)] } + fronts
      end

      # What stands out above and below.
      def edges(from)
        lifted(@faces["top"].profile(along: :y), from, head[1]) + turned(@faces["below"].profile(along: :y), 0, from)
      end

      # What stands out in front, and at the rear or the other end.
      def fronts
        out = @faces["front"].profile(along: :y)
        rear = @frame.barrel? ? out : @faces["rear"].profile(along: :y)
        out.map { |mark| mark.with(outline: mark.outline.map { |x, y| [-y, x] }) } +
          rear.map { |mark| mark.with(outline: mark.outline.map { |x, y| [rear_at + y, x] }) }
      end

      # A rear face without a crankcase before it is the head's own.
      def rear_at = @frame.barrel? ? @frame.depth : head[2]

      def top
        [*top_of_body, Mark.new(kind: "head", outline: Figures.box(0, 0, head[0], head[2])), *other_head, top_slab, *@faces["top"].plan,
         *turned(@faces["front"].profile, 0), *@spots.on("top")]
      end

      def top_of_body
        return [] if @frame.form == Frame::BLOCK

        left = @frame.body_left
        [shaft_from_above, Mark.new(kind: "body", outline: Figures.cut_box(left, head[2], body[0], body[2], body[0] * CUT))]
      end

      def shaft_from_above
        mark = shaft_from_front or return
        down = @frame.shaft_depth - @frame.shaft_height
        mark.with(outline: mark.outline.map { |x, y| [x, y + down] })
      end

      def other_head
        [(Mark.new(kind: "head", outline: Figures.box(0, head[2] + body[2], head[0], head[2])) if @frame.barrel?)]
      end

      def top_slab
        Mark.new(kind: "slab", outline: Figures.box(0, 0, head[0], head[2])) if @faces["top"].covered?
      end

      def lifted(marks, right, upward) = marks.map { |mark| mark.with(outline: mark.outline.map { |x, y| [x + right, y + upward] }) }

      # What hangs down, or looks to the front.
      def turned(marks, from, right = 0) = marks.map { |mark| mark.with(outline: mark.outline.map { |x, y| [x + right, from - y] }) }
    end
  end
end
