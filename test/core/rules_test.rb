# frozen_string_literal: true

require_relative "../support/core"

# Rules that were once taken away without a test noticing: each is asked for by itself.
class RulesTest < Minitest::Test
  include DemoCatalogue

  Core = Gimlet::Core

  def teardown_of(id, scope, extent: nil) = Core::Teardown.of(variant(id), extent ? Core::Scope.of(scope, extent: extent) : scope)
  def found(slot, outcome, position = nil) = Core::Finding.new(slot: slot, outcome: outcome, position: position)
  def demand(id, scope, **others) = Core::Demand.new(teardown_of(id, scope), snapshot, **others)

  def fates(id, scope, *findings)
    Core::Fates.of(teardown_of(id, scope), findings).group_by { |fate| fate.place.layer.slot }.transform_values { |same| same.map(&:kind) }
  end

  # However good it looks: a crush washer that came off, a seal that came out with its guide.
  def test_a_good_finding_does_not_save_what_removal_destroys
    %w[crush_washer rod_oring lp_seal].each do |slot|
      assert_equal [:replace] * 3, fates("DK418", ["oil_seals"], found(slot, "as_it_is"))[slot], slot
    end
    assert_equal [:keep] * 3, fates("SC325L", ["oil_seals"], found("seal_case", "as_it_is"))["seal_case"]
  end

  # What is always renewed with agreed work is renewed, but where only the leak is mended and it can be judged.
  def test_a_good_finding_and_what_is_always_renewed
    assert_equal [:replace] * 3, fates("DK418", ["oil_seals"], found("oil_seal", "as_it_is"))["oil_seal"]
    spring = lambda do |extent|
      good = [Core::Finding.new(slot: "inlet_spring", measured: { "free length" => 30.0 })]
      all = Core::Fates.of(teardown_of("MGL40", ["inlet_valves"], extent: extent), good)
      all.select { |fate| fate.place.layer.slot == "inlet_spring" }.map(&:kind).uniq
    end
    assert_equal [[:replace], [:keep]], [spring.call("recommended"), spring.call("leak_only")]
  end

  def test_a_finding_with_a_place_beats_one_without
    there = "cylinder 2"
    [[found("seal_case", "replace"), found("seal_case", "as_it_is", there)],
     [found("seal_case", "as_it_is", there), found("seal_case", "replace")]].each do |both|
      cases = Core::Fates.of(teardown_of("SC325L", ["oil_seals"]), both).select { |fate| fate.place.layer.slot == "seal_case" }
      assert_equal({ "cylinder 1" => :replace, there => :keep, "cylinder 3" => :replace }, cases.to_h { |fate| [fate.place.position, fate.kind] })
    end
  end

  # Held against a closure of its own (union of overlapping sets, over and over), for random rules in random order.
  def test_what_is_changed_together_is_a_closure
    random = Random.new(Minitest.seed)
    areas = %w[inlet_valves discharge_valves packings plungers oil_seals]
    80.times do
      rules = Array.new(random.rand(1..4)) { areas.sample(2, random: random) }
      text = document("drosselby-dk4").merge("change_together" => rules.map { |some| { "areas" => some, "reason" => some.join(" and ") } })
      pump = Core::Catalogue::Snapshot.new([Core::Catalogue::Build.call(text)], version: "x").variants.first
      agreed = [areas.sample(random: random)]
      wanted = agreed.dup
      rules.size.times { rules.each { |some| wanted |= some if some.intersect?(wanted) } }
      found = Core::Teardown.of(pump, agreed)
      assert_equal (wanted - agreed).sort, found.added.keys.sort, "#{agreed} by #{rules}, seed #{Minitest.seed}"
      assert(found.added.all? { |id, why| why.split(" and ").include?(id) })
    end
  end

  # A limit is what is still good: at least 30 mm is kept at 30.
  def test_the_edge_of_a_criterion
    least = Core::Catalogue::Criterion.new(measure: "free length", at_least: 30, unit: "mm", outcome: "replace")
    most = Core::Catalogue::Criterion.new(measure: "wear", at_most: 0.15, unit: "mm", outcome: "replace")
    assert_equal [false, true, false, true], [least.broken_by?(30), least.broken_by?(29.999), most.broken_by?(0.15), most.broken_by?(0.1501)]
  end

  # Pieces without a number, and those that go along in case, are counted for every pump.
  def test_missing_and_held_are_counted_for_every_pump
    one, three = [1, 3].map { |pumps| demand("PG50L", ["discharge_valves"], pumps: pumps) }
    refute_empty one.held
    assert_equal one.held.map { |held| held.quantity * 3 }, three.held.map(&:quantity)
    broken = document("drosselby-dk4")
    broken["fits"].reject! { |fit| fit["slot"] == "crush_washer" }
    series = Core::Catalogue::Snapshot.new([Core::Catalogue::Build.call(broken)], version: "x")
    missing = lambda do |pumps|
      work = Core::Teardown.of(series.variants.find { |variant| variant.id == "DK418" }, ["oil_seals"])
      Core::Demand.new(work, series, pumps: pumps).missing.map(&:quantity)
    end
    assert_equal [[3], [9]], [missing.call(1), missing.call(3)]
  end

  # Two pumps that need the same parts, but another torque, or another setting of the crank, are two orders.
  def test_turns_and_crank_are_part_of_an_order
    pair = lambda do |&change|
      same, other = [document("drosselby-dk4"), document("drosselby-dk4").tap { |one| change.call(one) }].map do |text|
        one = Core::Catalogue::Snapshot.new([Core::Catalogue::Build.call(text)], version: "x")
        Core::Identification::Signature.of(one.variants.find { |variant| variant.id == "DK418" }, ["packings"], one)
      end
      same == other
    end
    assert(pair.call { |text| text["series"]["manual"] = "another edition" }, "what is not on the bench tells no orders apart")
    refute(pair.call { |text| text["fasteners"].find { |fastener| fastener["id"] == "head_bolts" }["tightenings"][0]["value"] += 1 })
    refute(pair.call { |text| text["refit"]["school"] = "centre_out" })
  end

  # The sheet's tolerance is of the value, so it is said with the last pass only.
  def test_the_tolerance_is_of_the_full_value
    pump = variant("HBL20")
    told = Core::Tightening::Instruct.call(pump.series.fastener("head_bolts"), pump, unit: "N·m").first
    assert_match(/44 ± 2 N·m/, told.text)
    assert_equal(["17.6 N·m", "30.8 N·m", "44 N·m", "44 N·m"], told.rounds.select(&:torque).map { |round| round.text[/[\d.]+ N·m/] })
    refute(told.rounds.any? { |round| round.text.include?("±") })
  end

  # A flow that was denied is none that was told.
  def test_a_denied_flow_is_not_held_against_the_pump
    leader = Core::Identification::Hypotheses.of(snapshot).find { |one| one.id == "DK418" }
    told = reading("flow_l_min", 90)
    assert_equal "too_much", Core::Identification::FlowCheck.call([told], leader).verdict
    assert_nil Core::Identification::FlowCheck.call([told.with(denied: true)], leader)
  end

  # However unsure somebody is, what they say speaks for it, not against it.
  def test_doubt_never_turns_a_reading_round
    vague = vocabulary.trait("cover_colour").with(mistaken: 0.4)
    reading = Core::Readings::Reading.new(definition: vague, value: "green", observer: "caller", hedged: true)
    assert_in_delta Core::Readings::Likelihoods::WORST, vague.kind.mistaken(reading)
    assert_operator vague.kind.fits(reading, "green", 2), :>, vague.kind.fits(reading, "blue", 2)
  end

  # Who could not read one thing off the papers has no papers: the next question is not another of theirs.
  def test_a_group_that_could_not_be_answered_is_asked_less
    classes = Core::Identification::OrderClasses.new(ORDER_IDS.call(snapshot, ["packings"]))
    asked = lambda do |*readings|
      questions = Core::Identification::Identify.new(FIELD, classes).call(readings, channel: "phone").questions
      questions.find { |question| question.trait.id == "pressure_bar" }&.gain_bits
    end
    before, after = asked.call(reading("series", "TK4")), asked.call(reading("series", "TK4"), reading("flow_l_min", unknown: true))
    assert_in_delta 0.35 * before, after || 0.0, 1e-9
  end

  # Loose parts complete a set only where no kit has them.
  def test_complete_sets_are_kits_with_what_no_kit_holds
    plan = Core::KitPlan::Plans.new(demand("TK4L20 from 31000", %w[packings discharge_valves]), snapshot, STOCK).one("complete_sets")
    kits, loose = plan.lines.partition(&:kit)
    held = kits.flat_map { |line| snapshot.kit(line.number).contents.keys }
    refute_empty kits
    refute_empty loose
    assert_empty loose.map(&:number) & held
    dear = STOCK.merge("PW-K220" => STOCK.fetch("PW-K220").with(price_cents: 1_000_000))
    bought = %w[complete_sets cheapest].map do |policy|
      Core::KitPlan::Plans.new(demand("TK4L20 from 31000", ["packings"]), snapshot, dear).one(policy).lines.map(&:number).include?("PW-K220")
    end
    assert_equal [true, false], bought, "however dear the kit is"
  end

  # Why a kit is not bought is said by what stands in its way.
  def test_why_a_kit_was_passed_over
    work = demand("TK4L20 from 31000", ["packings"])
    reason = lambda do |stock, policy, fixed: []|
      Core::KitPlan::Plans.new(work, snapshot, stock, fixed: fixed).one(policy).passed_over.find { |kit| kit.number == "PW-K220" }&.reason
    end
    kit = STOCK.fetch("PW-K220")
    assert_nil reason.call(STOCK, "cheapest"), "bought"
    assert_equal "no price on file", reason.call(STOCK.except("PW-K220"), "cheapest")
    assert_equal "none free on the shelf today", reason.call(STOCK.merge("PW-K220" => kit.with(on_hand: 0)), "on_shelf")
    promised = STOCK.merge("PW-K220" => kit.with(on_hand: 2, reserved: 2))
    assert_equal "none free on the shelf today", reason.call(promised, "on_shelf"), "what is promised to others is not free"
    assert_match(/holds \d+ of the pieces needed/, reason.call(STOCK.merge("PW-K220" => kit.with(price_cents: 10_000_000)), "cheapest"))
    by_hand = Core::KitPlan::Fixed.new(number: "PW-K220", quantity: 0, reason: "he has one")
    assert_equal "taken off by hand: he has one", reason.call(STOCK, "cheapest", fixed: [by_hand])
  end

  # A kit is a set of the order where more than half of it is wanted: exactly half is not.
  def test_a_kit_half_wanted_is_no_set
    bought = lambda do |*had|
      work = demand("DK415", ["packings"], had: had.to_h { |number| [number, 3] })
      Core::KitPlan::Plans.new(work, snapshot, STOCK).one("complete_sets").lines.map(&:number).sort
    end
    assert_equal ["DB KIT 115"], bought.call
    assert_equal ["DB KIT 115"], bought.call("DB 7850"), "three of its four"
    assert_equal ["DB 7815", "DB 7835"], bought.call("DB 7850", "DB 7871"), "two of its four"
  end

  # What is promised to other orders is not there for this one.
  def test_what_a_line_is_short_of
    taken = STOCK.transform_values { |one| one.with(on_hand: 1, reserved: 1) }
    lines = Core::KitPlan::Plans.new(demand("TK4L20 from 31000", ["packings"]), snapshot, taken).one("cheapest").lines
    assert_equal lines.map(&:quantity), lines.map(&:short), "what is here is another's"
    stock = STOCK.transform_values { |one| one.with(on_hand: 3, reserved: 2) }
    line = Core::KitPlan::Plans.new(demand("TK4L20 from 31000", ["packings"]), snapshot, stock).one("cheapest").lines.max_by(&:quantity)
    assert_equal [3, 2, 1], [line.on_hand, line.promised, line.free]
    assert_equal line.quantity - 1, line.short
    assert_equal([0, 0, 2], [0, 1, 3].map { |count| line.short_of(count) })
  end

  # Everything that comes apart is renewed where the work was agreed; what was only opened on the way is looked at.
  def test_complete_renews_unseen_only_where_it_was_agreed
    looked = snapshot.variants.uniq(&:series).flat_map do |pump|
      pump.series.areas_of(pump).flat_map do |area|
        scope = Core::Scope.of([area.id], extent: "complete")
        Core::Demand.new(Core::Teardown.of(pump, scope), snapshot).fates.select { |fate| fate.place.layer.reuse == "inspect" }
      end
    end
    agreed, on_the_way = looked.partition { |fate| fate.place.cause.first == :area }
    assert_operator [agreed.size, on_the_way.size].min, :>, 5
    assert_equal [%i[replace complete]], agreed.map { |fate| [fate.kind, fate.why] }.uniq
    refute_includes on_the_way.map { |fate| [fate.kind, fate.why] }, %i[replace complete]
  end
end
