# frozen_string_literal: true

require_relative "../support/http"

# An order at the bench: what is ticked and read is kept, and nothing that cannot be.
class BenchApiTest < Minitest::Test
  include Http

  PATH = "/api/orders/1/bench"

  def place(line = "plate TK4R20, serial 31500, 15 lpm, green, packings")
    view = send_json("POST", "/api/tickets", entry("said", words: line))
    send_json("POST", "/api/orders", ticket_id: view["id"], on: view["last"], seen: view["seen"], reason: "as it stands")
    assert_equal 201, last_response.status, last_response.body
  end

  def note(kind, key: nil, **body) = send_json("POST", PATH, { kind: kind, key: key || "k#{@count = (@count || 0) + 1}", **body })
  def first_box(bench) = bench["moments"].find { |moment| moment["title"] == "Take apart" }["lines"][0]["boxes"][0]
  def head(bench = json) = bench["tightening"].find { |row| row["id"] == "head_bolts" }
  # The two that draw the head in are turned first.
  FIRST = 2
  def reach(reading, turn: FIRST, **others) = note("tightened", fastener: "head_bolts", turn: turn, reading: reading, by: "wrench", **others)

  def test_lines_are_ticked_and_unticked
    place
    get PATH
    assert_schema "Bench"
    box = first_box(json)["id"]
    done = ->(bench) { first_box(bench)["done"] }
    assert done.call(note("ticked", item: box, done: true))
    assert_schema "Bench"
    refute done.call(note("ticked", item: box, done: false))
    note("ticked", item: "open 99.1", done: true)
    assert_problem(422, "unknown_item", field: "item")
    assert_equal 2, database[:bench_entries].count
  end

  # Eight bolts in three rounds, 6.6, 13.2 and 22 N·m, and the last once more; it is within the sheet's own 9 lbf·in either way.
  def test_what_the_wrench_read_is_judged_and_the_work_goes_on_from_there
    place
    assert_equal [34, 0], [head(reach("9 N·m"))["turns"].size, head["at"]]
    FIRST.times { |turn| note("ticked", item: head["turns"][turn]["item"], done: true) }
    assert_equal ["over", FIRST], [head["turns"][FIRST]["verdict"], head["at"]]
    assert_equal [3, "inside"], [head(reach("6.7 N·m"))["at"], head["turns"][FIRST]["verdict"]]
    assert_equal ["under", 3], [head(reach("6.6 lbf in", turn: 3))["turns"][3]["verdict"], head["at"]]
    assert_match(/6\.6 N·m would be right/, head["turns"][3]["told"])
    assert_equal "inside", head(reach("58.4 lbf·in", turn: 3))["turns"][3]["verdict"]
    last = head(reach("22.9", turn: 18))["turns"][18]
    assert_equal [["21 N·m", "23 N·m"], "inside"], last.values_at("allowed", "verdict")
    assert_equal "over", head(reach("23.2", turn: 18))["turns"][18]["verdict"]
    assert_schema "Bench"
  end

  # A nut that is tightened at two moments has turns for each: what was reached at one says nothing of the other.
  def test_a_nut_that_is_tightened_at_two_moments
    place "plate PG50L, packings"
    get PATH
    order = json["tightening"].map { |row| row["id"] }
    assert_equal %w[packing_nuts plunger_couplings rear_covers packing_nuts-again retainer_bolts], order
    later = ->(bench) { bench["tightening"].find { |row| row["id"] == "packing_nuts-again" } }
    note("tightened", fastener: "packing_nuts", turn: 0, reading: "160 N·m", by: "wrench")
    assert_equal [0, 6], [later.call(json)["at"], later.call(json)["turns"].size]
    assert_equal(["inside", nil], note("tightened", fastener: "packing_nuts-again", turn: 0, reading: "161 N·m", by: "wrench")
      .then { |bench| later.call(bench)["turns"].first(2).map { |turn| turn["verdict"] } })
    assert_schema "Bench"
  end

  def test_what_cannot_be_read_is_refused_and_nothing_is_kept
    place
    { "0" => "not_positive", "-5 N·m" => "not_positive", "20 bar" => "not_a_torque", "20 mm" => "not_a_torque", "tight" => "not_a_quantity",
      "20 zorkmids" => "unknown_unit", "" => "not_a_quantity" }.each do |reading, code|
      reach(reading)
      assert_problem(422, code)
    end
    reach("20 N·m", turn: 34)
    assert_problem(422, "unknown_turn", field: "turn")
    note("tightened", fastener: "wheel_nuts", turn: 0, reading: "20", by: "typed")
    assert_problem(422, "unknown_fastener", field: "fastener")
    note("tightened", fastener: "head_bolts", turn: FIRST, by: "typed")
    assert_problem(422, "bad_request")
    assert_equal 0, database[:bench_entries].count
    get "/api/orders/2/bench"
    assert_problem(404, "not_found")
  end

  def test_a_double_click_counts_once
    place
    2.times { reach("6.6 N·m", key: "once") }
    assert_equal 1, database[:bench_entries].count
  end

  # A turn without a torque, such as the back-off of a packing nut, is ticked.
  def test_a_turn_without_a_torque_is_ticked
    place "plate PG50L, packings"
    ticked = send_json("POST", PATH, { kind: "ticked", key: "a", item: "turn packing_nuts 3", done: true })
    nuts = ticked["tightening"].find do |row|
      row["id"] == "packing_nuts"
    end
    assert_equal [nil, true], nuts["turns"][3].values_at("allowed", "done")
    note("tightened", fastener: "packing_nuts", turn: 3, reading: "20", by: "typed")
    assert_problem(422, "no_torque", field: "turn")
  end

  def packing = json["stacks"].find { |stack| stack["id"] == "packing" }

  # A finding goes back to the counter with what it costs, and changes nothing until it is agreed there.
  # Who stands at the bench sees what is not in the bag, and what is still to come, as every paper has it.
  def test_places_that_are_not_filled_are_told_at_the_bench
    place("plate TK4R20, serial 31500, 15 lpm, green, packings, 4 pumps")
    told = json["places"]
    assert_equal(told, get(PATH).then { json["places"] })
    assert_schema "Bench"
    assert_match(/TO COME: \d+ pieces/, told["coming"].join)
  end

  def test_what_is_found_at_the_bench_waits_to_be_agreed
    place "plate TK4R20, serial 31500, 15 lpm, green, inlet valves"
    get PATH
    stack = json["stacks"].first
    kept = stack["layers"].find { |layer| layer["fate"] == "look over" } || stack["layers"].find { |layer| layer["slot"] }
    before = database[:orders].first(id: 1)
    found = note("found", slot: kept["slot"], position: stack["positions"].first, outcome: "replace")["found"]
    assert_schema "Bench"
    assert_equal(["#{kept['name']}, #{stack['positions'].first}: renew it"], found["findings"].map { |one| one["text"] })
    refute found["findings"].first["taken"]
    assert_equal(found["cents"], found["changes"].sum { |change| change["cents"] })
    assert_equal before, database[:orders].first(id: 1)
    get "/api/today"
    assert_equal(["/orders/1"], json["piles"].find { |pile| pile["id"] == "to_agree" }["rows"].map { |row| row["to"] })
  end

  def test_taken_to_the_ticket_it_is_an_amendment_that_is_saved_or_not
    place "plate TK4R20, serial 31500, 15 lpm, green, inlet valves"
    get PATH
    stack = json["stacks"].first
    slot = stack["layers"].find { |layer| layer["slot"] }["slot"]
    note("found", slot: slot, position: stack["positions"].first, outcome: "rework")
    note("found", slot: slot, position: stack["positions"].first, outcome: "replace")
    view = send_json("POST", "/api/orders/1/findings", key: "take")
    assert_equal 201, last_response.status, last_response.body
    assert_equal([{ "slot" => slot, "position" => stack["positions"].first, "outcome" => "replace" }],
                 view["ticket"]["findings"].map { |one| one.slice("slot", "position", "outcome") })
    assert_equal 1, view["amending"]["id"]
    assert_match(/found at the bench/, view["call"].find { |line| line["kind"] == "reopened" }["text"])
    get PATH
    assert json["found"]["findings"].first["taken"]
    send_json("POST", "/api/orders/1/findings", key: "twice")
    assert_problem(422, "nothing_found", field: "key")
  end

  def test_a_piece_that_is_not_on_the_card_is_refused
    place
    note("found", slot: "flywheel", outcome: "replace")
    assert_problem(422, "unknown_slot", field: "slot")
    note("found", slot: packing_slot, position: "cylinder 9", outcome: "replace")
    assert_problem(422, "unknown_position", field: "position")
  end

  def packing_slot
    get PATH
    packing["layers"].find { |layer| layer["slot"] }["slot"]
  end

  # An order for two pumps has the ticks, turns and torques of each; what is laid out for both is ticked once.
  def test_each_pump_of_an_order_has_its_own_ticks_and_torques
    place "two pumps, plate TK4R20, serial 31500, 15 lpm, green, packings"
    get PATH
    assert_equal([1, 2], json["pumps"].map { |one| one["pump"] })
    box = first_box(json)["id"]
    laid = json["moments"].first["lines"][0]["boxes"][0]["id"]
    note("ticked", item: box, done: true, pump: 2)
    assert first_box(json)["done"]
    assert_equal 2, json["at_pump"]
    reach("6.6 N·m", pump: 2)
    note("ticked", item: laid, done: true)
    refute first_box(json)["done"], "pump 1"
    assert_nil head["turns"][FIRST]["told"]
    get "#{PATH}?pump=2"
    assert first_box(json)["done"]
    assert head["turns"][FIRST]["told"]
    assert json["moments"].first["lines"][0]["boxes"][0]["done"], "parts are laid out for both"
    note("ticked", item: box, done: true, pump: 3)
    assert_problem(422, "unknown_pump", field: "pump")
  end

  # What was over has strained the thread: it is told also when it was put right.
  def test_what_was_over_stays_to_be_seen
    place
    last = note("ticked", item: first_box(get(PATH) && json)["id"], done: true)
    at = head(last)["turns"].size - 1
    reach("40 N·m", turn: at)
    assert_equal "over", head["turns"][at]["verdict"]
    reach("22 N·m", turn: at)
    assert_equal "inside", head["turns"][at]["verdict"]
    assert_equal 1, head["over"].size
    assert_match(/40 N·m was over/, head["over"].first)
    get "/api/orders/1"
    told = json["bench"]["torques"].first
    assert_match(/40 N·m was over/, told["flagged"].join)
    assert_match(/\A\d{4}-\d\d-\d\d\z/, told["on"])
    get "/api/orders/1/torques.pdf"
    assert_equal "%PDF", last_response.body[0, 4]
  end

  # Each drawing and each torque beside the step that needs it.
  def test_steps_name_what_is_built_up_and_tightened_in_them
    place
    get PATH
    titled = json["moments"].group_by { |moment| moment["title"] }
    assert_equal(["packing"], titled["Renew"].flat_map { |moment| moment["stacks"] })
    assert_equal json["tightening"].map { |one| one["id"] }.sort, titled["Close"].flat_map { |moment| moment["fasteners"] }.sort
    due = titled.transform_values { |moments| moments.first["due"].map { |one| one["picture"] } }
    assert_equal([%w[pressure jet eyes], %w[manual], %w[jet]],
                 due.values_at("Take apart", "On the bench: parts", "Start again").map { |all| all.first(3) })
  end
end
