# frozen_string_literal: true

require_relative "../support/core"

class HydraulicsTest < Minitest::Test
  include Gimlet::Core

  # Source: fluid power handbooks, US customary form (from memory): gpm = in³/rev · rpm / 231.
  def test_flow_agrees_with_the_inch_formula
    three_one_inch_plungers = 3 * Math::PI / 4
    gallons = three_one_inch_plungers * 980 / 231
    litres = Hydraulics.flow_l_min(plungers: 3, bore_mm: 25.4, stroke_mm: 25.4, speed_rpm: 980)
    assert_in_epsilon gallons, litres / Quantity.of(1, "gpm").to("L/min").value, 1e-9
    assert_in_delta 10.0, gallons, 0.01
  end

  # Source: the same handbooks (from memory): hp = gpm · psi / 1714, and 1 hp is 0.7457 kW.
  def test_power_agrees_with_the_horsepower_formula
    flow = Quantity.parse("10 gpm").to("L/min").value.to_f
    pressure = Quantity.parse("1714 psi").to("bar").value.to_f
    assert_in_epsilon 10 * 0.7457, Hydraulics.power_kw(flow_l_min: flow, pressure_bar: pressure), 1e-3
  end

  def test_efficiencies_work_in_their_own_direction
    sizes = { plungers: 3, bore_mm: 20, stroke_mm: 12, speed_rpm: 1450 }
    assert_in_epsilon 0.9 * Hydraulics.flow_l_min(**sizes), Hydraulics.flow_l_min(**sizes, volumetric_efficiency: 0.9), 1e-12
    assert_in_epsilon 2 * Hydraulics.power_kw(flow_l_min: 15, pressure_bar: 200),
                      Hydraulics.power_kw(flow_l_min: 15, pressure_bar: 200, efficiency: 0.5), 1e-12
  end
end
