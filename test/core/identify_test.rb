# frozen_string_literal: true

require_relative "../support/core"

class IdentifyTest < Minitest::Test
  include DemoCatalogue
  include Gimlet::Core::Candidates

  SCOPE = %w[inlet_valves discharge_valves packings].freeze

  def field = @field ||= Field.new(snapshot.variants)

  def classes(scope = SCOPE)
    (@classes ||= {})[scope] ||= OrderClasses.new(snapshot.variants, Gimlet::Core::Plan::Signature.all(snapshot.variants, scope, snapshot))
  end

  def identify(*readings, scope: SCOPE, channel: "phone", owned: [])
    Identify.new(field, classes(scope)).call(readings, channel: channel, owned: owned)
  end

  def call_so_far
    [reading("plate", "*K4*20"), reading("head_bolts", 8), reading("head_bolt_drive", "hex 6"), reading("cylinders", 3),
     reading("plunger_material", "ceramic")]
  end

  def test_probabilities_add_up_to_one
    assert_in_delta 1.0, identify(*call_so_far).candidates.sum(&:probability), 1e-9
  end

  # An oracle by hand: two sizes, equally common, one reading with a known rate of mistakes.
  def test_bayes_by_hand
    variants = [variant("DK418"), variant("SC325L")]
    posterior = Posterior.new(Field.new(variants), [reading("head_bolt_drive", "hex 10")], prior: [0.5, 0.5])
    wrong = 0.05
    expected = (1 - wrong) / ((1 - wrong) + (wrong / 3))
    assert_in_delta expected, posterior.probabilities.last, 1e-12
  end

  def test_the_call_leaves_one_thing_to_ask
    found = identify(*call_so_far)
    refute found.enough
    assert_match(/\ATK4[LR]20/, found.candidates.first.variant.id)
    assert_equal "sight_glass", found.questions.first.trait
    assert_equal %w[rear side], found.questions.first.answers.map(&:label).sort
  end

  def test_enough_to_order_with_several_models_left
    found = identify(*call_so_far, reading("sight_glass", "side"))
    assert found.enough
    assert_equal ["TK4L20 from 31000", "TK4R20 from 31000"], found.order_classes.first.variants.map(&:id).sort
    assert_operator found.candidates.first.probability, :<, 0.95
  end

  def test_the_serial_alone_decides_too
    found = identify(*call_so_far, reading("serial", 30_999))
    assert found.enough
    assert_equal "before 31000", found.candidates.first.variant.serial_range
  end

  def test_order_classes_depend_on_the_agreed_work
    packings = identify(*call_so_far, scope: ["packings"])
    assert packings.enough, "the serial break changes the discharge valves only"
  end

  def test_what_does_not_change_the_order_is_said
    sides = identify(*call_so_far, reading("sight_glass", "side")).differences.find { |one| one.trait == "shaft_side" }
    refute sides.changes_order
    assert identify(*call_so_far).differences.first.changes_order
  end

  def test_a_worn_plunger_is_still_its_size_but_a_thicker_one_is_not
    worn = identify(reading("plunger_mm", "17.7 mm", tool: "caliper"), reading("cylinders", 3))
    assert_equal 18, worn.candidates.first.variant.trait("plunger_mm")
    fit = ->(size) { Likelihood.over(reading("plunger_mm", size, tool: "caliper"), [18]).first }
    assert_operator fit.call("17.8 mm"), :>, 5 * fit.call("18.2 mm")
  end

  # 17.6 L/min at 1450 rpm is 12.14 L/min at 1000 rpm: the same pump on another pulley.
  def test_flow_is_weighed_at_the_speed_it_was_read_with
    found = identify(reading("flow_l_min", 12.14), reading("speed_rpm", 1000), reading("head_bolt_drive", "socket 13"))
    assert_match(/DK420/, found.candidates.first.variant.id)
  end

  def test_the_doubtful_reading_is_named_with_both_outcomes
    found = identify(reading("plate", "DK420"), reading("head_bolts", 8), reading("cylinders", 2))
    doubt = found.contradictions.first
    assert_equal "cylinders", doubt.reading.trait
    assert_match(/DK420/, doubt.without.first.first.designation)
    assert_match(/Check it/, doubt.text)
    assert_empty identify(*call_so_far).contradictions
  end

  def test_not_sure_changes_no_belief_and_is_not_asked_again
    before, after = identify(*call_so_far), identify(*call_so_far, reading("sight_glass", unknown: true))
    assert_equal before.candidates.map(&:probability), after.candidates.map(&:probability)
    refute_includes after.questions.map(&:trait), "sight_glass"
    assert_equal "serial", after.questions.first.trait
  end

  def test_pumps_that_the_customer_owns_come_first
    assert_equal "SC330L", identify(owned: ["SC330L"]).candidates.first.variant.designation
  end

  def test_old_parts_in_hand_are_asked_about_parts_only
    assert_empty identify(channel: "parts").questions.map(&:trait) - %w[plunger_mm plunger_material plunger_held_by]
  end

  # Information cannot be negative, and no answer tells more than there is to know.
  def test_gains_lie_between_nothing_and_all_there_is
    random = Random.new(Minitest.seed)
    50.times do
      readings = call_so_far.sample(random.rand(0..4), random: random)
      found = identify(*readings)
      entropy = found.order_classes.sum { |one| one.probability.positive? ? -one.probability * Math.log2(one.probability) : 0 }
      found.questions.each { |one| assert_includes 0..(entropy + 1e-9), one.gain_bits, one.trait }
    end
  end

  # Simulated callers who are never wrong and answer every question must end at the right order.
  def test_asking_on_ends_at_the_right_order
    snapshot.variants.each_with_index do |truth, at|
      readings = []
      12.times do
        found = identify(*readings)
        break if found.enough || found.questions.empty?

        readings << true_answer(found.questions.first, truth)
      end
      assert_equal classes.id_of(at), identify(*readings).order_classes.first.id, truth.id
    end
  end

  def true_answer(question, truth)
    return reading("plate", truth.designation) if question.trait == "plate"
    return reading("serial", truth.first_serial || (truth.end_serial ? truth.end_serial - 1 : 5)) if question.trait == "serial"

    value = truth.trait(question.trait)
    value ? reading(question.trait, value) : reading(question.trait, unknown: true)
  end
end
