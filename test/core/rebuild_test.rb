# frozen_string_literal: true

require_relative "../support/core"

class RebuildTest < Minitest::Test
  include DemoCatalogue

  def work(id, scope, **others)
    Gimlet::Core::Plan::Rebuild.new(snapshot, STOCK).call(variant(id), scope: scope, **others)
  end

  # What the work needs, without asking how to buy it.
  def demand(id, scope, **others)
    Gimlet::Core::Demand.new(Gimlet::Core::Teardown.of(variant(id), scope), snapshot, **others)
  end

  def quantities(...) = demand(...).quantities

  def test_packings_alone_open_the_manifold_only
    found = work("TK4L20 from 31000", ["packings"])
    assert_equal ["manifold"], found.teardown.groups.map(&:name)
    assert_equal({ "PW-4220" => 3, "PW-4240" => 3, "PW-4250" => 3, "PW-4141" => 3 }, found.demand.quantities)
  end

  def test_what_must_come_off_first_comes_off_first
    assert_equal %w[manifold plungers], work("DK418", ["plungers"]).teardown.groups.map(&:name)
  end

  # A disturbed crush washer and O-ring do not survive; the slinger goes back.
  def test_what_removal_destroys_is_ordered_and_what_is_kept_is_listed
    found = work("DK418", ["oil_seals"])
    assert_equal 3, found.demand.quantities["DB 7930"]
    assert_match(/does not survive taking off the plungers/, found.demand.lines.find { |line| line.part.number == "DB 7930" }.reasons.join)
    assert_includes found.demand.keep.map(&:name), "slinger"
  end

  def test_the_serial_break_changes_the_discharge_valves_only
    before, after = quantities("TK4L20 before 31000", ["discharge_valves"]), quantities("TK4L20 from 31000", ["discharge_valves"])
    assert_equal %w[PW-4122 PW-4123], (before.keys - after.keys).sort
    assert_equal %w[PW-4132 PW-4133], (after.keys - before.keys).sort
    assert_equal quantities("TK4L20 before 31000", ["packings"]), quantities("TK4L20 from 31000", ["packings"])
  end

  def test_the_same_valve_six_times
    assert_equal 6, quantities("DK420", %w[inlet_valves discharge_valves])["DB 7710"]
  end

  def test_areas_that_go_together_are_added_with_the_reason
    found = work("OB214", ["packings"])
    assert_equal %w[discharge_valves inlet_valves plungers], found.teardown.added.keys.sort
    assert_equal 4, found.demand.quantities["TF2-01"]
    assert_match(/changes the seal-and-plunger kit and the valve kit together/,
                 found.demand.lines.find { |line| line.part.number == "TF2-01" }.reasons.join)
  end

  def test_layers_that_a_pump_does_not_have_are_not_needed
    assert_equal 4, quantities("OB214", ["inlet_valves"])["TF2-02"]
    refute quantities("OB214C", ["inlet_valves"]).key?("TF2-02")
  end

  # Quantities follow from positions: pumps multiply, and every reason adds up to its line.
  def test_quantities_are_counted_from_positions
    snapshot.variants.each do |variant|
      scopes = variant.series.areas.map(&:id)
      found = demand(variant.id, scopes)
      found.lines.each do |line|
        assert_equal line.quantity, line.reasons.sum { |reason| reason[/\A\d+/].to_i }, "#{variant.id} #{line.part.number}"
      end
      twice = quantities(variant.id, scopes, pumps: 2)
      assert_equal found.quantities.transform_values { |quantity| quantity * 2 }, twice
    end
  end

  def test_more_work_never_needs_less
    random = Random.new(Minitest.seed)
    60.times do
      one = snapshot.variants.sample(random: random)
      areas = one.series.areas.map(&:id)
      less = areas.sample(random.rand(1..areas.size), random: random)
      more = (less + areas.sample(1, random: random)).uniq
      small, large = quantities(one.id, less), quantities(one.id, more)
      small.each { |part, quantity| assert_operator large.fetch(part, 0), :>=, quantity, "#{one.id} #{less} #{more}" }
    end
  end

  def test_worn_on_inspection_is_ordered_instead_of_kept
    found = work("TK4L20 from 31000", ["packings"], findings: [Gimlet::Core::Finding.new(slot: "support_ring", outcome: "replace")])
    assert_equal 3, found.demand.quantities["PW-4262"]
    refute_includes found.demand.keep.map(&:slot), "support_ring"
  end

  def test_count_out_by_position
    counted = work("DK420", ["inlet_valves"]).demand.count_out
    assert_equal ["inlet valve 1", "inlet valve 2", "inlet valve 3"], counted.map(&:position)
    assert_equal ["valve seat O-ring"], counted.first.pieces
  end

  def test_no_number_on_file_is_said_and_never_made_up
    broken = document("drosselby-dk4")
    broken["fits"].reject! { |fit| fit["slot"] == "crush_washer" }
    series = Gimlet::Core::Catalogue::Build.call(broken)
    catalogue = Gimlet::Core::Catalogue::Snapshot.new([series], version: "x")
    found = Gimlet::Core::Plan::Rebuild.new(catalogue, STOCK).call(catalogue.variants.first, scope: ["plungers"])
    missing = found.plans.first.unfilled.find { |one| one.name == "crush washer" }
    assert_equal [nil, 3], [missing.number, missing.quantity]
    assert_match(/no part number on file/, missing.reason)
  end

  def test_no_price_on_file_is_said
    unfilled = work("SC325L", ["plungers"]).plans.first.unfilled
    assert_equal([["OH.371", 3]], unfilled.map { |one| [one.number, one.quantity] })
    assert_match(/no price on file/, unfilled.first.reason)
  end

  def test_an_area_without_data_is_said
    assert_equal ["unloader"], work("DK420", %w[packings unloader]).teardown.not_on_file
  end

  def test_a_superseded_number_is_served_by_its_successor
    without_the_old = STOCK.except("DB 7710", "DB KIT 71", "DB KIT 72", "DB KIT 73")
    plans = Gimlet::Core::Plan::Rebuild.new(snapshot, without_the_old).call(variant("DK420"), scope: ["inlet_valves"],
                                                                                              policy: "cheapest").plans
    assert_equal({ "DB 7710" => 1 }, plans.first.lines.find { |line| line.number == "DB 7715" }.covers)
    assert_equal ["DB 7715", "DB 7710"], snapshot.serving("DB 7710")
    assert_equal ["DB 7715"], snapshot.serving("DB 7715")
  end

  def test_kits_meant_for_other_serials_are_never_offered
    work("TK4L20 from 31000", ["discharge_valves"]).plans.each { |plan| refute_includes plan.lines.map(&:number), "PW-K42A" }
  end

  def test_tools_by_size_and_the_wrench_that_reaches
    names = work("TK4L20 from 31000", ["packings"]).tools.map(&:name)
    assert_includes names, "seal driver 20/22"
    refute_includes names, "seal driver 15/18"
    assert_includes names, "hex 6"
    assert_includes names, "torque wrench to 25 N·m (from 5)"
  end

  # Common practice, no source: nobody fetches a wrench for a first pass of 2.7 N·m; what ends there is another thing.
  def test_a_small_first_pass_is_done_by_feel
    found = work("LC15", ["packings"])
    head = found.tightening.find { |row| row.fastener.id == "head_bolts" }
    felt, *others = head.rounds.select { |round| round.text.match?(/N·m/) }
    assert_match(/\Aby feel, about 2\.\d N·m\z/, felt.text)
    assert_nil felt.torque
    assert(others.all?(&:torque), "the others are read")
    assert_equal(1, found.tools.count { |tool| tool.kind == "torque wrench" })
    assert_operator head.settings_nm(nil).min, :>=, 3
    assert_equal head.settings_nm(nil).last, head.targets_nm.last
  end

  # The edge: 3 N·m is read, a little less is not; the value itself always is.
  def test_what_is_done_by_feel_and_what_is_not
    passes = lambda do |*steps|
      tightening = Gimlet::Core::Tightening.from({ "kind" => "torque", "value" => steps.last, "unit" => "N·m", "source" => "x", "steps" => steps })
      Gimlet::Core::Tightening::Rounds.of(variant("LC15").series.fastener("head_bolts"), tightening, "N·m").map(&:torque)
    end
    assert_equal [true, false, false], passes.call(2.9, 9).map(&:nil?)
    assert_equal [false, false, false], passes.call(3, 9).map(&:nil?)
    assert_equal [false, false], passes.call(2).map(&:nil?)
  end

  def test_consumables_by_the_drop
    used = work("DK420", %w[inlet_valves discharge_valves], pumps: 2).consumables
    assert_equal([["medium thread adhesive", 12], ["oil", nil]], used.map { |one| [one.name, one.amount] })
  end

  def test_steps_go_off_and_on_again_in_reverse
    steps = work("DK420", ["plungers"]).steps
    assert_equal([["open", "before you loosen"], %w[open manifold], %w[open plungers],
                  ["renew", "old seals and their bores"], %w[renew plungers], ["renew", "packings, on the way"],
                  ["close", "before it closes"], %w[close plungers], %w[close manifold],
                  ["finish", "when closed"], ["finish", "when closed"]],
                 steps.map { |step| [step.phase, step.title] })
  end

  # NIOSH lifting equation, load constant 23 kg (Waters 1993; from memory).
  def test_a_heavy_manifold_asks_for_two_people
    assert(work("SC325L", ["packings"]).cautions.any? { |one| one.text.include?("27 kg: two people or a hoist") })
    refute(work("DK420", ["packings"]).cautions.any? { |one| one.text.include?("two people") })
  end

  # Common practice, no source: a ring that may go back is not picked at.
  def test_rings_that_may_go_back_are_pushed_out_with_the_thumbs
    thumbs = ->(pump) { work(pump, variant(pump).series.areas.map(&:id)).steps.flat_map(&:text).grep(/thumbs/).size }
    assert_equal [1, 1, 0], [thumbs.call("CB36-16"), thumbs.call("MGL40"), thumbs.call("DK420")]
  end

  # Cautions and steps of all work on a series, without asking how to buy it.
  def whole(series)
    pump = Gimlet::Core::Catalogue::Variant.of_series(series).first
    teardown = Gimlet::Core::Teardown.of(pump, series.areas_of(pump).map(&:id))
    [Gimlet::Core::Plan::Cautions.for(teardown, snapshot).map(&:text), Gimlet::Core::Plan::Steps.for(teardown)]
  end

  # A weight is said once, nothing of a head where there is none, and what comes after running in comes last.
  def test_what_is_said_of_a_whole_rebuild
    snapshot.series.each do |series|
      cautions, steps = whole(series)
      series.groups.filter_map(&:mass_kg).uniq.each do |mass|
        told = cautions + steps.flat_map(&:text)
        assert_operator told.grep(/\b#{mass} kg\b/).size, :<=, 1, series.name
      end
      refute(cautions.any? { |text| text.include?("manifold") }, series.name) if series.item == "valve"
      phases = steps.map(&:phase)
      assert_equal phases.sort_by { |phase| ["open", "renew", "close", "finish", "after running"].index(phase) }, phases, series.name
    end
  end

  def test_a_caution_for_some_pumps_is_said_of_those_only
    told = document("pellwick-tk4")
    told["cautions"] << { "text" => "Only with this plunger.", "when" => "always", "for" => { "plunger_mm" => [20] } }
    other = Gimlet::Core::Catalogue::Snapshot.new([Gimlet::Core::Catalogue::Build.call(told)], version: "x")
    said = other.variants.select do |pump|
      Gimlet::Core::Plan::Cautions.for(Gimlet::Core::Teardown.of(pump, ["packings"]), other).map(&:text).include?("Only with this plunger.")
    end
    assert_equal [20], said.map { |pump| pump.trait("plunger_mm") }.uniq
    assert_operator other.variants.size, :>, said.size
  end
end
