# frozen_string_literal: true

require_relative "kind"

module Gimlet::Core
  class Tightening
    module Kinds
      # Tight, by feel or to a value, and a part of a turn beyond.
      class TightThenTurn < Kind
        needs "turns" => PART_TURN
        may_have TORQUE.merge(PASSES)

        def text(told, _manual) = "#{told ? "tight to #{told}" : 'tight'}, and #{turn('turns')} turn beyond"
        def after = [("tight" unless @tightening.torque), "#{turn('turns')} turn beyond"].compact
      end
    end
  end
end
