# frozen_string_literal: true

require_relative "../support/http"

# The plan by itself, as scripts ask for it.
class PlanApiTest < Minitest::Test
  include Http

  def plan(**request) = send_json("POST", "/api/plan", { model: "UX3800", scope: ["packings"], **request })
  def needed = json["demand"].to_h { |line| [line["part"], line["quantity"]] }

  def test_one_end_only_and_every_piece_with_its_fate
    plan(positions: { packings: ["left end"] })
    assert_equal 200, last_response.status
    assert_schema "Plan"
    assert_equal({ "UV 120" => 2, "UV 220" => 2, "UV 320" => 2 }, needed)
    packing = json["stacks"].find { |stack| stack["id"] == "packing" }
    assert_equal [["left end"], %w[replace replace replace turn]], [packing["positions"], packing["layers"].map { |layer| layer["fates"].first }]
    nuts = json["tightening"].find { |row| row["fastener"] == "end_nuts" }
    assert_equal [8, [*1..8]], [nuts["count"], nuts["points"].map { |point| point["order"] }.sort]
  end

  def test_findings_change_it_and_name_the_limit
    plan(scope: ["rod_seals"], findings: [{ slot: "rod_seal", position: "right end", measured: { "hours since renewed" => 1900 } }])
    assert_equal 1, needed["UV 520"]
    assert_match(/hours since renewed 1900 measured, limit at most 1800 hours/, json["demand"].find { |one| one["part"] == "UV 520" }["reasons"].join)
    assert_equal(["UV 520"], json["held"].map { |part| part["part"] } & ["UV 520"], "the other end may need one too")
    plan(scope: ["discharge_valves"], findings: [{ slot: "hp_seat", position: "left end", outcome: "replace" }])
    assert_equal({ "UV 80" => 1, "UV 81" => 1, "UV 82" => 1 }, needed, "seat, poppet and spring go as a set")
    plan(scope: ["discharge_valves"], findings: [{ slot: "hp_seat", outcome: "rework" }])
    lapped = json["keep"].find { |piece| piece["slot"] == "hp_seat" }
    assert_equal "rework", lapped["fate"]
    assert_match(/wet-and-dry on a flat block/, lapped["look"].join)
  end

  def test_each_extent_says_what_it_leaves_out
    left = plan(model: "SV22", extent: "leak_only")
    assert_match(/new runs badly against worn/, left["left_out"]["inlet_valves"])
    assert_match(/new parts run against them/, left["extent"]["warning"])
    assert_includes plan(model: "SV22")["added"], "inlet_valves"
  end

  def test_what_cannot_be_is_named_and_refused
    { { scope: [] } => %w[empty_scope scope], { scope: ["paint"] } => %w[unknown_area scope],
      { positions: { packings: ["middle"] } } => %w[unknown_position positions.packings],
      { positions: { plungers: ["left end"] } } => %w[not_agreed positions],
      { findings: [{ slot: "lamp", outcome: "replace" }] } => %w[unknown_slot findings],
      { findings: [{ slot: "hoop", position: "cylinder 9", outcome: "replace" }] } => %w[unknown_position findings],
      { findings: [{ slot: "hoop", outcome: "lost" }] } => ["bad_request", "findings[0].outcome"],
      { fixed: [{ number: "nothing", quantity: 1, reason: "because" }] } => %w[unknown_line fixed],
      { fixed: [{ number: "UV K20", quantity: -1, reason: "because" }] } => ["bad_request", "fixed[0].quantity"],
      { had: { "UV 120" => -3 } } => ["bad_request", "had.UV 120"], { extent: "half" } => %w[bad_request extent],
      { model: "UX9" } => %w[unknown_model model] }.each do |wrong, (code, field)|
      plan(**wrong)
      assert_problem(422, code, field: field)
    end
  end

  # A valve by itself is an item like a pump, found by what it must serve.
  def test_a_valve_is_found_by_what_it_must_serve
    wanted = "20 lpm at 200 bar, inlet 3/8 bsp, 1 cap, no bolts, blue setting spring, unloader"
    found = send_json("POST", "/api/identify", text: wanted)
    assert_equal "WX20", found["candidates"].first["model"]
    plan(model: "WX20", scope: ["unloader"])
    assert_equal({ "WP.8" => 1, "WP.9" => 1 }, needed)
    assert(json["cautions"].any? { |text| text.include?("never clamp the body in a vice") })
  end

  def test_enough_is_never_said_for_work_that_nobody_has_on_file
    known = "plate TK4R20, serial 31500, 15 lpm, green"
    assert send_json("POST", "/api/identify", text: "#{known}, packings")["enough_to_order"]
    without = send_json("POST", "/api/identify", text: "#{known}, unloader")
    refute without["enough_to_order"]
    assert_includes without["lacking"], "not_on_file"
  end

  def test_thirty_pumps
    plan(pumps: 30)
    assert_equal 120, needed["UV 120"]
    plan(pumps: 100)
    assert_problem(422, "bad_request", field: "pumps")
  end
end
