# frozen_string_literal: true

require "minitest/autorun"
require "ruby-units"
require_relative "../../lib/gimlet/core/0_quantities/quantity"

# The ruby-units gem as an independent oracle for every factor.
class UnitsGemTest < Minitest::Test
  NAMES = { "N·m" => "N*m", "lbf·in" => "lbf*in", "lbf·ft" => "lbf*ft", "kgf·m" => "kg*gee*m", "bar" => "bar", "psi" => "psi",
            "MPa" => "MPa", "L/min" => "l/min", "US gpm" => "gal/min", "US gph" => "gal/h", "mm" => "mm", "in" => "in", "kg" => "kg", "lb" => "lb",
            "rpm" => "rpm", "L/h" => "l/h", "m³/h" => "m^3/h" }.freeze
  # The gem has no UK gallon; NIST SP 811, appendix B.8: 4.546 09 L.
  UNKNOWN = ["UK gpm"].freeze

  def test_every_pair_of_units
    Gimlet::Core::Units::FACTORS.each_value do |units|
      (units.keys - UNKNOWN).permutation(2) do |from, to|
        ours = Gimlet::Core::Quantity.new(value: 7r, unit: from).to(to).value.to_f
        theirs = RubyUnits::Unit.new("7 #{NAMES.fetch(from)}").convert_to(NAMES.fetch(to)).scalar.to_f
        assert_in_epsilon theirs, ours, 1e-6, "#{from} in #{to}"
      end
    end
  end

  def test_a_uk_gallon
    assert_in_epsilon 4.54609, Gimlet::Core::Quantity.new(value: 1r, unit: "UK gpm").to("L/min").value.to_f, 1e-12
    assert_in_epsilon 1.20095, Gimlet::Core::Quantity.new(value: 1r, unit: "UK gpm").to("US gpm").value.to_f, 1e-5
  end
end
