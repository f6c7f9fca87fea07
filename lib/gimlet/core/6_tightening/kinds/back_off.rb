# frozen_string_literal: true

require_relative "kind"
require_relative "tight_then_turn"

module Gimlet::Core
  class Tightening
    module Kinds
      # Tight, then back by `turns`, so that something goes in; later tight again and `then_turns` beyond. What comes later is a tightening of
      # its own (TightThenTurn): other work lies between.
      class BackOff < Kind
        needs "turns" => PART_TURN, "then_turns" => PART_TURN
        may_have TORQUE.merge(PASSES)

        def text(told, _manual)
          "#{told ? "tight to #{told}" : 'tight'}, back off #{turn('turns')} turn; later tight again, and #{turn('then_turns')} turn beyond"
        end

        def faults
          super + [(if written("then_turns") >= written("turns")
                      "backs off #{turn('turns')} turn and turns on again by #{turn('then_turns')}: what is turned on beyond tight is less."
                    end)].compact
        end

        def after = [("tight" unless @tightening.torque), "back off #{turn('turns')} turn"].compact

        def later
          @tightening.with(kind: TightThenTurn.id, written: @tightening.written.except("then_turns").merge("turns" => written("then_turns")))
        end
      end
    end
  end
end
