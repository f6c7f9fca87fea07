# frozen_string_literal: true

require_relative "../support/core"

# What stays in its bore unless what lies before it is renewed, and what is only said, and lent, for pieces that are.
class StaysInTest < Minitest::Test
  include DemoCatalogue

  def plan(document, model, extent, findings: [])
    snapshot = Gimlet::Core::Catalogue::Snapshot.new([Gimlet::Core::Catalogue::Build.call(document)], version: "x")
    pump = snapshot.variants.find { |one| one.designation == model }
    scope = Gimlet::Core::Scope.of(["inlet_valves"], extent: extent)
    Gimlet::Core::Plan::Rebuild.new(snapshot, STOCK).call(pump, scope: scope, findings: findings)
  end

  # A ring under each suction seat that only comes out with it.
  def with_a_ring
    document("dunnagarth-pg").tap do |one|
      one["parts"] << { "number" => "DG-99", "name" => "suction seat ring", "spec" => { "id_mm" => 40, "section_mm" => 3 } }
      one["fits"] << { "slot" => "seat_ring", "part" => "DG-99" }
      one["stacks"].find { |stack| stack["id"] == "inlet_valve" }["layers"] <<
        { "slot" => "seat_ring", "name" => "suction seat ring", "reuse" => "replace_if_removed", "behind" => "suction_seat", "shape" => "oring",
          "lube" => "oil" }
    end
  end

  def model = with_a_ring["models"].first["designation"]
  def of(workup, slot) = workup.demand.fates.select { |fate| fate.place.layer.slot == slot }
  def ordered(workup, number) = workup.demand.quantities.fetch(number, 0)

  def test_a_ring_behind_a_seat_is_renewed_with_it
    workup = plan(with_a_ring, model, "recommended")
    assert_equal 3, ordered(workup, "DG-99")
  end

  def test_it_stays_where_the_seat_goes_back
    workup = plan(with_a_ring, model, "leak_only")
    assert_equal([:inspect], of(workup, "suction_seat").map(&:kind).uniq)
    assert_empty of(workup, "seat_ring")
    assert_equal 0, ordered(workup, "DG-99")
  end

  # What was found on the ring itself counts, whatever becomes of the seat.
  def test_a_ring_that_was_found_bad_is_renewed_by_itself
    found = Gimlet::Core::Finding.from({ slot: "seat_ring", position: "suction valve 1", outcome: "replace" })
    assert_equal 1, ordered(plan(with_a_ring, model, "leak_only", findings: [found]), "DG-99")
  end

  # One seat was found pitted: its ring, and no other.
  def test_one_seat_is_renewed_and_its_ring_with_it
    found = Gimlet::Core::Finding.from({ slot: "suction_seat", position: "suction valve 2", outcome: "replace" })
    workup = plan(with_a_ring, model, "leak_only", findings: [found])
    assert_equal 1, ordered(workup, "DG-99")
    assert_equal(["suction valve 2"], of(workup, "seat_ring").map { |fate| fate.place.position })
  end

  def said(workup) = [workup.tools.map(&:name), workup.cautions, workup.steps.flat_map(&:text)].map { |all| all.join("\n") }

  def test_puller_caution_and_setting_by_pressure_hang_on_a_seat_being_renewed
    with = said(plan(document("dunnagarth-pg"), model, "recommended"))
    without = said(plan(document("dunnagarth-pg"), model, "leak_only"))
    told = [/hydraulic seat puller/, /Bleed the seat puller/, /Draw the seat with claw.*set the seats by pressure/m]
    told.zip(with, without).each do |words, there, not_there|
      assert_match words, there
      refute_match words, not_there
    end
  end

  # The bore of a seat, measured, decides about the ring behind it, whatever becomes of the seat.
  def test_a_criterion_on_one_piece_decides_about_another
    worn = with_a_ring.tap do |one|
      layers = one["stacks"].find { |stack| stack["id"] == "inlet_valve" }["layers"]
      layers.last.delete("behind")
      layers.last["reuse"] = "inspect"
      layers.last["criteria"] = [{ "sign" => "flat", "outcome" => "replace" }]
      layers.find { |layer| layer["slot"] == "suction_seat" }["criteria"] <<
        { "measure" => "bore", "unit" => "mm", "at_most" => 50.2, "outcome" => "rework", "decides" => ["seat_ring"] }
    end
    found = ->(bore) { [Gimlet::Core::Finding.from({ slot: "suction_seat", position: "suction valve 1", measured: { "bore" => bore } })] }
    assert_equal 1, ordered(plan(worn, model, "leak_only", findings: found.call(50.4)), "DG-99")
    assert_match(/suction valve seat: over 50.2 mm/,
                 plan(worn, model, "leak_only", findings: found.call(50.4)).demand.lines.flat_map(&:reasons).join("\n"))
    assert_equal 0, ordered(plan(worn, model, "leak_only", findings: found.call(50.1)), "DG-99")
  end

  # A rod seal at its hours lies one housing behind the ends: the work on packings comes past it, that on valves outside does not.
  def test_what_is_due_by_hours_is_asked_for_when_the_work_comes_past
    asked = lambda do |area|
      teardown = Gimlet::Core::Teardown.of(variant("UX3800"), [area])
      Gimlet::Core::Plan::Intervals.passed(teardown, Gimlet::Core::Demand.new(teardown, snapshot).fates)
    end
    assert_match(/rod seal is renewed after 1800 hours.*ask how long it has run/, asked.call("packings").join)
    assert_empty asked.call("discharge_valves")
  end

  def test_it_must_name_a_layer_of_its_stack
    broken = with_a_ring.tap { |one| one["stacks"].find { |stack| stack["id"] == "inlet_valve" }["layers"].last["behind"] = "suction_saet" }
    found = Gimlet::Core::Doctor.call(Gimlet::Core::Catalogue::Build.call(broken), VOCABULARY)
    assert(found.any? { |one| one.error? && one.text.include?("Did you mean “suction_seat”?") }, found.map(&:text).join("\n"))
  end
end
