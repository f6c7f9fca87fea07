# frozen_string_literal: true

require_relative "../support/core"

class ShorthandTest < Minitest::Test
  include Gimlet::Core

  def heard(line) = Readings::Shorthand.new("maker" => ["Pellwick"], "series" => ["TK4"]).call(line)

  def values(line)
    heard(line).readings.to_h { |fields| [fields[:trait], Readings::Reading.from(fields)].then { |trait, one| [trait, one.value || one.range] } }
  end

  def test_the_call_as_it_is_said
    line = "something K, 4, then can't read, 20, eight head bolts taking a 6 mm hex key, three white plungers, " \
           "wants valves and packings, what torque"
    assert_equal({ "plate" => "*K4*20", "head_bolts" => 8, "head_bolt_drive" => "hex 6", "cylinders" => 3,
                   "plunger_material" => "ceramic" }, values(line))
    assert_equal %w[inlet_valves discharge_valves packings], heard(line).scope
    assert_empty heard(line).unread
  end

  def test_the_call_in_shorthand
    assert_equal({ "plate" => "K?420", "head_bolts" => 8, "head_bolt_drive" => "hex 6", "plunger_mm" => 20.0,
                   "plunger_material" => "ceramic", "flow_l_min" => 15.0, "speed_rpm" => 1450.0 },
                 values("8 bolts, hex 6, 20 mm ceramic, 15 lpm at 1450, plate K?4 20"))
  end

  def test_each_way_of_saying_it
    { "4 gpm" => { "flow_l_min" => 15.1416 }, "3000 psi" => { "pressure_bar" => 206.8427 }, "6 caps" => { "valve_caps" => 6 },
      "caps take a 24 socket" => { "cap_drive" => "socket 24" }, "socket 13" => { "head_bolt_drive" => "socket 13" },
      "left shaft" => { "shaft_side" => "left" }, "hollow shaft" => { "shaft_kind" => "hollow" },
      '3/4" plungers' => { "plunger_mm" => 19.05 }, "shaft 24 mm" => { "shaft_mm" => 24.0 },
      "between 18 and 20 mm" => { "plunger_mm" => [18.0, 20.0] }, "serial 31022" => { "serial" => 31_022 },
      "brass head" => { "manifold_material" => "brass" }, "side sight glass" => { "sight_glass" => "side" },
      "Pellwick TK4" => { "maker" => "Pellwick", "series" => "TK4" }, "triplex" => { "cylinders" => 3 },
      "3 steel plungers" => { "cylinders" => 3, "plunger_material" => "steel" }, "9.4 kg" => { "mass_kg" => 9.4 } }
      .each { |line, expected| assert_equal expected, values(line), line }
  end

  def test_old_parts_in_hand
    assert_equal({ "seal_id_mm" => 20.0, "seal_od_mm" => 28.0, "seal_height_mm" => 6.0 }, values("seal 20x28x6 caliper"))
    assert_equal "caliper", heard("seal 20x28x6 caliper").readings.first[:tool]
    assert_equal({ "oring_id_mm" => 16.0, "oring_section_mm" => 2.0 }, values("o-ring 16 x 2"))
    assert_equal({ "part_number" => "DBKIT120" }, values("invoice DB KIT 120"))
    assert_equal "old_invoice", heard("bag OH.K25").readings.first[:observer]
    assert_equal({ "spring_colour" => "black", "spring_turns" => 5 }, values("black spring, 5 turns"))
  end

  def test_a_bare_figure_answers_what_was_asked
    answer = ->(line, asked) { Readings::Shorthand.new.call(line, asked: asked).readings.map { |one| one.values_at(:trait, :value, :tool) } }
    assert_equal [["plunger_mm", "19.97 mm", "caliper"]], answer.call("19.97 mm caliper", "plunger_mm")
    assert_equal [["serial", "31500", nil]], answer.call("31500", "serial")
    assert_equal [["head_bolts", "8", nil]], answer.call("8 bolts", "plunger_mm")
  end

  def test_not_sure_is_a_reading
    reading = heard("not sure about the shaft side").readings.first
    assert_equal ["shaft_side", true], reading.values_at(:trait, :unknown)
  end

  def test_work_and_number_of_pumps
    assert_equal([%w[oil_seals], 2], heard("2 pumps oil seals").then { |one| [one.scope, one.pumps] })
    assert_equal 5, heard("full rebuild").scope.size
  end

  def test_nothing_is_dropped_in_silence
    assert_equal ["rattles badly"], heard("8 bolts, it rattles badly").unread
  end

  def test_any_line_is_survived
    random = Random.new(Minitest.seed)
    words = ["8", "bolts", ",", "hex", "plate", "*", "?", "mm", "\"", "at", "1/0", "(", "serial", "\\", "é", "between", "and", "%"]
    500.times do
      line = Array.new(random.rand(1..12)) { words.sample(random: random) }.join(" ")
      assert_instance_of Readings::Heard, heard(line), line
    end
  end
end
