# frozen_string_literal: true

require_relative "../0_quantities/quantity"
require_relative "../1_catalogue/tightening"
require_relative "../value"

module Gimlet
  module Core
    class Tightening
      # What a wrench is set to for a published torque: the nearest mark of its scale. `error_percent` is how far that is off, below zero
      # where it is under the published value.
      Setting = Value.of(:quantity, :error_percent)

      # Rounding to the marks of a scale.
      class Setting
        # Marks of a common wrench's scale, up to so much of the unit. Common practice, no source.
        MARKS = { "N·m" => [[10, Rational(1, 10)], [30, Rational(1, 2)], [120, 1], [Float::INFINITY, 5]],
                  "lbf·in" => [[100, 1], [Float::INFINITY, 5]], "lbf·ft" => [[20, Rational(1, 2)], [100, 1], [Float::INFINITY, 5]],
                  "kgf·m" => [[2, Rational(1, 50)], [Float::INFINITY, Rational(1, 10)]] }.freeze

        # @param published [Quantity] a torque
        # @param unit [String] of the customer's wrench
        # @return [Setting]
        def self.of(published, unit)
          exact = published.to(unit).value
          mark = MARKS.fetch(unit).find { |most, _| exact <= most }.last
          steps = [(exact / mark).round, 1].max
          new(quantity: Quantity.new(value: steps * Rational(mark), unit: unit), error_percent: ((steps * mark / exact) - 1) * 100)
        end

        # @return [String] "22 N·m, 0.1 % under"
        def to_s
          off = error_percent.to_f.round(1)
          shown = quantity.value.to_f
          told = "#{shown == shown.to_i ? shown.to_i : shown.round(2)} #{quantity.unit}"
          if off.zero?
            told
          else
            "#{told}, #{off.abs} % #{off.negative? ? 'under' : 'over'}"
          end
        end
      end
    end
  end
end
