# frozen_string_literal: true

require_relative "kind"

module Gimlet::Core
  class Tightening
    module Kinds
      # To a value, then on by angles, each a round of its own.
      class SnugThenAngle < Kind
        ANGLE = { "type" => "number", "exclusiveMinimum" => 0, "maximum" => 360 }.freeze

        needs_torque
        needs "angles_deg" => { "type" => "array", "items" => ANGLE, "minItems" => 1 }

        def text(told, _manual) = "#{told}, then #{after.join(', then ')}"
        def after = written("angles_deg").map { |angle| "#{angle}° on" }
      end
    end
  end
end
