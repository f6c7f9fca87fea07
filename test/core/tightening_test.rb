# frozen_string_literal: true

require_relative "../support/core"

class TighteningTest < Minitest::Test
  include DemoCatalogue

  Tightening = Gimlet::Core::Tightening
  Sequence = Gimlet::Core::Sequence
  Point = Gimlet::Core::Catalogue::Point

  def points(places) = places.each_with_index.map { |(x, y), at| Point.new(label: (at + 1).to_s, x_mm: x, y_mm: y) }

  def instruct(kind, wrench: "N·m", pattern: :each, places: [[0, 0]], **fields)
    row = { "kind" => kind }.merge(fields.transform_keys(&:to_s))
    set = Gimlet::Core::Catalogue::BoltSet.new(points: points(places))
    fastener = Gimlet::Core::Catalogue::Fastener.new(id: "f", name: "f", sets: [set], pattern: pattern, tightenings: [Tightening.from(row)])
    Tightening::Instruct.call(fastener, variant("DK420"), unit: wrench).first
  end

  def test_the_eight_bolts_of_a_rectangular_head
    order = variant("TK4L20 from 31000").series.fastener("head_bolts").then { |one| Sequence.cross(one.points) }
    assert_equal %w[b c f g], order.first(4).map(&:label).sort, "the inner four before the outer four"
    order.each_slice(2) do |one, two|
      assert_in_delta 120, one.x_mm + two.x_mm
      assert_in_delta 76, one.y_mm + two.y_mm
    end
  end

  def test_the_maker_s_own_list_wins
    listed = variant("OB214").series.fastener("through_bolts")
    assert_equal listed.order, Tightening::Instruct.call(listed, variant("OB214"), unit: "N·m").first.sequences.first.map(&:label)
  end

  def test_passes_as_published_or_in_the_usual_thirds
    head = Tightening::Instruct.call(variant("SC325L").series.fastener("head_bolts"), variant("SC325L"), unit: "N·m").first
    assert_equal [16, 32, 48], head.targets_nm
    usual = instruct("torque", value: 100, unit: "N·m", pattern: :star, places: [[1, 0], [-1, 0]])
    assert_equal [30, 60, 100], usual.targets_nm
    assert_equal [100], instruct("torque", value: 100, unit: "N·m").targets_nm
  end

  # Common practice, no source: 275 lbf·ft in steps of 50 makes six passes.
  def test_fixed_steps_make_their_passes
    stud = instruct("torque", value: 275, unit: "lbf·ft", steps: [50, 100, 150, 200, 250, 275], pattern: :star, places: [[1, 0], [-1, 0]])
    assert_equal 6, stud.passes.size
    assert_equal "275 lbf·ft", Tightening::Words.torque(stud.passes.last)
    short = instruct("torque", value: 275, unit: "lbf·ft", step: 50, pattern: :star, places: [[1, 0], [-1, 0]])
    assert_equal stud.passes, short.passes
    halves = instruct("torque", value: 30, unit: "N·m", step: 12.5).passes
    assert_equal([12.5, 25, 30], halves.map { |half| half.value.to_f })
    assert_equal [20, 40], instruct("torque", value: 40, unit: "N·m", step: 20).passes.map(&:value), "no pass twice"
  end

  def test_each_kind_is_told_in_words
    assert_equal "85 N·m (published 752 lbf·in); threads: dry", instruct("torque", value: 752, unit: "lbf·in", treatment: "dry").text
    assert_equal "40 N·m, then 90° on", instruct("snug_then_angle", value: 40, unit: "N·m", angles_deg: [90]).text
    assert_equal "40 N·m, then 60° on, then 60° on", instruct("snug_then_angle", value: 40, unit: "N·m", angles_deg: [60, 60]).text
    assert_equal "50 ± 3 N·m", instruct("torque", value: 50, unit: "N·m", tolerance: 3).text
    assert_match(/split pin \(less than 60°\), never back/, instruct("torque_to_next_slot", value: 27, unit: "N·m", slots: 6).text)
    assert_equal "finger-tight, then one eighth turn", instruct("finger_then_turn", turns: 0.125).text
    assert_match(/next slot for the split pin, never back/, instruct("torque_to_next_slot", value: 20, unit: "N·m").text)
    assert_equal "tight, back off half a turn; later tight again, and a quarter turn beyond", instruct("back_off", turns: 0.5, then_turns: 0.25).text
    assert_equal "tight to 160 N·m, back off half a turn; later tight again, and a quarter turn beyond",
                 instruct("back_off", value: 160, unit: "N·m", turns: 0.5, then_turns: 0.25).text
    assert_match(/no figure/, instruct("firm").text)
  end

  # Round by round, each bolt of a set in each round, one set after the other; a later turn is no round of this job.
  def test_the_walk_turns_every_bolt_in_every_round
    { instruct("torque", value: 90, unit: "N·m", pattern: :star, places: [[1, 0], [-1, 0], [0, 1]]) => [3, %w[27 54 90].map { |one| "#{one} N·m" }],
      instruct("snug_then_angle", value: 40, unit: "N·m", angles_deg: [90]) => [1, ["40 N·m", "90° on"]],
      instruct("back_off", value: 160, unit: "N·m", turns: 0.5, then_turns: 0.25) => [1, ["160 N·m", "back off half a turn"]],
      instruct("finger_then_turn", turns: 0.125) => [1, ["finger-tight", "one eighth turn on"]],
      instruct("firm") => [1, ["firm; the sheet gives no figure"]] }.each do |one, (bolts, rounds)|
      assert_equal rounds, one.rounds.map(&:text)
      assert_equal bolts * rounds.size, one.walk.size
      assert_equal [*0...rounds.size].flat_map { |round| [round] * bolts }, one.walk.map(&:last)
    end
    covers = Tightening::Instruct.call(variant("PG50L").series.fastener("rear_covers"), variant("PG50L"), unit: "N·m").first
    assert_equal 3 * 3 * 4, covers.walk.size
    covers.walk.each_slice(12) { |set| assert_equal 1, set.map { |point, _| point.at }.uniq.size, "one cover is finished before the next" }
  end

  # The two that draw the head in are turned alone, then all are snug, then the passes.
  def test_a_heavy_head_is_drawn_in_and_made_snug_first
    pump = variant("MGL40")
    told = Tightening::Instruct.call(pump.series.fastener("head_bolts"), pump, unit: "N·m").first
    assert_equal ["draw in, these by turns", "snug, by hand", "45 N·m", "85 N·m", "126 N·m", "126 N·m again, all round"], told.rounds.map(&:text)
    turned = told.walk.group_by(&:last).transform_values { |turns| turns.map { |point, _| point.label } }
    assert_equal [%w[c j], pump.series.fastener("head_bolts").order], turned.values_at(0, 1)
    assert_equal "draw in with 1 and 2 by turns; snug first; 126 N·m; threads: anti-seize paste", told.text
  end

  def test_no_value_on_file_is_never_filled_in
    retainers = variant("SC325L").series.fastener("plunger_retainers")
    told = Tightening::Instruct.call(retainers, variant("SC325L"), unit: "N·m").first
    assert_equal ["no value on file: look in SC3 service book, issue C", []], [told.text, told.targets_nm]
  end

  # ISO 6789: torque tools are calibrated from 20 % of full scale up (from memory).
  def test_the_fewest_wrenches_that_reach_every_value
    assert_equal [["torque wrench to 25 N·m (from 5)"], []], told(Wrenches.choose([5, 10, 25]))
    assert_equal [[], []], told(Wrenches.choose([]))
    choice = Wrenches.choose([4, 24.9, 900])
    assert_equal [2, [900]], [choice.wrenches.size, choice.missing]
    assert_equal "torque wrench to 25 N·m (from 5)", choice.for(24.9).name
  end

  Wrenches = Gimlet::Core::Tools::Wrenches
  Wrench = Gimlet::Core::Tools::Wrench

  def told(choice) = [choice.wrenches.map(&:name), choice.missing]

  # Against brute force: no smaller set of lent wrenches does it, and what the customer has is never lent again.
  def test_the_set_is_minimal_beside_the_customer_s_own
    random = Random.new(Minitest.seed)
    200.times do
      values = Array.new(random.rand(1..5)) { random.rand(1.0..340.0) }
      own = Array.new(random.rand(0..2)) { random.rand(1.0..100.0).then { |from| Wrench.customer(from, from * random.rand(1.5..6.0), "N·m") } }
      choice = Wrenches.choose(values, own: own)
      assert(values.all? { |value| choice.for(value).reaches?(value) })
      lent = choice.wrenches.reject(&:own)
      smaller = (0...lent.size).flat_map { |size| Wrenches::LENT.combination(size).to_a }
      refute(smaller.any? { |some| values.all? { |value| (own + some).any? { |one| one.reaches?(value) } } })
    end
  end

  # Both reach it: the customer's own is taken, though the lent one is smaller.
  def test_the_customer_s_own_wrench_comes_first
    own = Wrench.customer(10, 200, "N·m")
    choice = Wrenches::Choice.new(wrenches: [Wrenches::LENT.find { |wrench| wrench.reaches?(20) }, own], missing: [])
    assert_same own, choice.for(20)
  end

  # 100 lbf·ft are 135.58 N·m (NIST SP 811, appendix B).
  def test_a_customer_s_wrench_in_its_own_unit
    own = Wrench.customer(20, 100, "lbf·ft")
    assert own.reaches?(135.5)
    refute own.reaches?(135.6)
    assert_equal ["customer's torque wrench 20 to 100 lbf·ft"], told(Wrenches.choose([60, 130], own: [own])).first
    { [100, 20, "N·m"] => "upside_down", [5, 5, "N·m"] => "upside_down", [0, 10, "N·m"] => "not_positive", [-2, 10, "N·m"] => "not_positive",
      [1, 10, "bar"] => "unknown_unit", [1, 10, "stone"] => "unknown_unit" }.each do |wrong, code|
      assert_equal code, assert_raises(Gimlet::Core::InputError) { Wrench.customer(*wrong) }.code, wrong.inspect
    end
  end
end
