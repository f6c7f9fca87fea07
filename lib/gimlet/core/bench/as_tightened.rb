# frozen_string_literal: true

require_relative "../plain"
require_relative "../0_quantities/quantity"
require_relative "../6_tightening/words"
require_relative "../value"

module Gimlet::Core
  module Bench
    # How a reading of a torque wrench sits to what was asked: `state` is "inside", "under" or "over", `text` says so and what to do.
    Verdict = Value.of(:state, :text)

    # What was reached against what was asked.
    #
    #   AsTightened.new(Quantity.of(22, "N·m")).verdict(Quantity.of(25, "N·m")).state # => "over"
    class AsTightened
      # What a torque wrench itself may be off, as a share, up to so many N·m: the most that is asked of a reading where the sheet gives no
      # tolerance. Source: ISO 6789-1:2017, setting tools (from memory).
      WRENCH = [[10, Rational(6, 100)], [Float::INFINITY, Rational(4, 100)]].freeze

      # @param target [Quantity]
      # @param tolerance [Quantity, nil] of the sheet, either way
      def initialize(target, tolerance = nil)
        @target = target
        @off = tolerance ? tolerance.to(target.unit).value : target.value * WRENCH.find { |most, _| target.to("N·m").value <= most }.last
      end

      # @return [Array(Quantity, Quantity)] lowest and highest that pass, in the target's unit
      def band = [@target.value - @off, @target.value + @off].map { |value| Quantity.new(value: value, unit: @target.unit) }

      # @param reading [Quantity] a torque in any unit
      # @return [Verdict]
      def verdict(reading)
        low, high = band
        told, value = Tightening::Words.torque(reading), reading.to(@target.unit).value
        return Verdict.new(state: "inside", text: "#{told}: inside #{range}.") if value.between?(low.value, high.value)

        state, what_now = value < low.value ? ["under", "Tighten on."] : ["over", "Loosen it, look at the thread, and start this bolt again."]
        Verdict.new(state: state, text: ["#{told}: #{state}, #{range} is asked.", mistaken(reading), what_now].compact.join(" "))
      end

      private

      def range = band.map { |one| Tightening::Words.torque(one) }.join(" to ")

      # The same figure in another unit would do: the wrench was set, or read, in that one.
      def mistaken(reading)
        low, high = band
        other = Units::FACTORS.fetch(:torque).keys.find do |unit|
          unit != reading.unit && Quantity.new(value: reading.value, unit: unit).to(@target.unit).value.between?(low.value, high.value)
        end
        "#{Plain.number(reading.value, 2)} #{other} would be right: does the wrench read #{other}?" if other
      end
    end
  end
end
