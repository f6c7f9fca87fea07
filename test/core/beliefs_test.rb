# frozen_string_literal: true

require_relative "../support/core"

# Fields, observations and what is remembered between steps of a call.
class BeliefsTest < Minitest::Test
  include DemoCatalogue
  include Gimlet::Core::Identification

  def fresh = Field.new(FIELD.hypotheses, vocabulary)
  def told(readings) = Observations.of(readings).map { |one| one.readings.map { |reading| [reading.trait, reading.value] } }

  def test_what_is_said_again_puts_right_what_was_said
    assert_equal [[["cylinders", 3]]], told([reading("cylinders", 2), reading("cylinders", 3)])
    assert_equal [[["cylinders", 2]]], told([reading("cylinders", 2), reading("cylinders", unknown: true)]), "not sure takes nothing back"
    assert_equal [[%w[part_number DB7710]], [%w[part_number PWK220]]], told([reading("part_number", "DB 7710"), reading("part_number", "PW-K220")])
  end

  def test_a_denial_stands_beside_a_value
    both = told([reading("manifold_material", "brass", denied: true), reading("manifold_material", "stainless")])
    assert_equal [[%w[manifold_material brass]], [%w[manifold_material stainless]]], both
  end

  def test_sizes_of_one_object_are_one_observation
    sizes = [reading("seal_id_mm", 20), reading("seal_od_mm", 28), reading("seal_height_mm", 6)]
    assert_equal 1, Observations.of(sizes).size
    assert_equal 2, Observations.of([*sizes, reading("seal_id_mm", 30)]).size, "a size said again is of the next seal"
    assert_equal 1, Observations.of(sizes + sizes).size, "the same seal twice"
  end

  # Going on from a remembered belief gives what starting from nothing gives, in any order of asking.
  def test_remembered_steps_change_nothing
    random = Random.new(Minitest.seed)
    remembering = fresh
    20.times do
      truth = snapshot.variants.sample(random: random)
      ids = %w[cylinders head_bolts head_bolt_drive cover_colour plunger_mm flow_l_min speed_rpm maker].select { |id| truth.trait(id) }
      readings = ids.sample(random.rand(1..6), random: random).reject { |id| truth.trait(id).is_a?(Range) }.map { |id| reading(id, truth.trait(id)) }
      (1..readings.size).each { |count| Posterior.of(remembering, readings.take(count)) }
      once, again = Posterior.new(fresh, readings), Posterior.of(remembering, readings)
      FIELD.hypotheses.each_index { |at| assert_in_delta once.probability(at), again.probability(at), 1e-9 }
      assert_in_delta once.none, again.none, 1e-9
    end
  end

  # The order in which things are said does not matter to what is believed.
  def test_the_order_of_readings_does_not_matter
    random = Random.new(Minitest.seed)
    readings = [reading("cylinders", 3), reading("head_bolts", 8), reading("plate", "*K4*"), reading("flow_l_min", 12.2), reading("speed_rpm", 1450)]
    first = Posterior.new(fresh, readings)
    5.times do
      other = Posterior.new(fresh, readings.shuffle(random: random))
      FIELD.hypotheses.each_index { |at| assert_in_delta first.probability(at), other.probability(at), 1e-9 }
    end
  end

  def test_only_so_much_is_remembered
    field = fresh
    most = Field::REMEMBERED[:beliefs]
    (most + 5).times { |at| field.recall(:beliefs, at) { at } }
    assert_equal :again, field.recall(:beliefs, 0) { :again }, "the oldest was forgotten"
    assert_equal most + 4, field.recall(:beliefs, most + 4) { :again }
  end

  def test_those_alive
    alive = Remaining.of([0.4, 0.0, 0.2, 1e-9, 0.4], 0.0)
    assert_equal [0, 2, 4], alive.places, "what is a millionth of the likeliest is ruled out"
    assert_equal [[0, 4], [0, 4]], [alive.at_least(0.3).places, alive.top(2).map(&:first)]
    sums = alive.sums([7, 7, 8, 8, 7])
    assert_in_delta 0.8, sums[7], 1e-6
    assert_in_delta 0.2, sums[8], 1e-6
  end

  def test_columns_share_out_the_prior
    %w[cylinders maker plate seal serial].each do |key|
      column = FIELD.column(key)
      assert_in_delta 1.0, column.shares.sum, 1e-9, key
      assert_equal FIELD.hypotheses.size, column.places.size
      assert_equal column.values.size, column.places.uniq.size
    end
    assert_in_delta 15.0 / 1450, FIELD.column("flow_l_min/speed_rpm").values.compact.find { |one| ((one * 1450) - 15.0).abs < 0.01 }, 1e-6
  end

  def test_possibilities_are_pumps_without_being_pumps
    one = FIELD.hypotheses[snapshot.variants.index(variant("TK4L20 from 31000"))]
    assert_equal [%w[TK4L20 T4L20], 31_000, 12, "pellwick-tk4"],
                 [one.traits["plate"], one.traits["serial"].begin, one.traits["stroke_mm"], one.family]
    assert_includes one.traits["seal"], [20, 28, 6, "U-cup"]
    assert_includes one.traits["spring"], [7, "black"]
    assert_includes one.traits["part_number"], "PW-K42B"
    refute_includes one.traits["part_number"], "PW-K42A"
    assert_in_delta 22 * 0.55, one.weight
    assert_predicate one.traits, :frozen?
  end

  def test_order_ids_are_the_same_for_the_same_order_only
    ids = Gimlet::Core::Identification::OrderIds.new
    at = ->(id) { snapshot.variants.index(variant(id)) }
    packings = ids.call(snapshot, ["packings"])
    assert_equal packings[at.call("TK4L20 from 31000")], packings[at.call("TK4R20 before 31000")]
    refute_equal packings[at.call("TK4L20 from 31000")], packings[at.call("TK4L18 from 31000")]
    valves = ids.call(snapshot, ["discharge_valves"])
    refute_equal valves[at.call("TK4L20 from 31000")], valves[at.call("TK4L20 before 31000")]
    assert_equal packings, Gimlet::Core::Identification::OrderIds.new.call(snapshot, ["packings"]), "the same on every run"
    ids.keep([])
    assert_equal packings, ids.call(snapshot, ["packings"])
  end

  # Common practice, no source: of a hundred pumps that come over a counter one to five are in no catalogue.
  def test_before_anything_was_seen_a_pump_may_be_in_no_catalogue
    assert_includes 0.01..0.05, Posterior.new(fresh, []).none
  end

  # "Not 1450" says nothing of how fast it turns: the rated flow stays what it is.
  def test_a_denied_speed_leaves_the_flow_alone
    flow = reading("flow_l_min", 15)
    weighed = ->(*others) { Posterior.new(fresh, [flow, *others]).weighed.find { |one| one.observation.trait.id == "flow_l_min" }.found }
    assert_equal weighed.call, weighed.call(reading("speed_rpm", 1450, denied: true))
    refute_equal weighed.call, weighed.call(reading("speed_rpm", 1750))
  end
end
