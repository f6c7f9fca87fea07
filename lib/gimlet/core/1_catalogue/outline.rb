# frozen_string_literal: true

require_relative "../value"
require_relative "condition"

module Gimlet::Core
  module Catalogue
    # What a document says of the pump's outside. `form` is one of FORMS; `body_mm` and `head_mm` are [width, height, depth]; `marks` tell where
    # single things are. All of it may be left out: Outside::Frame has what is usual.
    Outline = Value.of(:form, :body_mm, :head_mm, :feet, :marks) do
      # @return [Array<Spot>] told for this view
      def marks_on(view, pump) = marks.select { |mark| mark.on == view && Condition.met?(mark.condition, pump) }
    end

    # A `crankcase` behind its head, a `barrel` between two heads, or a `block` by itself.
    FORMS = %w[crankcase barrel block].freeze

    # Where a thing is on a view: its middle, in mm. On `front` from the head's lower left corner; on `side` from the head's front lower corner, x
    # towards the rear; on `top` from the head's front left corner, y towards the rear.
    Spot = Value.of(:what, :on, :x_mm, :y_mm, :width_mm, :height_mm, :condition)

    # Sides that a face may be: what it is called where the document does not say.
    FACE_SIDES = { "head" => %w[front], "heads" => %w[front], "front" => %w[front], "end" => %w[front], "top" => %w[top], "above" => %w[top],
                   "below" => %w[below], "rear" => %w[rear] }.freeze
  end
end
