# frozen_string_literal: true

require_relative "../support/core"

class RefitTest < Minitest::Test
  include DemoCatalogue

  Refit = Gimlet::Core::Refit

  # The plunger pin lies on the axis, a rod's length from the crank pin: found by halving, without the closed formula.
  def by_halving(radius, rod, angle)
    pin_x, pin_y = radius * Math.cos(angle), radius * Math.sin(angle)
    low, high = pin_x, pin_x + rod
    80.times do
      middle = (low + high) / 2
      Math.hypot(middle - pin_x, pin_y) < rod ? low = middle : high = middle
    end
    low - (rod - radius)
  end

  def test_positions_agree_with_an_independent_solution
    random = Random.new(Minitest.seed)
    2000.times do
      radius, turned = random.rand(2.0..60.0), random.rand(-720.0..720.0)
      rod = radius * random.rand(1.2..8.0)
      crank = Refit::Crank.new(stroke_mm: 2 * radius, rod_mm: rod, cylinders: 3)
      (1..3).each do |cylinder|
        angle = (turned + ((cylinder - 1) * 120)) * Math::PI / 180
        assert_in_delta by_halving(radius, rod, angle), crank.out_mm(cylinder, turned), 1e-9
      end
    end
  end

  # By hand for 12 mm stroke and a 60 mm rod: r = 6, l = 60, at 60 and 120 degrees √(3600 - 27) = 59.7746.
  def test_both_schools_by_hand
    model = Gimlet::Core::Catalogue::Model.new(stroke_mm: 12, rod_mm: 60)
    level = Refit::Position.of("outer_level", model)
    assert_equal [[8.7746, 0.0, 8.7746], [1, 3]], [level.plungers.map { |_, out| out.round(4) }, level.first]
    centre = Refit::Position.of("centre_out", model)
    assert_equal [[2.7746, 12.0, 2.7746], [2]], [centre.plungers.map { |_, out| out.round(4) }, centre.first]
    assert_nil Refit::Position.of("outer_level", Gimlet::Core::Catalogue::Model.new(stroke_mm: 12))
  end

  def test_a_pump_gets_the_school_of_its_series_where_the_manifold_comes_off
    rebuild = Gimlet::Core::Plan::Rebuild.new(snapshot, {})
    assert_equal "outer_level", rebuild.call(variant("TK4L20 from 31000"), scope: ["packings"]).refit.school
    assert_equal "centre_out", rebuild.call(variant("GT2-25"), scope: ["packings"]).refit.school
    assert_nil rebuild.call(variant("TK4L20 from 31000"), scope: ["discharge_valves"]).refit
  end

  # The frames of one series have another stroke: the position on the card is the pump's own.
  def test_frames_with_another_stroke_are_another_order
    ids = Gimlet::Core::Identification::OrderIds.new.call(snapshot, ["packings"])
    small, large = %w[GT1-22 GT2-22].map { |id| ids[snapshot.variants.index(variant(id))] }
    refute_equal small, large
  end
end
