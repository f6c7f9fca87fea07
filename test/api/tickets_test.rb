# frozen_string_literal: true

require_relative "../support/http"

class TicketsApiTest < Minitest::Test
  include Http

  def open_with(kind, **body) = send_json("POST", "/api/tickets", entry(kind, **body))
  def add(view, kind, **body) = send_json("POST", "/api/tickets/#{view['id']}/entries", entry(kind, **body))

  def call(*lines)
    lines.drop(1).reduce(open_with("said", words: lines.first)) { |view, words| add(view, "said", words: words) }
  end

  def test_one_request_adds_an_entry_and_answers_with_everything
    view = open_with("said", words: "TK4, 8 bolts, grumbles at night, wants packings")
    assert_equal 201, last_response.status
    assert_schema "TicketView"
    line = view["call"].first
    assert_equal([["series mark TK4"], ["head bolts 8"], ["asked for: packings"]], line["items"].map { |item| item["texts"] })
    assert_equal(["grumbles at night"], line["unheard"].map { |one| one["words"] })
    assert_equal "TK4", line["words"][line["items"][0]["from"]...line["items"][0]["to"]]
    assert_operator line["pumps"], :<, 20
    get "/api/tickets/#{view['id']}"
    assert_equal view, json
    get "/api/tickets"
    assert_schema "TicketPage"
    assert_equal([[1, "TK4, 8 bolts, grumbles at night, wants packings"]], json["tickets"].map { |ticket| ticket.values_at("entries", "words") })
  end

  def test_words_that_may_mean_two_things_count_when_they_are_picked
    view = call("15 lpm")
    open = view["call"].first["choices"].first
    assert_equal ["15 lpm", [["rated flow 15 L/min"], ["seen now, no rating"]]], open.values_at("words", "options")
    assert_empty view["found"]["readings"]
    add(view, "picked", of: 1, choice: 0, option: 7)
    assert_problem(422, "unknown_option", field: "option")
    picked = add(view, "picked", of: 1, choice: 0, option: 0)
    assert_schema "TicketView"
    assert_equal(["rated flow 15 L/min"], picked["found"]["readings"].map { |one| one["text"] })
    add(view, "picked", of: 1, choice: 0, option: 1)
    assert_problem(422, "unknown_choice", field: "choice")
    neither = add(call("200 bar"), "picked", of: 1, choice: 0, option: nil)
    assert_empty neither["found"]["readings"]
    assert_empty neither["call"].first["choices"]
  end

  def test_a_line_puts_the_one_before_right_and_the_preview_says_so
    view = call("8 bolts")
    preview = send_json("POST", "/api/preview", words: "no, ten", ticket_id: view["id"])
    assert_equal([["head bolts 10", "instead of “8 bolts”"]], preview["heard"].map { |one| one["texts"] })
    after = add(view, "said", words: "no, ten")
    assert_equal([true, false], after["call"].map { |line| line["struck"] })
    assert_equal(["head bolts 10"], after["found"]["readings"].map { |one| one["text"] })
  end

  def test_a_new_customer_is_written_down_once_and_then_named_in_a_line
    customer = send_json("POST", "/api/customers", name: " Tideway  Oysters ", place: "Skarrow")
    assert_equal 201, last_response.status
    assert_schema "Customer"
    assert_equal ["Tideway Oysters", "Skarrow", []], customer.values_at("name", "place", "pumps")
    send_json("POST", "/api/customers", name: "tideway oysters", place: "")
    assert_problem(422, "known", field: "name")
    send_json("POST", "/api/customers", name: " ", place: "")
    assert_problem(422, "missing", field: "name")
    assert_equal customer["id"], call("tideway oysters here, 8 bolts")["ticket"]["customer_id"]
  end

  def test_a_call_that_comes_to_nothing_is_closed_and_found_again
    view = call("8 bolts, green")
    add(view, "closed", reason: "")
    assert_problem(422, "reason_too_short", field: "reason")
    assert_equal "closed: he rings again", add(view, "closed", reason: "he rings again")["call"].last["text"]
    add(view, "said", words: "hex 6")
    assert_problem(422, "closed")
    send_json("POST", "/api/orders", ticket_id: view["id"], on: 2, seen: [], reason: "all the same")
    assert_problem(422, "closed")
    get "/api/tickets"
    assert_equal 0, json["total"]
    get "/api/tickets?state=closed&q=GREEN"
    assert_equal([view["id"]], json["tickets"].map { |ticket| ticket["id"] })
    assert_equal "open", add(view, "reopened", reason: "he did")["ticket"]["state"]
    add(view, "reopened", reason: "again")
    assert_problem(422, "open")
    assert_equal 3, add(view, "said", words: "hex 6")["call"].size - 1
  end

  def test_the_same_request_twice_counts_once
    first = entry("said", words: "8 bolts")
    views = Array.new(2) { send_json("POST", "/api/tickets", first) }
    assert_equal views.first, views.last
    second = entry("said", words: "hex 6")
    2.times { send_json("POST", "/api/tickets/1/entries", second) }
    assert_equal([1, 2], json["call"].map { |one| one["number"] })
    assert_equal 1, database[:tickets].count
  end

  def test_nothing_known_promises_nothing
    get "/api/tickets/new"
    assert_schema "TicketView"
    assert_equal [nil, nil, [], ["nothing"]], [json["pump"], json["plan"], json["tray"]["certain"], json["lacking"].map { |one| one["id"] }]
    everything = call("everything")
    assert_equal [nil, nil, []], everything.values_at("pump", "plan").push(everything["tray"]["certain"])
  end

  def test_the_tray_holds_what_all_likely_orders_have
    view = call("something K, 4, then can't read, 20, eight head bolts, hex 6, three white plungers, wants valves and packings")
    tray = view["tray"]
    assert_equal %w[PW-4141 PW-K220 PW-K41], tray["certain"].map { |one| one["number"] }.sort
    assert_equal 2, tray["open"].size
    assert_includes tray["open"].last["lines"].map { |line| line["number"] }, "PW-K42A"
    assert_operator tray["open"].last["wasted_cents"], :>, 0
    settled = add(view, "answered", reading: { trait: "sight_glass", value: "rear" }, label: "rear")
    assert_empty settled["tray"]["open"]
    assert_includes settled["tray"]["certain"].map { |one| one["number"] }, "PW-K42A"
  end

  def test_struck_out_brought_back_and_put_right
    view = call("plate DK420, grey, 17.6 lpm, packings", "2 cylinders")
    assert_equal(["doubt"], view["lacking"].map { |one| one["id"] })
    assert_empty add(view, "struck", of: 2, item: 0)["lacking"]
    back = add(view, "restored", of: 2, item: 0)
    assert_equal(["doubt"], back["lacking"].map { |one| one["id"] })
    key = back["found"]["contradictions"].first["key"]
    assert_empty add(view, "settled", doubt: key, reason: "a twin of the same frame")["lacking"]
    assert_equal [{ "doubt" => key, "reason" => "a twin of the same frame", "text" => nil }], json["ticket"]["settled"]
    assert_equal(["doubt"], add(view, "settled", doubt: key, reason: nil)["lacking"].map { |one| one["id"] })
    assert_empty add(view, "said", words: "3 cylinders")["lacking"], "the last count is the one that counts"
  end

  def test_words_that_were_not_heard_are_taken_up
    view = call("plate's X9Z, wobbles")
    taken = add(view, "taken_up", of: 1, words: "wobbles", complaint: "other")
    assert_equal ["something else"], taken["ticket"]["complaints"]
    refute_includes taken["call"].first["unheard"].map { |one| one["words"] }, "wobbles"
    number = add(taken, "taken_up", of: 1, words: "DB KIT 120", reading: { trait: "part_number", value: "DB KIT 120" })
    assert_includes number["found"]["readings"].map { |reading| reading["text"] }, "old part or kit number DBKIT120"
  end

  def test_who_observed_follows_from_how_the_customer_was_present
    view = call("8 bolts")
    add(view, "channel", channel: "counter")
    later = add(view, "said", words: "3 plungers")
    assert_equal(%w[caller counter], later["found"]["readings"].map { |reading| reading["observer"] })
  end

  def test_what_would_be_heard_is_shown_and_not_kept
    send_json("POST", "/api/preview", words: "8 bolts, 900 mm plunger, 12 stone", asked: nil)
    assert_schema "Preview"
    assert_equal([["head bolts 8"], []], json["heard"].map { |one| one["texts"] })
    assert_match(/beyond any pump here/, json["heard"].last["problem"])
    assert_match(/no unit here/, json["unheard"].first["note"])
    assert_equal 0, database[:tickets].count
  end

  def test_what_is_refused_adds_nothing
    view = call("8 bolts")
    [["said", { words: "900 mm plunger" }, "out_of_range", "words.value"], ["said", { words: " " }, "missing", "words"],
     ["said", {}, "bad_request", "words"],
     ["struck", { of: 9 }, "unknown_entry", "of"], ["not_sure", { trait: "mood" }, "unknown_trait", "trait"],
     ["customer", { customer_id: 99 }, "unknown_customer", "customer_id"],
     ["settled", { doubt: "x", reason: "no" }, "reason_too_short", "reason"],
     ["taken_up", { of: 1, words: "x", complaint: "mood" }, "unknown_complaint", "complaint"],
     ["ordered", {}, "bad_request", "kind"],
     ["work", { areas: ["paint"], agreed: true }, "unknown_area", "areas"],
     ["work", { areas: ["packings"], agreed: true, positions: { packings: ["cylinder 9"] } }, "unknown_position", "positions.packings"],
     ["inspected", { slot: "lamp", outcome: "replace" }, "unknown_slot", "slot"],
     ["inspected", { slot: "hp_seal", position: "lid", outcome: "replace" }, "unknown_position", "position"],
     ["inspected", { slot: "inlet_spring", measured: { mood: 3 } }, "unknown_measure", "measured"],
     ["inspected", { slot: "inlet_spring", outcome: "lost" }, "bad_request", "outcome"],
     ["had", { number: "nothing", quantity: 1 }, "unknown_part", "number"], ["had", { number: "PW-4220", quantity: -1 }, "bad_request", "quantity"],
     ["fixed", { number: "PW-K220", quantity: 1, reason: "x" }, "reason_too_short", "reason"],
     ["fixed", { number: "nothing", quantity: 1, reason: "because" }, "unknown_part", "number"],
     ["checked", { check: "mood", result: "yes" }, "unknown_check", "check"],
     ["checked", { check: "nozzle_big", result: "perhaps" }, "bad_result", "result"],
     ["extension", { lever_mm: 0, extension_mm: 5 }, "not_positive", "lever_mm"],
     ["extension", { lever_mm: 300, extension_mm: 900 }, "out_of_range", "extension_mm"],
     ["owns", { has: true, from: 100, to: 20, unit: "N·m" }, "upside_down", "to"],
     ["owns", { has: true, from: 0, to: 20, unit: "N·m" }, "not_positive", "from"], ["owns", { has: true, tool: " " }, "missing", "tool"],
     ["extent", { extent: "half" }, "bad_request", "extent"]].each do |kind, body, code, field|
      add(view, kind, **body)
      assert_problem(422, code, field: field)
    end
    send_json("POST", "/api/tickets", entry("said", words: "900 mm plunger"))
    assert_problem(422, "out_of_range")
    assert_equal [1, 1], [database[:tickets].count, database[:entries].count]
    send_json("POST", "/api/tickets/99/entries", entry("said", words: "8 bolts"))
    assert_problem(404, "not_found")
    get "/api/tickets/99"
    assert_match(/no ticket 99/, assert_problem(404, "not_found")["detail"])
  end

  def test_a_view_that_did_not_change_is_not_sent_again
    view = call("8 bolts")
    get "/api/tickets/#{view['id']}"
    tag = last_response["ETag"]
    get "/api/tickets/#{view['id']}", {}, { "HTTP_IF_NONE_MATCH" => tag }
    assert_equal 304, last_response.status
    Gimlet::Store::Purchases.new(database).write([{ number: "PW-K220", quantity: 1, price_cents: nil }], key: "p", who: "Adela")
    get "/api/tickets/#{view['id']}", {}, { "HTTP_IF_NONE_MATCH" => tag }
    assert_equal 200, last_response.status, "what is bought may come on another day"
    tag = last_response["ETag"]
    add(view, "said", words: "hex 6")
    get "/api/tickets/#{view['id']}", {}, { "HTTP_IF_NONE_MATCH" => tag }
    assert_equal 200, last_response.status
  end

  def fastener(view, id) = view["plan"]["tightening"].find { |row| row["fastener"] == id }

  # The sheet of this series has no value for its plunger bolts: the specialist looks it up.
  def test_a_value_that_is_on_no_sheet_is_entered_with_its_source
    view = call("plate MGL40, plungers")
    assert_equal ["none", "no value on file: look in MG plant manual, rev. 6"], fastener(view, "plunger_fix").values_at("kind", "text")
    entered = add(view, "entered", pump: "MGL40", fastener: "plunger_fix", value: 20, unit: "lbf·ft", source: "letter of the maker, 4 May")
    assert_schema "TicketView"
    bolts = fastener(entered, "plunger_fix")
    assert_equal ["27.1 N·m", true], [bolts["asked"]["text"], bolts["entered"]]
    assert_includes bolts["text"], "entered at the counter: letter of the maker, 4 May"
    assert_equal "plunger fix: 20 lbf·ft, from letter of the maker, 4 May", entered["call"].last["text"]
    moved = add(view, "pump", id: "SC325L")
    assert_equal [false], moved["plan"]["tightening"].map { |row| row["entered"] }.uniq, "another pump's gaps are its own"
    add(view, "pump", id: nil)
    assert_equal "none", fastener(add(view, "entered", pump: "MGL40", fastener: "plunger_fix", value: nil), "plunger_fix")["kind"]
  end

  def test_a_value_that_cannot_be_is_refused
    view = call("plate MGL40, plungers")
    { { value: 0, unit: "N·m", source: "page 3" } => "not_positive", { value: -20, unit: "N·m", source: "page 3" } => "not_positive",
      { value: 20, unit: "N·m", source: "" } => "no_source" }.each do |typed, code|
      add(view, "entered", pump: "MGL40", fastener: "plunger_fix", **typed)
      assert_problem(422, code)
    end
    add(view, "entered", pump: "MGL40", fastener: "head_bolts", value: 20, unit: "N·m", source: "page 3")
    assert_problem(422, "on_file", field: "fastener")
    add(view, "entered", pump: "MGL40", fastener: "wheel_nuts", value: 20, unit: "N·m", source: "page 3")
    assert_problem(422, "unknown_fastener", field: "fastener")
    add(view, "entered", pump: "MGL40", fastener: "plunger_fix", value: 20)
    assert_problem(422, "bad_request")
  end

  def test_a_tool_goes_along_lent_or_sold
    view = call("plate TK4R20, serial 31500, packings")
    tool = ->(one) { one["plan"]["tools"].find { |row| row["number"] == "PW-T22" } }
    assert_equal [nil, "a length of plastic pipe, 28 mm outside"], tool.call(view).values_at("how", "substitute")
    assert_operator tool.call(view)["price_cents"], :>, 0
    assert_equal "lent", tool.call(add(view, "handed", tool: "seal driver 20/22", how: "lent"))["how"]
    assert_nil tool.call(add(view, "owns", tool: "seal driver 20/22", has: true))["how"], "what the customer has is not lent"
    add(view, "handed", tool: "hex 6", how: "sold")
    assert_problem(422, "unknown_tool", field: "tool")
  end

  # The customer's wrench is marked every 2 lbf·ft: what is set is a mark of it, and a crow's foot at a right angle changes nothing.
  def test_what_is_set_is_a_mark_of_the_wrench_that_it_is_done_with
    view = add(call("plate HBL20, packings"), "owns", has: true, from: 10, to: 60, unit: "lbf·ft", mark: 2)
    assert_equal "32 lbf·ft, 1.4 % under", fastener(view, "head_bolts")["setting"]
    crow = add(view, "extension", lever_mm: 400, extension_mm: 100, angle_deg: 90)
    assert_equal "32 lbf·ft, 1.4 % under (for an extension of 100 mm turned 90° on a lever of 400 mm)", fastener(crow, "head_bolts")["setting"]
    coarse = add(view, "owns", has: true, from: 10, to: 60, unit: "lbf·ft", mark: 10)
    assert_match(/outside the sheet's tolerance/, fastener(coarse, "head_bolts")["setting"])
    add(view, "extension", lever_mm: 400, extension_mm: 100, angle_deg: 200)
    assert_problem(422, "out_of_range", field: "angle_deg")
  end
end
