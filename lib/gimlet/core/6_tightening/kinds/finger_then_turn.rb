# frozen_string_literal: true

require_relative "kind"

module Gimlet::Core
  class Tightening
    module Kinds
      # By hand, then on by a part of a turn.
      class FingerThenTurn < Kind
        needs "turns" => PART_TURN

        def text(_told, _manual) = "finger-tight, then #{turn('turns')} turn"
        def after = ["finger-tight", "#{turn('turns')} turn on"]
      end
    end
  end
end
