# frozen_string_literal: true

require_relative "../support/core"

# The example of docs/catalogue-format.md, worked out by hand from its own document.
class ExampleCatalogueTest < Minitest::Test
  Core = Gimlet::Core
  DOCUMENT = YAML.load_file(File.expand_path("../../docs/example-catalogue.json", __dir__)).freeze
  SNAPSHOT = Core::Catalogue::Snapshot.new([Core::Catalogue::Build.call(DOCUMENT)], version: "example")

  def pump(id) = SNAPSHOT.variants.find { |variant| variant.id == id }

  def work(id, areas, at: {}, extent: "recommended", **job)
    Core::Plan::Rebuild.new(SNAPSHOT, {}).call(pump(id), scope: Core::Scope.of(areas, at: at, extent: extent), **job)
  end

  def needed(...) = work(...).demand.lines.to_h { |line| [line.part.number, line.quantity] }
  def finding(slot, **others) = Core::Finding.from({ slot: slot, **others })

  def test_packings_as_the_documentation_says
    found = work("FX-20 from 4000", ["packings"])
    assert_equal({ "FX 4-20" => 4, "FX 6" => 2, "FX 2" => 2, "FX 3" => 2 }, found.demand.lines.to_h { |line| [line.part.number, line.quantity] })
    assert_match(/the guide comes out with the packing covers/, work("FX-20 from 4000", ["wipers"]).demand.lines.first.reasons.join)
    fates = found.demand.keep.to_h { |piece| [piece.name, piece.fate] }
    assert_equal({ "load spring" => :inspect, "backup ring" => :turn, "guide" => :keep }, fates)
    used = found.consumables.to_h { |consumable| [consumable.name, [consumable.amount, consumable.packs]] }
    assert_equal({ "medium thread adhesive" => [4, 1], "packing lubricant" => [6, nil], "anti-seize paste" => [2.0, nil], "oil" => [nil, nil] }, used)
  end

  def test_the_same_slot_twice_is_two_pieces
    assert_equal 4, needed("FX-18 from 4000", ["packings"], extent: "leak_only")["FX 4-18"]
  end

  # Two thirds of 150 bar and of 120 bar.
  def test_finish_steps_with_the_model_s_own_figure
    { "FX-18 from 4000" => "100 bar", "FX-20 before 4000" => "80 bar" }.each do |id, figure|
      last = work(id, ["packings"]).steps.last(3)
      assert_equal ["finish", "finish", "after running"], last.map(&:phase)
      assert_includes last[1].text.join, figure
    end
    refute(work("FX-18 from 4000", ["discharge_valves"], extent: "leak_only").steps.any? { |step| step.phase == "after running" })
  end

  def test_one_position_opens_one_cap_and_takes_one_of_each
    found = work("FX-20 from 4000", ["discharge_valves"], at: { "discharge_valves" => ["valve 2"] }, extent: "leak_only")
    caps = found.tightening.find { |row| row.fastener.id == "caps" }
    assert_equal ["2"], caps.fastener.points.map(&:label)
    assert_equal({ "FX 3" => 1 }, found.demand.quantities, "a valve without a finding is looked over where only leaks are mended")
    assert_equal [2, nil], found.consumables.map(&:amount)
    assert_equal ["before you loosen", "valve caps (valve 2)"], found.steps.select { |step| step.phase == "open" }.map(&:title)
  end

  def test_each_cover_is_tightened_by_itself
    covers = work("FX-20 from 4000", ["wipers"]).tightening.first
    crosses = covers.sequences.map { |set| set.each_slice(2).map { |pair| pair.map(&:label).sort } }
    assert_equal [[%w[2 4], %w[1 3]]] * 2, crosses, "crosswise, within each cover"
    assert_match(/each of the 2 sets by itself/, covers.text)
    assert_equal [6, 12, 18], covers.targets_nm
  end

  def test_schools_and_what_they_leave_out
    needs = Core::Extent::NAMES.keys.to_h { |key| [key, needed("FX-20 from 4000", ["packings"], extent: key)] }
    assert_equal({ "FX 4-20" => 4, "FX 6" => 2 }, needs["leak_only"])
    assert_equal 2, needs["complete"]["FX 7"]
    assert_equal 2, needs["complete"]["FX 8"]
    left = work("FX-20 from 4000", ["packings"], extent: "leak_only").teardown.left_out
    assert_equal({ "discharge_valves" => "seals and valves wear as a pair on this pump" }, left)
  end

  def test_findings_change_the_order_by_position
    worn = [finding("backup", position: "cylinder 2", outcome: "replace")]
    assert_equal 1, needed("FX-20 from 4000", ["packings"], findings: worn, extent: "leak_only")["FX 7"]
    pitted = [finding("valve", position: "valve 1", outcome: "replace")]
    assert_match(/found at inspection: pitted/, work("FX-20 from 4000", ["discharge_valves"], findings: pitted).demand.lines.flat_map(&:reasons).join)
    short = [finding("spring", position: "valve 1", measured: { "free length" => 10.5 })]
    found = work("FX-20 from 4000", ["discharge_valves"], findings: short, extent: "leak_only")
    assert_equal [1, 1], found.demand.quantities.values_at("FX 8", "FX 2"), "the valve goes as a set with its spring"
    assert_match(/free length 10.5 measured, limit at least 11 mm/, found.demand.lines.find { |line| line.part.number == "FX 8" }.reasons.join)
    fine = [finding("spring", measured: { "free length" => 11.4 })]
    refute needed("FX-20 from 4000", ["discharge_valves"], findings: fine, extent: "leak_only").key?("FX 8")
    due = [finding("wiper", measured: { "hours since renewed" => 1600 })]
    assert_equal 2, needed("FX-20 from 4000", ["wipers"], findings: due)["FX 6"]
  end

  def test_findings_that_cannot_be
    { finding("lamp", outcome: "replace") => "unknown_slot", finding("guide", position: "cylinder 3", outcome: "replace") => "unknown_position",
      finding("spring", measured: { "colour" => 3 }) => "unknown_measure", finding("spring", measured: { "free length" => 9 }, outcome: "clean") =>
        "against_the_limit" }.each do |one, code|
      error = assert_raises(Core::InputError) { work("FX-20 from 4000", %w[discharge_valves packings], findings: [one]) }
      assert_equal code, error.code
    end
  end

  def test_scopes_that_cannot_be
    known = SNAPSHOT.areas.keys
    check = ->(areas, at) { Core::Scope.of(areas, at: at).check(pump("FX-20 from 4000"), known) }
    { [["paint"], {}] => "unknown_area", [["packings"], { "packings" => ["cylinder 3"] }] => "unknown_position",
      [["packings"], { "packings" => [] }] => "no_position", [["packings"], { "wipers" => ["x"] }] => "not_agreed" }.each do |(areas, at), code|
      assert_equal code, assert_raises(Core::InputError) { check.call(areas, at) }.code
    end
  end

  def test_what_the_customer_has_and_what_is_set_by_hand
    prices = { "FX 4-20" => 500, "FX 6" => 500, "FX K20" => 1200 }
    stock = prices.transform_values { |cents| Core::KitPlan::Stock.new(price_cents: cents, on_hand: 9, pack: 1) }
    rebuild = Core::Plan::Rebuild.new(SNAPSHOT, stock)
    lines = lambda do |**job|
      plan = rebuild.call(pump("FX-20 from 4000"), scope: Core::Scope.of(["packings"], extent: "leak_only"), policy: "cheapest", **job).plans.first
      [plan.lines.to_h { |line| [line.number, line.quantity] }, plan]
    end
    assert_equal({ "FX K20" => 2 }, lines.call.first)
    assert_equal({ "FX 4-20" => 1, "FX 6" => 2 }, lines.call(had: { "FX 4-20" => 3 }).first)
    fixed = [Core::KitPlan::Fixed.new(number: "FX K20", quantity: 0, reason: "the bag is torn")]
    by_hand, plan = lines.call(fixed: fixed)
    assert_equal({ "FX 4-20" => 4, "FX 6" => 2 }, by_hand)
    assert_equal "taken off by hand: the bag is torn", plan.passed_over.find { |one| one.number == "FX K20" }.reason
    wrong = [Core::KitPlan::Fixed.new(number: "FX 8A", quantity: 1, reason: "why not")]
    assert_equal "unknown_line", assert_raises(Core::InputError) { lines.call(fixed: wrong) }.code
  end

  def test_a_stand_in_is_said_and_never_chosen
    stock = { "FX 9" => Core::KitPlan::Stock.new(price_cents: 1, on_hand: 99, pack: 1) }
    plan = Core::Plan::Rebuild.new(SNAPSHOT, stock).call(pump("FX-18 from 4000"), scope: ["wipers"]).plans.first
    assert_empty plan.lines
    plan = Core::Plan::Rebuild.new(SNAPSHOT, stock).call(pump("FX-18 from 4000"), scope: ["packings"]).plans.first
    assert_empty plan.lines
    seal = plan.unfilled.find { |one| one.number == "FX 4-18" }
    assert_equal([["FX 9", "until the seal arrives, at half pressure"]], seal.stand_ins.map { |stand_in| [stand_in.part, stand_in.note] })
  end

  def test_kits_for_other_pumps_are_passed_over_with_the_reason
    stock = { "FX 4-18" => Core::KitPlan::Stock.new(price_cents: 500, on_hand: 9, pack: 1) }
    plan = Core::Plan::Rebuild.new(SNAPSHOT, stock).call(pump("FX-18 from 4000"), scope: ["packings"]).plans.first
    assert_equal ["meant for other pumps of the series: plunger 20"], plan.passed_over.map(&:reason)
  end

  def test_the_section_is_to_scale_and_faces_the_right_way
    drawing = Core::Plan::Section.of(pump("FX-20 from 4000").series.stack("packing"), pump("FX-20 from 4000"), SNAPSHOT)
    seal, = drawing.pieces
    assert_equal [0.0, 6.0, 3.0, 7.0], [seal.x_mm, seal.width_mm, seal.inner_mm, seal.outer_mm], "4 mm thick; the bore is drawn 3 mm from the axis"
    mouth = seal.outlines.first.map(&:first).tally
    assert_equal 4, mouth[0.0], "the lips are at the left, where it opens to"
    guide, wiper = drawing.pieces.last(2)
    assert_operator wiper.outer_mm, :<, guide.inner_mm, "the wiper is drawn within its guide"
    assert_operator wiper.x_mm + wiper.width_mm, :<=, guide.x_mm + guide.width_mm
  end

  # A break of the middle: shares add up, and the middle range is a pump of its own.
  def test_three_breaks_without_shares_part_the_pumps_evenly
    document = Marshal.load(Marshal.dump(DOCUMENT))
    document["serial_breaks"] = [100, 200, 300].map { |from| { "id" => "b#{from}", "from" => from, "note" => "n" } }
    document["fits"].each do |fit|
      fit["for"] = { "from" => "b200" } if fit["for"]&.key?("from")
      fit["for"] = { "before" => "b200" } if fit["for"]&.key?("before")
    end
    variants = Core::Catalogue::Variant.of_series(Core::Catalogue::Build.call(document)).select { |of_series| of_series.designation == "FX-20" }
    assert_equal ["before 100", "100 to 199", "200 to 299", "from 300"], variants.map(&:serial_range)
    variants.each { |variant| assert_in_delta 0.25, variant.share }
  end
end
