# frozen_string_literal: true

require_relative "../0_quantities/quantity"
require_relative "../1_catalogue/tightening"
require_relative "../value"
require_relative "words"

module Gimlet
  module Core
    class Tightening
      # What a wrench is set to for a wanted torque: the nearest mark of its scale. `error_percent` is how far that is off, below zero where it
      # is under; `within` whether the sheet's tolerance allows it, nil where the sheet gives none.
      Setting = Value.of(:quantity, :error_percent, :within)

      # Rounding to the marks of a scale.
      class Setting
        # Marks of a common wrench's scale, up to so much of the unit. Common practice, no source.
        MARKS = { "N·m" => [[10, Rational(1, 10)], [30, Rational(1, 2)], [120, 1], [Float::INFINITY, 5]],
                  "lbf·in" => [[100, 1], [Float::INFINITY, 5]], "lbf·ft" => [[20, Rational(1, 2)], [100, 1], [Float::INFINITY, 5]],
                  "kgf·m" => [[2, Rational(1, 50)], [Float::INFINITY, Rational(1, 10)]] }.freeze

        # On the scale of the wrench that it is done with: the customer's own has its unit and its marks.
        # @param tightening [Tightening] with a torque
        # @param wrench [Tools::Wrench, nil]
        # @param unit [String] the customer's, where the wrench has none of its own
        # @param extension [Extension, nil]
        # @return [Setting]
        def self.for(tightening, wrench, unit, extension)
          share = tightening.tolerance && (tightening.tolerance.value / tightening.torque.value)
          wanted = extension ? extension.setting(tightening.torque) : tightening.torque
          of(wanted, wrench&.unit || unit, tolerance: share, mark: wrench&.mark)
        end

        # @param wanted [Quantity] a torque
        # @param unit [String] of the wrench
        # @param tolerance [Rational, nil] as a share of the wanted torque
        # @param mark [Numeric, nil] from one mark of the wrench to the next, in its unit; nil takes a common wrench's
        # @return [Setting]
        def self.of(wanted, unit, tolerance: nil, mark: nil)
          exact = wanted.to(unit).value
          step = mark ? Rational(mark.to_s) : MARKS.fetch(unit).find { |most, _| exact <= most }.last
          value = [(exact / step).round, 1].max * step
          off = (value / exact) - 1
          new(quantity: Quantity.new(value: value, unit: unit), error_percent: off * 100, within: tolerance && off.abs <= tolerance)
        end

        # @return [String] "22 N·m, 0.1 % under"
        def to_s
          off = error_percent.to_f.round(1)
          told = "#{Plain.number(quantity.value, 2)} #{quantity.unit}"
          told += ", #{off.abs} % #{off.negative? ? 'under' : 'over'}" unless off.zero?
          within == false ? "#{told}: outside the sheet's tolerance, so set it between the marks or use a finer wrench" : told
        end
      end
    end
  end
end
