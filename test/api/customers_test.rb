# frozen_string_literal: true

require "pdf/reader"
require_relative "../support/shop"
require "icalendar"

# Customers, their pumps, tools they have, and when they are rung.
class CustomersTest < Minitest::Test
  include Shop

  def customer(line = "Pier Nine Icehouse, Salt Quay, 0160 442 118") = send_json("POST", "/api/customers", line: line)
  def names(words) = get("/api/customers?#{Rack::Utils.build_query(q: words)}").then { json.map { |one| one["name"] } }

  def test_written_down_in_one_line_and_found_by_any_part
    one = customer
    assert_equal 201, last_response.status
    assert_schema "Customer"
    assert_equal ["Pier Nine Icehouse", "Salt Quay", "0160 442 118"], one.values_at("name", "place", "phone")
    ["icehouse pier", "salt quay nine", "442118", "0160 442"].each { |words| assert_includes names(words), "Pier Nine Icehouse", words }
    assert_equal ["Saltmarsh Oyster Sheds"], names("oyster tk4r"), "by a pump of theirs"
    assert_empty names("50% off")
    send_json("POST", "/api/customers", line: "PIER nine icehouse, elsewhere")
    assert_match(/“Pier Nine Icehouse”, Salt Quay already/, assert_problem(422, "known", field: "name")["detail"])
    send_json("POST", "/api/customers", line: " , elsewhere")
    assert_problem(422, "missing", field: "name")
    send_json("POST", "/api/customers/#{one['id']}", name: "Hollin Orchard")
    assert_problem(422, "known", field: "name")
    send_json("POST", "/api/customers/#{one['id']}", phone: "0170 1", note: "rings before six")
    assert_schema "CustomerFile"
    assert_equal "0170 1", json["phone"]
  end

  def test_named_before_and_after_the_order
    one = customer
    order = placed
    assert_nil order["customer"]
    named = step(order, "name", customer_id: one["id"])
    assert_equal ["Pier Nine Icehouse", "for Pier Nine Icehouse"], [named["customer"], named["life"].last["words"]]
    get "/api/orders?q=icehouse"
    assert_equal([1], json["orders"].map { |row| row["id"] })
    step(order, "name", customer_id: 999)
    assert_problem(422, "unknown_customer", field: "customer_id")
    get "/api/customers/#{one['id']}"
    assert_equal([["TK4R20", [1]]], json["pumps"].map { |pump| pump.values_at("designation", "orders") })
  end

  def test_a_pump_s_file
    order = handed_over(customer: 1)
    get "/api/customers/1"
    pump = json["pumps"].find { |one| one["designation"] == "TK4R20" }
    assert_equal ["31500", "TK4R20", [order["id"]]], pump.values_at("serial", "plate", "orders"), "what was read is kept with it"
    send_json("POST", "/api/pumps/#{pump['id']}", months: 6, stands: "ice store", hours_per_week: 20)
    due = json["pumps"].find { |one| one["id"] == pump["id"] }
    assert_equal (Date.today >> 6).iso8601, due["due_on"]
    assert_match(/6 months after order 1/, due["due"].first["text"])
    send_json("POST", "/api/pumps/#{pump['id']}", due_by_hand: "next week")
    assert_problem(422, "bad_day", field: "due_by_hand")
    send_json("POST", "/api/pumps/#{pump['id']}", {})
    assert_problem(422, "bad_request")
    send_json("POST", "/api/customers/1/pumps", designation: " dk418 ", serial: "12")
    assert_includes json["pumps"].map { |one| one["designation"] }, "DK418"
    send_json("POST", "/api/customers/1/pumps", designation: " ")
    assert_problem(422, "missing", field: "designation")
  end

  # Read back by the icalendar gem's own parser (RFC 5545).
  def test_the_calendar_reads_back
    handed_over(customer: 1)
    pump = database[:pumps].where(customer_id: 1, designation: "TK4R20").get(:id)
    send_json("POST", "/api/pumps/#{pump}", due_by_hand: "2027-02-28", stands: "hall, \"north\"; bay 2")
    send_json("POST", "/api/customers/1", phone: "0160 1", name: "Säl & Söner, Inc.")
    get "/api/due.ics"
    assert_equal "text/calendar", last_response.media_type
    events = Icalendar::Calendar.parse(last_response.body).first.events
    assert_equal [Date.new(2027, 2, 28), Date.new(2027, 3, 1)], [events.first.dtstart.to_date, events.first.dtend.to_date]
    assert_equal "Ring Säl & Söner, Inc.: TK4R20 is due", events.first.summary.to_s
    assert_equal "pump-#{pump}@gimlet", events.first.uid.to_s
  end

  def test_what_is_due_prints
    pump = database[:pumps].where(customer_id: 1).get(:id)
    send_json("POST", "/api/customers/1", phone: "0160 1", name: "Säl & Söner")
    told = lambda do |day|
      send_json("POST", "/api/pumps/#{pump}", due_by_hand: day.iso8601)
      get "/api/due.pdf"
      assert_equal "application/pdf", last_response.media_type, last_response.body[0, 200]
      PDF::Reader.new(StringIO.new(last_response.body)).pages.map(&:text).join(" ").gsub(/\s+/, " ")
    end
    coming = told.call(Gimlet::Store::Clock.today + 1)
    ["Säl & Söner", "0160 1", "TK4R20", "asked for"].each { |text| assert_includes coming, text }
    refute_includes coming, "OVERDUE"
    assert_includes told.call(Gimlet::Store::Clock.today - 1), "OVERDUE"
  end

  def test_rung_and_rung_again
    pump = database[:pumps].where(customer_id: 1).get(:id)
    ring = -> { get("/api/today").then { json["piles"].find { |pile| pile["id"] == "to_ring" }["total"] } }
    send_json("POST", "/api/pumps/#{pump}", due_by_hand: (Date.today + 10).iso8601)
    assert_equal 1, ring.call
    assert_schema "Today"
    send_json("POST", "/api/pumps/#{pump}/rung", again_on: Date.today.iso8601)
    assert_problem(422, "past", field: "again_on")
    send_json("POST", "/api/pumps/#{pump}/rung", note: "after the harvest", again_on: (Date.today + 20).iso8601)
    assert_equal ["after the harvest", (Date.today + 20).iso8601], json["pumps"].first.values_at("rung_said", "ring_after")
    assert_equal 0, ring.call
    Gimlet::Store::Clock.at(Time.now + (20 * 86_400)) { assert_equal 1, ring.call }
    get "/api/history?q=harvest"
    assert_match(/rang Saltmarsh Oyster Sheds about their TK4R20: after the harvest/, json["entries"].first["detail"])
  end

  def test_as_last_time
    order = handed_over(customer: 1)
    view = send_json("POST", "/api/orders/#{order['id']}/again", key: "g1")
    assert_schema "TicketView"
    assert_equal [1, ["packings"], false, "TK4R20 from 31000"],
                 [view["ticket"]["customer_id"], view["ticket"]["scope"], view["ticket"]["agreed"], view["pump"]["id"]]
    assert_operator view["pump"]["sure"], :>, 0.95, "plate and serial as they were read then"
    assert_equal view["id"], send_json("POST", "/api/orders/#{order['id']}/again", key: "g1")["id"]
    assert_equal order["id"], view["ticket"]["customer"]["last"]["id"]
  end

  # A ticket on which only the caller was named becomes it; one on which anything was said stays as it is.
  def test_as_last_time_leaves_no_empty_ticket
    order = handed_over(customer: 1)
    named = send_json("POST", "/api/tickets", entry("customer", customer_id: 1))["id"]
    again = ->(ticket) { send_json("POST", "/api/orders/#{order['id']}/again", key: "g#{rand}", ticket_id: ticket)["id"] }
    assert_equal named, again.call(named)
    refute_equal named, again.call(named), "something was said on it by now"
    assert_equal 200, get("/api/tickets/#{named}").status
    refute_equal 99, again.call(99), "there is no such ticket"
  end

  def test_merged_into_one
    order = handed_over(customer: 1)
    one = customer
    send_json("POST", "/api/customers/1/merge", into: 1)
    assert_problem(422, "same", field: "into")
    send_json("POST", "/api/customers/1/merge", into: one["id"])
    assert_equal ["Pier Nine Icehouse", [order["id"]]], [json["name"], json["orders"].map { |row| row["id"] }]
    refute_includes names(""), "Saltmarsh Oyster Sheds"
    assert_equal "Pier Nine Icehouse", fetch(order)["customer"]
    get "/api/customers/1"
    assert_equal one["id"], json["id"], "the old number leads to the one that stays"
    view = send_json("POST", "/api/tickets", entry("customer", customer_id: 1))
    assert_equal one["id"], view["ticket"]["customer"]["id"]
  end

  def test_forgotten_but_for_the_papers
    order = handed_over(customer: 1)
    send_json("POST", "/api/customers/1/erase", {})
    assert_match(/Order 1 is still under way/, assert_problem(422, "live_orders")["detail"])
    step(order, "close")
    send_json("POST", "/api/customers/1/erase", {})
    assert_equal ["erased customer 1", "", ""], json.values_at("name", "place", "phone")
    assert_equal([true, true], json["pumps"].map { |pump| pump["gone"] })
    assert_empty names("saltmarsh")
    assert_equal "Saltmarsh Oyster Sheds", fetch(order)["customer"], "what was sold stays on file"
    assert_includes paper(order, "note"), "Saltmarsh Oyster Sheds"
  end

  def test_tools_go_out_and_are_missed
    send_json("POST", "/api/tools", tag: "pw-t11/1", number: "PW-T11", deposit: "25", shelf: "T2")
    assert_schema "LentTool"
    { { number: "XX" } => %w[unknown_tool number], { deposit: "much" } => %w[no_amount deposit],
      {} => %w[taken tag] }.each do |change, (code, field)|
      send_json("POST", "/api/tools", { tag: "PW-T11/1", number: "PW-T11", deposit: "25", **change })
      assert_problem(422, code, field: field)
    end
    order = handed_over(customer: 1)
    step(order, "lend", tool: "tool pw-t11/1", until: (Date.today + 3).iso8601, deposit: "25")
    assert_equal ["out", false], json["tools"].first.values_at("state", "overdue")
    other = handed_over
    step(other, "lend", tool: "PW-T11/1", until: (Date.today + 3).iso8601, deposit: "25")
    assert_match(/out with Saltmarsh Oyster Sheds/, assert_problem(422, "out", field: "tool")["detail"])
    step(order, "close")
    assert_problem(422, "tools_out")
    Gimlet::Store::Clock.at(Time.now + (5 * 86_400)) do
      get "/api/today"
      assert_match(%r{PW-T11/1 · Saltmarsh}, json["piles"].find { |pile| pile["id"] == "overdue" }["rows"].first["what"])
    end
    assert_includes paper(order, "note"), "Lent: bring it back"
    step(order, "tool_back", tool: "PW-T11/1", condition: "worn")
    step(order, "tool_back", tool: "PW-T11/1", condition: "good")
    assert_problem(422, "not_out", field: "tool")
    get "/api/tools"
    assert_equal ["worn", true], json.first.values_at("condition", "free")
  end

  # What the plan lends is kept for the order, and let go with it.
  def test_a_tool_is_kept_for_an_order
    send_json("POST", "/api/tools", tag: "PW-T11/1", number: "PW-T11", deposit: "25")
    view = agreed
    view = send_json("POST", "/api/tickets/#{view['id']}/entries", entry("handed", tool: "manifold guide pins M8, pair", how: "lent"))
    order = save(view)
    assert_equal ["promised", 1], json["tools"].first.values_at("state", "order_id")
    step(order, "cancel", reason: "rang off")
    get "/api/tools"
    assert json.first["free"]
  end
end
