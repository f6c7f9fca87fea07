# frozen_string_literal: true

require_relative "../support/core"

class IdentifyTest < Minitest::Test
  include DemoCatalogue
  include Gimlet::Core::Identification

  PICTURES = Gimlet::Core::Identification::Pictures.new(Gimlet::Core::Outside::Drawings.new)
  SCOPE = %w[inlet_valves discharge_valves packings].freeze

  def field = FIELD
  def classes(scope = SCOPE) = (@classes ||= {})[scope] ||= OrderClasses.new(ORDER_IDS.call(snapshot, scope))
  def all(posterior) = posterior.then { |one| field_size(one).times.map { |at| one.probability(at) } }
  def field_size(posterior) = posterior.weighed.first.places.size
  def leader(found) = snapshot.variants[found.candidates.first.at]
  def asked(found) = found.questions.map { |question| question.trait.id }

  def identify(*readings, scope: SCOPE, channel: "phone", owned: [], settled: [])
    Identify.new(field, classes(scope)).call(readings, channel: channel, owned: owned, settled: settled)
  end

  def call_so_far
    [reading("plate", "*K4*20"), reading("head_bolts", 8), reading("head_bolt_drive", "hex 6"), reading("cylinders", 3),
     reading("plunger_material", "ceramic")]
  end

  def test_probabilities_add_up_to_one
    posterior = Posterior.new(field, call_so_far)
    assert_in_delta 1.0, all(posterior).sum + posterior.none, 1e-9
    without = posterior.without(posterior.weighed.first)
    again = Posterior.new(field, call_so_far.drop(1)).alive
    assert_equal again.places, without.places
    again.values.zip(without.values) { |one, two| assert_in_delta one, two, 1e-9 }
  end

  # Each "not sure" of a group makes it less likely that the next of that group gets an answer.
  def test_who_is_not_sure_is_asked_something_else
    group = vocabulary.traits.values.select { |trait| trait.group == "opened" && trait.cost("counter") }.first(3)
    gains = (0..2).map do |unsure|
      told = call_so_far + group.first(unsure).map { |trait| reading(trait.id, unknown: true) }
      alive = Posterior.new(field, told).alive
      NextQuestion.new(field, classes.places, alive, channel: "counter", readings: told).send(:answered, group.last)
    end
    again = Gimlet::Core::Readings::Likelihoods::AGAIN_IN_GROUP["opened"]
    assert_in_delta again, gains[1] / gains[0], 1e-12
    assert_in_delta again, gains[2] / gains[1], 1e-12
  end

  # A colour alone does not matter; beside another doubt each of them does, and settling one leaves the other.
  def test_two_doubts_matter_where_one_does_not
    alone = identify(*call_so_far, reading("cover_colour", "red"))
    assert_equal [false], alone.doubts.map(&:matters)
    refute_includes alone.blockers, "doubt"
    told = [*call_so_far.reject { |one| one.trait == "cylinders" }, reading("cover_colour", "red"), reading("cylinders", 2)]
    found = identify(*told)
    assert_equal [true, true], found.doubts.map(&:matters)
    assert_includes found.blockers, "doubt"
    keys = found.doubts.map(&:key)
    assert_includes identify(*told, settled: keys.take(1)).blockers, "doubt"
    refute_includes identify(*told, settled: keys).blockers, "doubt"
  end

  # An oracle by hand: two pumps, equally common, one reading with a known rate of mistakes, and none of them: of no series, or one of either
  # series in another size.
  def test_bayes_by_hand
    two = [["a", "hex 6"], ["b", "hex 10"]].map do |id, drive|
      Hypothesis.new(id: id, weight: 1, family: id, traits: { "head_bolt_drive" => drive }.freeze)
    end
    posterior = Posterior.new(Field.new(two, vocabulary), [reading("head_bolt_drive", "hex 10")])
    likelihoods, wrong = Gimlet::Core::Readings::Likelihoods, trait("head_bolt_drive").mistaken
    told, other = 1 - wrong, wrong / likelihoods::FEWEST_CHOICES
    mean = (told + other) / 2
    outright = ((1 - likelihoods::UNSEEN) * mean) + (likelihoods::UNSEEN * other)
    none = likelihoods::NOT_IN_CATALOGUE * (((1 - likelihoods::KNOWN_SERIES) * outright) + (likelihoods::KNOWN_SERIES * mean))
    weights = [other, told].map { |one| (1 - likelihoods::NOT_IN_CATALOGUE) / 2 * one }
    assert_in_delta weights.last / (weights.sum + none), all(posterior).last, 1e-12
    assert_in_delta none / (weights.sum + none), posterior.none, 1e-12
  end

  # A series of three bores and one of two: a third bore of the second is more like it than like none, as everything but its size fits.
  def column_of(places)
    Column.new(values: places.uniq, places: places, families: [], names: nil, prior: [0.2] * places.size)
  end

  def test_a_size_that_is_not_on_file_is_of_its_series
    rows = [["a", 16, "hex 6"], ["a", 18, "hex 6"], ["a", 20, "hex 6"], ["b", 15, "hex 10"], ["b", 22, "hex 10"]]
    five = rows.map do |family, bore, drive|
      traits = { "plunger_mm" => bore, "head_bolt_drive" => drive, "cover_colour" => family == "a" ? "black" : "blue" }.freeze
      Hypothesis.new(id: "#{family}#{bore}", weight: 1, family: family, traits: traits)
    end
    told = [reading("head_bolt_drive", "hex 10"), reading("cover_colour", "blue"), reading("plunger_mm", 28, observer: "counter", tool: "caliper")]
    posterior = Posterior.new(Field.new(five, vocabulary), told)
    assert_equal "b", five[posterior.kin].family
    assert_operator posterior.none, :>, Posterior.new(Field.new(five, vocabulary), told.first(2)).none, "the size speaks for it"
    assert_nil Posterior.new(Field.new(five, vocabulary), []).kin, "of no series, while nothing was said"
    unlisted = Gimlet::Core::Identification::Unlisted.new({ "a" => [0, 1, 2], "b" => [3, 4] }, [0.2] * 5, 0.1)
    assert_in_delta 0.1, unlisted.start.sum, 1e-12
    assert_equal [0.5, 0.5, 0.5], unlisted.likelihoods(column_of([0, 1, 2, 3, 4]), [0.1, 0.2, 0.3, 0.4, 0.5], 0.5), "goes by size"
    assert_equal [0.5, 0.9, 0.1], unlisted.likelihoods(column_of([0, 0, 0, 1, 1]), [0.9, 0.1], 0.5), "goes by series"
  end

  # Who asks for work that a pump has not, hardly has that pump.
  def test_work_that_is_asked_for_tells_of_the_pump
    two = %w[a b].map { |id| Hypothesis.new(id: id, weight: 1, family: id, traits: {}.freeze) }
    posterior = Posterior.new(Field.new(two, vocabulary), [], lacking: [0])
    assert_in_delta Posterior::WORK_LACKING, posterior.probability(0) / posterior.probability(1), 1e-12
  end

  # However likely it still is: what can only be explained by five mistakes is none of the catalogue's.
  def test_five_mistakes_are_another_pump
    told = [reading("plate", "TK4L20", observer: "counter"), reading("cylinders", 5), reading("head_bolts", 14), reading("cover_colour", "yellow"),
            reading("sight_glass", "none"), reading("manifold_material", "plastic"), reading("plunger_mm", 40, observer: "counter", tool: "caliper")]
    found = identify(*told)
    assert_operator found.doubts.size, :>=, 5
    assert_includes found.blockers, "not_in_catalogue"
    refute found.plausible
  end

  def test_the_call_leaves_one_thing_to_ask
    found = identify(*call_so_far)
    refute found.enough
    assert_match(/\ATK4[LR]20/, leader(found).id)
    assert_equal "sight_glass", asked(found).first
    assert_equal ["none of these", "rear", "side"], found.questions.first.answers.map(&:label).sort
  end

  def test_enough_to_order_with_several_models_left
    found = identify(*call_so_far, reading("sight_glass", "side"))
    assert found.enough
    assert_equal ["TK4L20 from 31000", "TK4R20 from 31000"], found.order_classes.first.members.map { |at| snapshot.variants[at].id }.sort
    assert_operator found.candidates.first.probability, :<, 0.95
  end

  def test_the_serial_alone_decides_too
    found = identify(*call_so_far, reading("serial", 30_999))
    assert found.enough
    assert_equal "before 31000", leader(found).serial_range
  end

  def test_order_classes_depend_on_the_agreed_work
    packings = identify(*call_so_far, scope: ["packings"])
    assert_operator packings.order_classes.first.probability, :>, 0.95, "the serial break changes the discharge valves only"
  end

  def test_which_differences_matter
    splits = ->(values, orders) { Differences.splits_classes?(values, orders) }
    assert splits.call(%w[side rear side], %w[A B A])
    refute splits.call(%w[right left right], %w[A A B]), "a left one of order B may exist as well"
    assert splits.call(%w[Pellwick Pellwick Drosselby], %w[A B C])
    refute splits.call(%w[left right], %w[A A])
  end

  def test_what_does_not_change_the_order_is_said
    sides = identify(*call_so_far, reading("sight_glass", "side")).differences.find { |difference| difference.trait.id == "shaft_side" }
    refute sides.changes_order
    assert identify(*call_so_far).differences.first.changes_order
  end

  def test_a_worn_plunger_is_still_its_size_but_a_thicker_one_is_not
    worn = identify(reading("plunger_mm", "17.7 mm", tool: "caliper"), reading("cylinders", 3))
    assert_equal 18, leader(worn).trait("plunger_mm")
    fit = ->(size) { trait("plunger_mm").kind.fits(reading("plunger_mm", size, tool: "caliper"), 18, 1) }
    assert_operator fit.call("17.8 mm"), :>, 5 * fit.call("18.2 mm")
  end

  # 17.6 L/min at 1450 rpm is 12.14 L/min at 1000 rpm: the same pump on another pulley.
  def test_flow_is_weighed_at_the_speed_it_was_read_with
    found = identify(reading("flow_l_min", 12.14), reading("speed_rpm", 1000), reading("head_bolt_drive", "socket 13"))
    assert_match(/DK420/, leader(found).id)
  end

  def test_the_doubtful_reading_is_named_with_both_outcomes
    found = identify(reading("plate", "DK420"), reading("head_bolts", 8), reading("cylinders", 2))
    doubt = found.doubts.first
    assert_equal "cylinders", doubt.trait.id
    assert doubt.matters
    assert_match(/DK420/, snapshot.variants[doubt.without.first.first].designation)
    assert_empty identify(*call_so_far).doubts
  end

  def test_a_doubt_that_matters_is_checked_again_settled_or_put_right
    told = [reading("plate", "DK420"), reading("flow_l_min", 17.6), reading("cover_colour", "grey"), reading("cylinders", 2)]
    found = identify(*told)
    refute found.enough
    assert_equal %w[cylinders again], [asked(found).first, found.questions.first.why]
    refute identify(*told, reading("cylinders", 2)).enough, "said again it still does not fit"
    refute_includes asked(identify(*told, reading("cylinders", 2))), "cylinders"
    assert identify(*told, settled: [found.doubts.first.key]).enough
    assert identify(*told, reading("cylinders", 3)).enough, "the last count is the one that counts"
  end

  # A bag or a sticker may be that of another pump: its siblings need another order, so one thing more is checked.
  def test_a_plate_that_nothing_else_confirms_is_checked
    bare = identify(reading("plate", "RPL20"), scope: ["packings"])
    assert_equal ["plate_unconfirmed"], bare.blockers
    check = bare.questions.first
    assert_equal "check", check.why
    unsure = identify(reading("plate", "RPL20"), reading(check.trait.id, unknown: true), scope: ["packings"])
    refute unsure.enough
    refute_equal check.trait.id, asked(unsure).first
    told = [reading("plate", "RPL20"), reading("flow_l_min", 13.2), reading("cover_colour", "black")]
    assert identify(*told, scope: ["packings"]).enough
    assert identify(reading("plate", "RPL20"), scope: ["packings"], settled: ["plate_unconfirmed"]).enough
  end

  def test_a_wrong_plate_is_that_of_another_pump
    posterior = Posterior.new(field, [reading("plate", "TK4L20")])
    by_model = snapshot.variants.zip(all(posterior)).group_by { |one, _| one.series.id == "pellwick-tk4" }
    sibling = by_model[true].reject { |one, _| one.designation == "TK4L20" }.sum(&:last)
    assert_operator sibling, :>, by_model[false].sum(&:last) * 0.5
    assert_operator sibling, :>, posterior.none
  end

  def test_a_value_that_no_pump_has_speaks_for_none_of_them
    known, another = identify(reading("maker", "Pellwick")), identify(reading("maker", "another"))
    assert_operator another.none, :>, 20 * known.none
  end

  def test_what_is_denied_and_what_is_not_certain
    brass = lambda { |**how|
      identify(reading("manifold_material", "brass", **how)).candidates.count do |candidate|
        snapshot.variants[candidate.at].trait("manifold_material") == "brass"
      end
    }
    assert_operator brass.call, :>, brass.call(denied: true)
    sure, unsure = Posterior.new(field, [reading("cylinders", 2)]), Posterior.new(field, [reading("cylinders", 2, hedged: true)])
    assert_operator sure.alive.most, :>, unsure.alive.most
  end

  # A seal is one object: both its diameters must belong to the same seal of a pump.
  def test_two_sizes_of_one_seal_do_not_come_from_two
    two = [["mixed", [[20, 30, 5], [25, 28, 6]]], ["right", [[20, 28, 6]]]].map do |id, seals|
      Hypothesis.new(id: id, weight: 1, family: id, traits: { "seal" => seals }.freeze)
    end
    sizes = [reading("seal_id_mm", "20 mm", tool: "caliper"), reading("seal_od_mm", "28 mm", tool: "caliper")]
    assert_operator all(Posterior.new(Field.new(two, vocabulary), sizes)).last, :>, 0.9
  end

  def test_not_sure_changes_no_belief_and_is_not_asked_again
    before, after = identify(*call_so_far), identify(*call_so_far, reading("sight_glass", unknown: true))
    assert_equal before.candidates.map(&:probability), after.candidates.map(&:probability)
    refute_includes asked(after), "sight_glass"
    assert_equal "serial", asked(after).first
  end

  def test_pumps_that_the_customer_owns_come_first
    assert_equal "SC330L", leader(identify(owned: ["SC330L"])).designation
  end

  def test_old_parts_in_hand_are_asked_about_parts_only
    assert_empty asked(identify(channel: "parts")) -
                 %w[plunger_mm plunger_material plunger_held_by part_number seal_id_mm seal_od_mm seal_height_mm valve_od_mm oring_id_mm
                    oring_section_mm spring_turns spring_colour]
  end

  def test_a_measured_seal_speaks_for_the_pumps_that_hold_it
    found = identify(reading("seal_id_mm", "20 mm", tool: "caliper"), reading("seal_od_mm", "28 mm", tool: "caliper"), channel: "parts")
    assert_operator found.candidates.select { |candidate| snapshot.variants[candidate.at].trait("plunger_mm") == 20 }.sum(&:probability), :>, 0.85
    assert_match(/TK4[LR]20|RP[LR]20/, leader(found).id)
  end

  def test_an_old_number_and_its_supersession
    [["DB 7710", /DK4/], ["db-7715", /DK4/], ["PW-4400", /TK4/], ["PW-K42A", /TK4.* before 31000/],
     ["TF2-K16", /OB216C/]].each do |number, models|
      found = identify(reading("part_number", number))
      assert_match models, leader(found).id, number
      assert_operator found.candidates.select { |candidate| snapshot.variants[candidate.at].id.match?(models) }.sum(&:probability), :>, 0.8, number
    end
  end

  def test_nothing_like_it_in_the_catalogue_is_said
    strange = [reading("plate", "ZZ9931QX"), reading("head_bolts", 14), reading("cylinders", 5), reading("manifold_material", "brass")]
    found = identify(*strange)
    refute found.plausible
    refute found.enough
    assert identify(*call_so_far).plausible
    assert identify.plausible
  end

  # 3 × π/4 × 18² × 12 × 1450 / 10⁶ is 13.3 L/min: the arithmetic is the handbook's, the pump is the demo's.
  def test_a_flow_that_the_pump_cannot_make
    seen = ->(flow, *others) { identify(reading("plate", "TK4L18"), reading("flow_l_min", flow), reading("speed_rpm", 1450), *others).flow }
    assert_nil seen.call(12.2)
    assert_equal "too_much", seen.call(15).verdict
    assert_includes seen.call(15).arithmetic, "3 × π/4 × 18² mm² × 12 mm × 1450 rpm / 10⁶ = 13.3 L/min swept"
    assert_equal "too_little", seen.call(8).verdict
  end

  def test_a_plate_with_the_series_mark_abbreviated
    assert_match(/TK4L20/, leader(identify(reading("plate", "T4L20"))).id)
    assert_equal %w[TK4L20 T4L20], variant("TK4L20 from 31000").spellings
  end

  def differences(pumps, scope)
    parts = Gimlet::Core::Identification::PartDifferences
    parts.call(pumps.to_h { |pump| [pump, parts.parts(pump, scope, snapshot)] })
  end

  def test_parts_that_the_likely_orders_do_not_share
    pair = [variant("TK4L20 from 31000"), variant("TK4L20 before 31000")]
    own = differences(pair, SCOPE).map { |difference| difference.parts.map(&:number).sort }
    assert_equal [%w[PW-4132 PW-4133], %w[PW-4122 PW-4123]], own
    assert_equal [[], []], differences(pair, ["packings"]).map(&:parts)
  end

  def test_the_picture_marks_where_to_look
    pictures = PICTURES
    assert_equal ["cap"], pictures.of_trait(variant("DK420"), trait("cap_drive")).marked
    assert_equal 8, pictures.of_trait(variant("DK420"), trait("head_bolts")).views.first.of("bolt").size
    assert_empty pictures.of_trait(variant("TK4L20 from 31000"), trait("cap_drive")).marked, "this pump has no caps"
    assert_nil pictures.of_trait(variant("DK420"), trait("pressure_bar"))
  end

  def test_answers_that_differ_to_the_eye_are_drawn_on_pumps_that_have_them
    glass = identify(reading("cylinders", 3)).then { |found| found.questions.find { |one| one.trait.id == "sight_glass" } }
    glass ||= NextQuestion.new(field, classes.places, Posterior.new(field, []).alive, channel: "phone", readings: []).ask(trait("sight_glass"),
                                                                                                                          "narrows")
    drawn = PICTURES.of_answers(glass.answers, glass.trait, snapshot.variants)
    glass.answers.zip(drawn).each do |answer, picture|
      assert_equal answer.reading.value, picture.variant.trait("sight_glass") if picture
    end
    assert_operator drawn.compact.size, :>=, 3
    sizes = NextQuestion.new(field, classes.places, Posterior.new(field, []).alive, channel: "phone", readings: []).ask(trait("plunger_mm"),
                                                                                                                        "narrows")
    assert_empty PICTURES.of_answers(sizes.answers, sizes.trait, snapshot.variants).compact, "18 and 20 mm look alike"
  end

  def test_side_by_side_only_what_is_not_alike_is_picked_out
    two = PICTURES.beside([variant("DK420"), variant("TK4L20 from 31000"), variant("DK418")], vocabulary)
    assert_equal(%w[DK4 TK4], two.map { |one| one.variant.series.name })
    assert_includes two.first.marked, "cap"
    refute_includes two.first.marked, "body", "its colour is told beneath"
    assert_includes two.first.differs.map(&:id), "cover_colour"
    refute_includes two.first.differs.map(&:id), "cylinders"
    refute_includes two.first.differs.map(&:id), "manifold_material", "both are brass"
  end

  def test_the_same_thing_said_twice_counts_once
    once, twice = identify(reading("head_bolts", 8)), identify(reading("head_bolts", 8), reading("head_bolts", 8))
    assert_equal once.candidates.map(&:probability), twice.candidates.map(&:probability)
  end

  def test_serials_between_two_breaks_are_an_answer_of_their_own
    document = document("drosselby-dk4")
    document["serial_breaks"] =
      [{ "id" => "a", "from" => 100, "note" => "n" }, { "id" => "b", "from" => 500, "note" => "n", "share_from" => 0.3 }]
    document["fits"].delete_if { |fit| fit["slot"] == "valve" }
    document["fits"].push({ "slot" => "valve", "part" => "DB 7710", "for" => { "before" => "a" } },
                          { "slot" => "valve", "part" => "DB 7715", "for" => { "from" => "a", "before" => "b" } },
                          { "slot" => "valve", "part" => "DB 7711", "for" => { "from" => "b" } })
    cut = Gimlet::Core::Catalogue::Snapshot.new([Gimlet::Core::Catalogue::Build.call(document)], version: "x")
    only = Field.new(Gimlet::Core::Identification::Hypotheses.of(cut), vocabulary)
    found = Identify.new(only, OrderClasses.new(ORDER_IDS.call(cut, ["inlet_valves"]))).call([], channel: "phone")
    assert_equal "serial", asked(found).first
    assert_equal ["100 to 499", "500 or later", "before 100"], found.questions.first.answers.map(&:label).sort
  end

  def test_a_candidate_taken_by_hand_is_listed_however_unlikely
    found = Identify.new(field, classes).call([reading("plate", "SC325L")], channel: "phone", chosen: "OB216C")
    assert_includes found.candidates.map { |candidate| snapshot.variants[candidate.at].id }, "OB216C"
  end

  def test_absurd_double_and_hostile_readings_are_survived
    random = Random.new(Minitest.seed)
    texts = ["?K", "*4", "**1", "????????L", "-2", "Ø7", "A" * 60, "'; DROP TABLE", "TK4L20"]
    50.times do
      readings = [reading("plate", texts.sample(random: random)), reading("head_bolts", random.rand(0..60)),
                  reading("head_bolts", random.rand(0..60)), reading("plunger_mm", range: [0.1, 200]),
                  reading("serial", random.rand(10**12))]
      found = identify(*readings.sample(random.rand(1..5), random: random))
      assert(found.candidates.all? { |candidate| candidate.probability.finite? && candidate.probability.between?(0, 1) })
      assert_operator found.order_classes.sum(&:probability), :<=, 1 + 1e-6
      assert_operator found.order_classes.first.probability, :>=, found.candidates.first.probability - 1e-9
      assert_includes 0..1, found.none
    end
  end

  # Information cannot be negative, and no answer tells more than there is to know.
  def test_gains_lie_between_nothing_and_all_there_is
    random = Random.new(Minitest.seed)
    50.times do
      readings = call_so_far.sample(random.rand(0..4), random: random)
      found = identify(*readings)
      entropy = found.order_classes.sum do |order_class|
        order_class.probability.positive? ? -order_class.probability * Math.log2(order_class.probability) : 0
      end
      found.questions.each { |question| assert_includes 0..(entropy + 1e-9), question.gain_bits, question.trait }
    end
  end

  # Simulated callers who are never wrong and answer every question must end at the right order.
  def test_asking_on_ends_at_the_right_order
    snapshot.variants.each_with_index do |truth, at|
      readings = []
      12.times do
        found = identify(*readings)
        break if found.enough

        question = found.questions.find { |one| readings.count { |told| told.trait == one.trait.id } < 2 } or break
        readings << true_answer(question.trait, truth)
      end
      assert_equal classes.id_of(at), identify(*readings).order_classes.first.id, truth.id
    end
  end

  def true_answer(trait, truth)
    return reading("plate", truth.designation) if trait.id == "plate"
    return reading("serial", truth.first_serial || (truth.end_serial ? truth.end_serial - 1 : 5)) if trait.id == "serial"
    return reading(trait.id, unknown: true) if trait.slot || trait.many

    value = truth.trait(trait.id)
    value ? reading(trait.id, value) : reading(trait.id, unknown: true)
  end
end
