# frozen_string_literal: true

require_relative "kind"

module Gimlet
  module Core
    class Tightening
      module Kinds
        # Tight, then back by `turns`; later tight again and `then_turns` beyond. What comes later is a step of its own, no round of this job.
        class BackOff < Kind
          needs "turns" => PART_TURN, "then_turns" => PART_TURN
          may_have TORQUE.merge(PASSES)

          def text(told, _manual)
            "#{told ? "tight to #{told}" : 'tight'}, back off #{turn('turns')} turn; later tight again, and #{turn('then_turns')} turn beyond"
          end

          def after = [("tight" unless @tightening.torque), "back off #{turn('turns')} turn"].compact
        end
      end
    end
  end
end
