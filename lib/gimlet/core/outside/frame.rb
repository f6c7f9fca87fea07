# frozen_string_literal: true

require_relative "../1_catalogue/outline"
require_relative "../1_catalogue/series"

module Gimlet::Core
  module Outside
    # How large head and body of a pump are, in mm: from the catalogue, else what is usual beside what it says. The usual is common practice, no
    # source: it only has to look like the pump.
    class Frame
      CRANKCASE = "crankcase"
      BARREL = "barrel"
      BLOCK = "block"
      # Of the head's width and height.
      BODY_WIDER = 1.12
      BODY_HIGHER = 1.24
      # A connecting rod beside its stroke, and the room that the crank takes.
      ROD_STROKES = 4.8
      CRANK_STROKES = 2.5
      # Of the head's height.
      USUAL_DEPTH = 0.45
      # Of its width, a valve by itself.
      BLOCK_HEIGHT = 1.8

      attr_reader :pump

      # @param pump [Catalogue::Variant]
      def initialize(pump)
        @pump = pump
        @series = pump.series
        @outline = @series.outside
      end

      def form
        @outline.form || if @series.item != "pump" then BLOCK
                         elsif @pump.traits.keys.intersect?(%w[shaft_mm shaft_kind shaft_side]) then CRANKCASE
                         else BARREL
                         end
      end

      def crankcase? = form == CRANKCASE
      def barrel? = form == BARREL

      # @return [Catalogue::Face, nil] the first that looks to this side
      def face(side) = @series.faces.find { |face| face.sides.include?(side) }

      # @return [Array(Numeric, Numeric, Numeric)] width, height, depth
      def head
        @head ||= @outline.head_mm || begin
          front, flat = face("front"), face("top") || face("below")
          width = (front || flat)&.width_mm || 100
          height = front&.height_mm || (width * BLOCK_HEIGHT)
          [width, height, flat&.height_mm || (height * USUAL_DEPTH)]
        end
      end

      # @return [Array(Numeric, Numeric, Numeric)]
      def body
        @body ||= @outline.body_mm || [head[0] * BODY_WIDER, head[1] * BODY_HIGHER, usual_depth]
      end

      # @return [Numeric] of everything, front to rear
      def depth = { CRANKCASE => head[2] + body[2], BARREL => (2 * head[2]) + body[2], BLOCK => head[2] }.fetch(form)

      # @return [Numeric] where the body's left edge and its lower edge lie, beside the head's lower left corner
      def body_left = (head[0] - body[0]) / 2.0
      def body_bottom = crankcase? ? head[1] - body[1] : (head[1] - body[1]) / 2.0

      # @return [Numeric] of the shaft, above the head's lower edge
      def shaft_height = body_bottom + (body[1] * 0.52)
      # @return [Numeric] of the shaft, behind the head's front
      def shaft_depth = head[2] + (body[2] * 0.68)

      def feet? = @outline.feet.nil? ? crankcase? : @outline.feet

      # @return [Array<Catalogue::Spot>] told for this view
      def told(view) = @outline.marks_on(view, @pump)

      # @return [Array<Catalogue::Fastener>] on a face
      def fasteners(face) = face ? @series.fasteners.select { |one| one.face == face.id && fitted?(one) } : []

      private

      def usual_depth
        stroke = @pump.model.stroke_mm || 12
        barrel? ? stroke * 2 : (@pump.model.rod_mm || (ROD_STROKES * stroke)) + (CRANK_STROKES * stroke)
      end

      # A fastener that none of this pump's tightenings is about belongs to a sibling.
      def fitted?(fastener) = fastener.tightenings.any? { |entry| Catalogue::Condition.met?(entry.condition, @pump) }
    end
  end
end
