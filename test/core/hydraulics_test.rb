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

  def test_an_efficiency_takes_its_share_of_the_flow
    sizes = { plungers: 3, bore_mm: 20, stroke_mm: 12, speed_rpm: 1450 }
    assert_in_epsilon 0.9 * Hydraulics.flow_l_min(**sizes), Hydraulics.flow_l_min(**sizes, volumetric_efficiency: 0.9), 1e-12
  end
end
