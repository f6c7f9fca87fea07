# frozen_string_literal: true

require_relative "../0_quantities/quantity"
require_relative "../1_catalogue/tightening"

module Gimlet::Core
  class Tightening
    # The values that a torque wrench is set to, one after the other.
    module Passes
      # Per cent of the full value in each pass where the sheet is silent. Common practice, no source.
      USUAL_FRACTIONS = [30, 60, 100].freeze

      module_function

      # @param tightening [Tightening]
      # @param pattern [Symbol] of the fastener
      # @return [Array<Quantity>] in the published unit, rising to the value; empty without a torque
      def of(tightening, pattern)
        torque = tightening.torque or return []
        step, steps, fractions = tightening.written.values_at("step", "steps", "fractions")
        values = steps || (step && by_step(step, torque.value)) ||
                 (fractions || usual(pattern)).map { |percent| torque.value * percent / 100 }
        values.map { |value| Quantity.of(value, torque.unit) }
      end

      # Steps of 50 up to 275: 50, 100, 150, 200, 250, 275.
      def by_step(step, value)
        size = Rational(step.to_s)
        [*(1...(value / size).ceil).map { |at| at * size }, value]
      end

      def usual(pattern) = pattern == :each ? [100] : USUAL_FRACTIONS
    end
  end
end
