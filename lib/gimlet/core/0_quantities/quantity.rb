# frozen_string_literal: true

require_relative "../input_error"
require_relative "../value"
require_relative "units"

module Gimlet::Core
  # A number with its unit.
  #
  #   Quantity.parse("225 in lb").to("N·m").round(1) # => 25.4
  #   Quantity.parse('5/8"').to("mm").value          # => (127/8)
  #   Quantity.parse("6,6 N·m").value                # => (33/5)
  Quantity = Value.of(:value, :unit) do
    # @param unit [String] a symbol of the same kind
    # @return [Quantity] exact
    def to(unit)
      unless Units::KIND_OF[unit] == kind
        raise InputError.new("#{self.unit} cannot be turned into #{unit}: they measure different things.",
                             field: "unit", code: "unit_mismatch")
      end
      Quantity.new(value: value * Units.factor(self.unit) / Units.factor(unit), unit: unit)
    end

    # @return [Symbol] :torque, :pressure, :flow, :length, :mass or :speed
    def kind = Units::KIND_OF.fetch(unit)

    # @return [Float] for showing; computation stays with the exact value
    def round(digits) = value.to_f.round(digits)
  end

  # Reading quantities as people type them.
  class Quantity
    # A fraction, or a figure with point or comma; where both stand in it, the last one parts off the decimals.
    NUMBER = %r{(?:\d+\s+)?\d+/\d+|\d{1,3}(?:,\d{3})+\.\d+|\d{1,3}(?:\.\d{3})+,\d+|\d*[.,]\d+|\d+}
    # Three figures after one comma: thousands to some, decimals to others. After one point they are so too, but in lengths, which have
    # thousandths.
    TWO_WAYS = /\A\d{1,3},\d{3}\z/
    IN_THOUSANDS = /\A[1-9]\d{0,2}\.\d{3}\z/

    # @param text [String] "4 gpm", "5/8\"", "225 in lb"
    # @param default_unit [String] used when only a number is typed
    # @return [Quantity]
    # @raise [InputError] unreadable number, unknown unit, or a size of zero or less
    def self.parse(text, default_unit: nil, field: "value")
      number, unit_text = text.to_s.strip.match(/\A([-−]?#{NUMBER})\s*(.*)\z/o)&.captures
      unless number
        raise InputError.new("“#{text}” is not a number with a unit: type it as in 20 mm or 5/8\".",
                             field: field, code: "not_a_quantity")
      end
      unit_text = default_unit if unit_text.empty?
      ask_which(number, field) if number.match?(TWO_WAYS) || (number.match?(IN_THOUSANDS) && told_in_thousands?(unit_text.to_s))
      of(number_from(number), unit_text, field: field)
    end

    # A bare figure.
    # @param text [String] "2,5", "1450", "95 %"
    # @return [Float]
    # @raise [InputError]
    def self.bare(text, field:)
      told, percent = text.to_s.strip.match(/\A(#{NUMBER})\s*(%?)\z/o)&.captures
      told || InputError.reject(field, "not_a_number", "“#{text.to_s[0, 20]}” is no number: type a figure, as in 12 or 2.5.")
      ask_which(told, field) if told.match?(TWO_WAYS) && percent.empty?
      number_from(told).to_f / (percent.empty? ? 1 : 100)
    end

    # @param number [Numeric]
    # @param unit_text [String] any spelling
    # @return [Quantity]
    # @raise [InputError]
    def self.of(number, unit_text, field: "value")
      unit = Units.symbol(unit_text.to_s)
      unless unit
        raise InputError.new("“#{unit_text}” is not a unit known here: units are such as mm, in, bar, psi, N·m, lbf·in, L/min, gpm, kg, rpm.",
                             field: "unit", code: "unknown_unit")
      end
      unless number.positive?
        raise InputError.new("#{number.to_f.round(3)} #{unit} cannot be: a size is above zero.",
                             field: field, code: "not_positive")
      end
      new(value: number.is_a?(Float) ? number.rationalize(Rational(1, 1_000_000)) : number.to_r, unit: unit)
    end

    # @return [Rational] "1 3/16" is 19/16
    def self.number_from(text)
      sign = text.start_with?("-", "−") ? -1 : 1
      sign * with_point(text.delete("-−")).split.sum { |piece| Rational(piece) }
    rescue ZeroDivisionError
      raise InputError.new("“#{text}” divides by zero: type the fraction again.", field: "value",
                                                                                  code: "not_a_quantity")
    end

    # @return [String] "1.234,5" and "1,234.5" as "1234.5"
    def self.with_point(figure)
      decimal = figure[/[.,](?=\d+\z)/] or return figure
      whole, rest = figure.rpartition(decimal).values_at(0, 2)
      "#{whole.delete('.,')}.#{rest}".sub(/\A\./, "0.")
    end

    def self.told_in_thousands?(unit_text) = (unit = Units.symbol(unit_text)) && Units::KIND_OF[unit] != :length

    def self.ask_which(number, field)
      whole, rest = number.split(/[.,]/)
      InputError.reject(field, "two_ways", "“#{number}” can be read in two ways: type #{whole}#{rest}, or #{whole}.#{rest}.")
    end
    private_class_method :number_from, :with_point, :told_in_thousands?, :ask_which
  end
end
