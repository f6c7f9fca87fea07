# frozen_string_literal: true

require_relative "../support/core"

# The order in which a pump is closed, by hand from each construction: common practice, no source.
class ClosingTest < Minitest::Test
  include DemoCatalogue

  Core = Gimlet::Core

  def teardown_of(id, areas = nil)
    pump = variant(id)
    Core::Teardown.of(pump, areas || pump.series.areas_of(pump).map(&:id))
  end

  def closed(id, areas = nil) = Core::Closing.of(teardown_of(id, areas)).map(&:key)
  def plan(id, areas) = Core::Plan::Rebuild.new(snapshot, STOCK).call(variant(id), scope: areas)
  def text(id, areas) = plan(id, areas).steps.flat_map(&:text).join(" ")

  # Pump, agreed work => what goes back, in order.
  ORDERS = [
    ["DW40", %w[packings], %w[left_head piston right_head]],
    ["SV20", %w[packings inlet_valves], %w[lp_seals inlet_manifold rods hp_seals adapters discharge_manifold]],
    ["SV20", %w[discharge_valves], %w[adapters discharge_manifold]],
    ["PG50L", %w[packings], %w[packing_nuts retainers nuts_slack plungers rear_covers packing_nuts-tight retainer_bolts-tight]],
    ["MGL40", %w[oil_seals], %w[carriers flinger corner plungers retainers top_cover springs manifold]],
    ["MGL40", %w[plungers], %w[plungers springs manifold]],
    ["GT2-25", %w[oil_seals], %w[plungers retainers manifold]],
    ["TK4L20 from 31000", %w[inlet_valves discharge_valves], %w[manifold top_plate]],
    ["WX20", %w[unloader], %w[disc piston_out cap_off]],
    ["DK420", %w[inlet_valves plungers], %w[plunger_nuts manifold inlet_caps]]
  ].freeze

  def test_what_goes_back_when
    ORDERS.each { |id, areas, keys| assert_equal keys, closed(id, areas), "#{id} #{areas}" }
  end

  # A nut that is tight, backed off, and later tight again: two moments, with the plunger and the covers between them.
  def test_a_nut_that_is_tightened_at_two_moments
    told = plan("PG50L", %w[packings])
    order = told.tightening.map(&:id)
    assert_equal %w[packing_nuts plunger_couplings rear_covers packing_nuts-again retainer_bolts], order
    first, again = told.tightening.values_at(0, 3)
    assert_equal([["160 N·m", "back off three quarters of a turn"], ["160 N·m", "one eighth turn beyond"]], [first, again].map do |one|
      one.rounds.map(&:text)
    end)
    assert_equal ["packing nuts", "packing nuts, again"], [first, again].map(&:name)
    assert_equal told.steps.select { |step| step.phase == "close" }.flat_map(&:fasteners), order
    assert_equal first.walk.size, again.walk.size
  end

  # Where a series says nothing, what is slack is tight again when all is back.
  def test_a_series_without_an_order_of_its_own
    silent = document("dunnagarth-pg").except("close_order", "axes")
    silent["groups"].each { |group| group.delete("on") }
    pump = Core::Catalogue::Snapshot.new([Core::Catalogue::Build.call(silent)], version: "x").variants_of("PG50L").first
    keys = Core::Closing.of(Core::Teardown.of(pump, ["packings"])).map(&:key)
    assert_equal %w[packing_nuts retainers plungers nuts_slack rear_covers packing_nuts-again], keys
  end

  def test_one_cylinder_of_a_manifold_in_one_piece_wants_every_rod_bare
    scope = Core::Scope.of(["packings"], at: { "packings" => ["cylinder 2"] }, extent: "leak_only")
    teardown = Core::Teardown.of(variant("SV20"), scope)
    rods = teardown.groups.find { |group| group.id == "rods" }
    assert_nil teardown.positions(rods)
    assert_equal 3, teardown.fasteners.find { |fastener| fastener.id == "rod_nuts" }.points.size
  end

  # Work that is done only because other work lies behind it, with its tools. Pump, agreed work => sentence, tool.
  ON_THE_WAY = {
    %w[GT2-25 oil_seals] => ["draw them with collet and slide hammer", "collet 18 to 28"],
    %w[MGL40 oil_seals] => ["A pusher tool through the top cover behind each guide", "retainer pusher"],
    ["TK4L20 from 31000", "inlet_valves"] => ["until it clicks home in the head", "reversing pliers, large"],
    %w[SC325L oil_seals] => ["the low-pressure seal seats on the first step", "reversing pliers"],
    %w[HBL20 oil_seals] => ["hard gasket first and deepest in the ring", "ring puller"],
    %w[TJ14L plungers] => ["The retainer goes in with a new low-pressure seal, lips in", "support pins M6, pair"]
  }.freeze

  def test_work_on_the_way_is_told_with_its_tools
    ON_THE_WAY.each do |(id, area), (sentence, tool)|
      found = plan(id, [area])
      passed = found.steps.find { |step| step.title == "packings, on the way" } || flunk("#{id}: nothing on the way")
      assert_includes passed.text.join(" "), sentence
      assert_includes found.tools.map(&:name), tool, id
    end
    refute_includes text("GT2-25", ["oil_seals"]), "lips in", "the high-pressure seals stay"
    assert(plan("SC325L", ["oil_seals"]).cautions.any? { |caution| caution.text.include?("first step") }, "a caution of what is passed")
    refute(plan("PG50L", ["packings"]).steps.any? { |step| step.title.include?("on the way") && step.text.empty? })
  end

  # A step between the groups has tools and takes something, in the jobs that it belongs to.
  def test_what_a_step_between_takes
    text = document("gravenhythe-gt")
    step = text["close_order"].find { |row| row["id"] == "retainers" }
    step.merge!("tools" => ["multi"],
                "consumables" => [{ "consumable" => "antiseize", "amount" => 7, "per" => "pump" },
                                  { "consumable" => "antiseize", "amount" => 1, "per" => "position" }])
    text["areas"].each { |area| area["tools"]&.delete("multi") }
    pump = Core::Catalogue::Snapshot.new([Core::Catalogue::Build.call(text)], version: "x").variants_of("GT2-25").first
    lists = %w[plungers inlet_valves].map { |area| Core::Tools::ToolList.new(Core::Teardown.of(pump, [area]), [], pumps: 2) }
    assert_equal([["packing retainers"], []], lists.map { |list| list.tools.select { |tool| tool.name.start_with?("multi-purpose") }.map(&:why) })
    amounts = lists.map { |list| list.consumables.select { |used| used.name == "anti-seize paste" }.sum(&:amount) }
    assert_equal [20, 6], amounts, "two pumps: 7 g and a gram for each cylinder; a gram for each plug"
  end

  # Read by two people, against the sheet: said once, and the same person twice is once.
  def test_who_has_read_it
    row = ->(who, day) { { "who" => who, "on" => day, "against" => "sheet 7" } }
    words = ->(*rows) { Core::Catalogue::Checked.in_words(Core::Catalogue::Checked.from(rows)) }
    assert_nil words.call
    assert_equal "read once, last by Ines on 2026-05-02 against sheet 7", words.call(row.call("Ines", "2026-05-02"))
    assert_equal "read twice, last by Ines on 2026-05-02 against sheet 7", words.call(row.call("Ines", "2026-05-02"), row.call("Joss", "2026-05-01"))
    assert_match(/\Aread once/, words.call(row.call("Ines", "2026-05-02"), row.call("Ines", "2026-05-01")))
    read = document("drosselby-dk4")
    [read["groups"][2], read["areas"][2]].each { |entry| entry["checked"] = [row.call("Ines", "2026-05-02")] }
    pump = Core::Catalogue::Snapshot.new([Core::Catalogue::Build.call(read)], version: "x").variants.first
    told = Core::Plan::Steps.for(Core::Teardown.of(pump, ["packings"])).map { |step| [step.phase, step.text.grep(/Read once/).size] }
    assert_equal [["open", 0], ["open", 1], ["renew", 0], ["renew", 0], ["renew", 1], ["close", 0]], told.first(6)
  end
end
