# frozen_string_literal: true

require_relative "../0_quantities/quantity"
require_relative "../1_catalogue/tightening"
require_relative "../value"
require_relative "words"

module Gimlet::Core
  class Tightening
    # What a wrench is set to for a wanted torque: a mark of its scale, nil where none may be. `error_percent` is how far that is off, below
    # zero where it is under; `within` whether the sheet's tolerance allows it, nil where the sheet gives none; `finer` the marks of a wrench
    # that comes near, nil where this one does.
    Setting = Value.of(:quantity, :error_percent, :within, :finer)

    # Rounding to the marks of a scale.
    class Setting
      # Marks of a common wrench's scale, up to so much of the unit. Common practice, no source.
      MARKS = { "N·m" => [[10, Rational(1, 10)], [30, Rational(1, 2)], [120, 1], [Float::INFINITY, 5]],
                "lbf·in" => [[100, 1], [Float::INFINITY, 5]], "lbf·ft" => [[20, Rational(1, 2)], [100, 1], [Float::INFINITY, 5]],
                "kgf·m" => [[2, Rational(1, 50)], [Float::INFINITY, Rational(1, 10)]],
                "daN·m" => [[2, Rational(1, 50)], [Float::INFINITY, Rational(1, 10)]], "kgf·cm" => [[200, 1], [Float::INFINITY, 5]] }.freeze
      # So far over a value that has no tolerance, or on soft threads, is none too far; farther off than `FAR` a finer wrench is named.
      # A click wrench is itself within 4 % (ISO 6789-1, class A: from memory).
      OVER = Rational(2, 100)
      FAR = Rational(3, 100)

      # On the scale of the wrench that it is done with: the customer's own has its unit and its marks.
      # @param tightening [Tightening] with a torque
      # @param wrench [Tools::Wrench, nil]
      # @param unit [String] the customer's, where the wrench has none of its own
      # @param extension [Extension, nil]
      # @param soft [Boolean] the thread is in brass, aluminium or plastic: never over the value
      # @return [Setting]
      def self.for(tightening, wrench, unit, extension, soft: false)
        share = tightening.tolerance && (tightening.tolerance.value / tightening.torque.value)
        wanted = extension ? extension.setting(tightening.torque) : tightening.torque
        of(wanted, wrench&.unit || unit, tolerance: share, mark: wrench&.mark, soft: soft, most_nm: wrench&.to_nm)
      end

      # The nearest mark; the one below it where that would be too far over.
      # @param wanted [Quantity] a torque
      # @param unit [String] of the wrench
      # @param tolerance [Rational, nil] as a share of the wanted torque
      # @param mark [Numeric, nil] from one mark of the wrench to the next, in its unit; nil takes a common wrench's
      # @param most_nm [Numeric, nil] the end of its scale, N·m
      # @return [Setting]
      def self.of(wanted, unit, tolerance: nil, mark: nil, soft: false, most_nm: nil)
        exact = wanted.to(unit).value
        step = mark ? Rational(mark.to_s) : MARKS.fetch(unit).find { |most, _| exact <= most }.last
        allowed = soft || tolerance.nil? ? exact * (1 + OVER) : Float::INFINITY
        value = marked(exact, step, [allowed, most_nm ? Quantity.new(value: most_nm, unit: "N·m").to(unit).value : Float::INFINITY].min)
        return new(finer: finer(exact, step)) if value.zero?

        off = (value / exact) - 1
        new(quantity: Quantity.new(value: value, unit: unit), error_percent: off * 100, within: tolerance && off.abs <= tolerance,
            finer: (finer(exact, step) if off.abs > FAR))
      end

      # @return [Rational] zero where no mark may be
      def self.marked(exact, step, most)
        nearest = (exact / step).round * step
        nearest > most ? nearest - step : nearest
      end

      # @return [Rational] the coarsest usual marks that come near
      def self.finer(exact, step)
        marks = MARKS.values.flatten(1).map { |_, one| one.to_r }.uniq.sort.reverse
        marks.find { |one| one < step && ((exact / one).floor * one / exact) - 1 >= -FAR } || marks.last
      end
      private_class_method :marked, :finer

      # @return [String] "22 N·m, 0.1 % under"
      def to_s
        return "this wrench has no mark at or below the value: one with marks of #{Plain.number(finer, 2)} is needed" unless quantity

        off = error_percent.to_f.round(1)
        told = "#{Plain.number(quantity.value, 2)} #{quantity.unit}"
        told += ", #{off.abs} % #{off.negative? ? 'under' : 'over'}" unless off.zero?
        "#{told}#{reproach}"
      end

      private

      def reproach
        if within == false then ": outside the sheet's tolerance, so set it between the marks or use a finer wrench"
        elsif finer then ": a wrench with marks of #{Plain.number(finer, 2)} #{quantity.unit} comes nearer"
        end
      end
    end
  end
end
