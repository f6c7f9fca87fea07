# frozen_string_literal: true

require_relative "../plain"
require_relative "../0_quantities/quantity"
require_relative "../1_catalogue/tightening"

module Gimlet::Core
  class Tightening
    # How torques and turns are said.
    module Words
      # Decimal places that a wrench of this unit is read to.
      DIGITS = { "N·m" => 1, "lbf·in" => 0, "lbf·ft" => 1, "kgf·m" => 2, "kgf·cm" => 0, "daN·m" => 2 }.freeze
      TURNS = { 0.125 => "one eighth", 0.25 => "a quarter", 0.5 => "half a", 0.75 => "three quarters of a" }.freeze

      module_function

      # @param quantity [Quantity] a torque
      # @return [String] "50 N·m"
      def torque(quantity) = "#{Plain.number(quantity.round(DIGITS.fetch(quantity.unit)))} #{quantity.unit}"

      # @param turns [Numeric] part of a turn
      # @return [String] "half a", "3/4"
      def turn(turns) = TURNS.fetch(turns) { Rational(turns.to_s).rationalize(Rational(1, 100)).to_s }
    end
  end
end
