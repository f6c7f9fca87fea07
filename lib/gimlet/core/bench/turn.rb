# frozen_string_literal: true

require_relative "as_tightened"

module Gimlet::Core
  module Bench
    # One turn of the wrench on one bolt: what is asked there, and when it counts as done.
    module Turn
      module_function

      # The sheet's tolerance is that of the value it ends at; passes on the way there are held to what the wrench itself may be off.
      # @param torques [Array<Quantity, nil>] asked for in each round, nil where no torque is
      # @param tolerance [Quantity, nil] of the sheet
      # @param round [Integer] from 0
      # @return [AsTightened, nil] nil where no torque is asked for
      def asked(torques, tolerance, round)
        target = torques[round] or return
        AsTightened.new(target, target == torques.compact.last ? tolerance : nil)
      end

      # @param verdict [Verdict, nil] of the last reading
      # @param ticked [Boolean]
      # @return [Boolean] a turn that was read is done when it lies inside, any other when it is ticked
      def done?(verdict, ticked) = verdict ? verdict.state == "inside" : ticked
    end
  end
end
