# frozen_string_literal: true

require "minitest/autorun"
require "ruby-units"
require_relative "../../lib/gimlet/core/0_quantities/quantity"

# The ruby-units gem as an independent oracle for every factor.
class UnitsGemTest < Minitest::Test
  NAMES = { "N·m" => "N*m", "lbf·in" => "lbf*in", "lbf·ft" => "lbf*ft", "kgf·m" => "kg*gee*m", "kgf·cm" => "kg*gee*cm", "daN·m" => "daN*m",
            "bar" => "bar", "psi" => "psi", "MPa" => "MPa", "kgf/cm²" => "kg*gee/cm^2", "kW" => "kW", "hp" => "hp", "L/min" => "l/min",
            "US gpm" => "gal/min", "US gph" => "gal/h", "L/h" => "l/h", "m³/h" => "m^3/h", "mm" => "mm", "in" => "in", "kg" => "kg", "lb" => "lb",
            "rpm" => "rpm" }.freeze
  # The gem has no UK gallon; NIST SP 811, appendix B.8: 4.546 09 L. Nor metric horsepower, there too: 735.4988 W.
  UNKNOWN = ["UK gpm", "metric hp"].freeze

  def test_every_pair_of_units
    Gimlet::Core::Units::FACTORS.each_value do |units|
      (units.keys - UNKNOWN).permutation(2) do |from, to|
        ours = Gimlet::Core::Quantity.new(value: 7r, unit: from).to(to).value.to_f
        theirs = RubyUnits::Unit.new("7 #{NAMES.fetch(from)}").convert_to(NAMES.fetch(to)).scalar.to_f
        assert_in_epsilon theirs, ours, 1e-6, "#{from} in #{to}"
      end
    end
  end

  TORQUES = Gimlet::Core::Units::FACTORS.fetch(:torque).keys
  # NIST SP 811, appendix B.8: lbf·in, lbf·ft and kgf·m in N·m.
  NIST = { "lbf·in" => 0.112_984_829_027_6, "lbf·ft" => 1.355_817_948_331_4, "kgf·m" => 9.806_65 }.freeze

  def test_torques_by_nist_and_ten_thousand_at_random_by_the_gem
    NIST.each { |unit, factor| assert_in_epsilon factor, Gimlet::Core::Quantity.new(value: 1r, unit: unit).to("N·m").value.to_f, 1e-9 }
    random = Random.new(Minitest.seed)
    factors = TORQUES.permutation(2).to_h { |from, to| [[from, to], RubyUnits::Unit.new("1 #{NAMES[from]}").convert_to(NAMES[to]).scalar.to_f] }
    10_000.times do
      from, to = TORQUES.sample(2, random: random)
      value = random.rand(0.01..2000.0).round(3)
      assert_in_epsilon value * factors[[from, to]], Gimlet::Core::Quantity.of(value, from).to(to).value.to_f, 1e-6
    end
  end

  def test_metric_horsepower
    assert_in_epsilon 0.7354988, Gimlet::Core::Quantity.new(value: 1r, unit: "metric hp").to("kW").value.to_f, 1e-6
  end

  def test_a_uk_gallon
    assert_in_epsilon 4.54609, Gimlet::Core::Quantity.new(value: 1r, unit: "UK gpm").to("L/min").value.to_f, 1e-12
    assert_in_epsilon 1.20095, Gimlet::Core::Quantity.new(value: 1r, unit: "UK gpm").to("US gpm").value.to_f, 1e-5
  end
end
