# frozen_string_literal: true

require_relative "../support/core"

class UnitsTest < Minitest::Test
  include Gimlet::Core

  # Source: NIST SP 811 (2008), appendix B.8, printed factors (seven significant digits; from memory).
  NIST = { ["lbf·in", "N·m"] => 0.1129848, ["lbf·ft", "N·m"] => 1.355818, ["kgf·m", "N·m"] => 9.80665,
           %w[psi bar] => 0.06894757, ["US gpm", "L/min"] => 3.785412, %w[in mm] => 25.4, %w[lb kg] => 0.4535924,
           %w[MPa bar] => 10 }.freeze

  def test_factors_against_the_published_table
    NIST.each do |(from, to), factor|
      assert_in_epsilon factor, Quantity.of(1, from).to(to).value.to_f, 1e-6, "#{from} in #{to}"
    end
  end

  # Common practice, no source: what wrench charts say.
  def test_values_that_wrench_charts_agree_on
    { "442 in lb" => 50, "752 in-lb" => 85, "225 lbf·in" => 25.4, "11 ft lb" => 14.9 }.each do |text, newton_metres|
      assert_in_delta newton_metres, Quantity.parse(text).to("N·m").value.to_f, 0.1, text
    end
  end

  def test_there_and_back_is_exact
    random = Random.new(Minitest.seed)
    Units::FACTORS.each_value do |units|
      300.times do
        from, to = units.keys.sample(random: random), units.keys.sample(random: random)
        value = Rational(random.rand(1..1_000_000), random.rand(1..1000))
        assert_equal value, Quantity.new(value: value, unit: from).to(to).to(from).value
      end
    end
  end

  def test_reads_what_people_type
    { "4 gpm" => [4, "US gpm"], "240 gph" => [240, "US gph"],
      '5/8"' => [5r / 8, "in"], "1 3/16 in" => [19r / 16, "in"], "225 in lb" => [225, "lbf·in"],
      ".5 MPa" => [1r / 2, "MPa"], "15 lpm" => [15, "L/min"], "20mm" => [20, "mm"] }.each do |text, (value, unit)|
      quantity = Quantity.parse(text)
      assert_equal [value, unit], [quantity.value, quantity.unit], text
    end
  end

  def test_says_what_is_wrong
    { "20 furlong" => "unknown_unit", "thick" => "not_a_quantity", "-3 mm" => "not_positive", "0 mm" => "not_positive",
      "1/0 in" => "not_a_quantity" }.each do |text, code|
      assert_equal code, assert_raises(InputError) { Quantity.parse(text) }.code, text
    end
    assert_equal "unit_mismatch", assert_raises(InputError) { Quantity.parse("3 bar").to("mm") }.code
  end
end
