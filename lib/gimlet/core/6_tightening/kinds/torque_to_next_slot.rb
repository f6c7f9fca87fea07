# frozen_string_literal: true

require_relative "kind"

module Gimlet::Core
  class Tightening
    module Kinds
      # A castle nut with a split pin: to a value, then on until the pin goes through. Its `slots` stand evenly: one pitch is the most that it is
      # ever turned on.
      class TorqueToNextSlot < Kind
        needs_torque
        may_have("slots" => { "type" => "integer", "minimum" => 3, "maximum" => 24 })

        def text(told, _manual) = "#{told}, then on to the next slot for the split pin#{at_most}, never back"
        def after = ["on to the next slot, never back"]

        private

        def at_most
          " (less than #{Plain.number(360.0 / written('slots'), 1)}°)" if written("slots")
        end
      end
    end
  end
end
