# frozen_string_literal: true

require_relative "../support/http"
require "pdf/reader"

class OrdersApiTest < Minitest::Test
  include Http

  KNOWN = "plate TK4R20, serial 31500, 15 lpm, green"

  def ticket(words = "#{KNOWN}, packings", *steps)
    first = send_json("POST", "/api/tickets", entry("said", words: words))
    steps.reduce(first) { |view, (kind, body)| send_json("POST", "/api/tickets/#{view['id']}/entries", entry(kind, **body)) }
  end

  def order(view, **others) = send_json("POST", "/api/orders", { ticket_id: view["id"], on: view["last"], seen: view["seen"] || [], **others })

  def card_text(id, most: 7)
    get "/api/orders/#{id}/card.pdf"
    assert_equal "application/pdf", last_response.media_type
    reader = PDF::Reader.new(StringIO.new(last_response.body))
    assert_includes 1..most, reader.page_count
    reader.pages.map(&:text).join("\n").gsub(/\s+/, " ")
  end

  def test_an_order_is_saved_once_and_kept_whole
    made = ticket("#{KNOWN}, packings and oil seals", ["customer", { customer_id: 1 }])
    first = order(made)
    assert_equal 201, last_response.status
    assert_schema "Order"
    assert_equal first, order(made)
    assert_equal 200, last_response.status
    get "/api/orders"
    assert_schema "OrderPage"
    assert_equal([["packings", "oil seals"]], json["orders"].map { |order| order["work"] })
    assert_operator first["record"]["sure"], :>, 0.95
    get "/api/tickets/#{made['id']}"
    assert_equal ["ordered", "saved as order 1"], json["call"].last.values_at("kind", "text")
    send_json("POST", "/api/tickets/#{made['id']}/entries", entry("said", words: "8 bolts"))
    assert_problem(422, "ordered")
    get "/api/tickets"
    assert_empty json["tickets"]
  end

  def test_two_windows_save_one_order
    made = ticket
    app
    results = Array.new(4) do
      Thread.new do
        Rack::MockRequest.new(app).post("/api/orders", input: JSON.generate(ticket_id: made["id"], on: made["last"], seen: made["seen"]),
                                                       "CONTENT_TYPE" => "application/json")
      end
    end.map { |one| one.value.status }
    assert_equal [200, 200, 200, 201], results.sort
    assert_equal [1, 1], [database[:orders].count, database[:entries].where(kind: "ordered").count]
  end

  def test_the_order_stays_as_it_was_when_the_catalogue_changes
    made = order(ticket)
    get "/api/catalogue/pellwick-tk4"
    changed = json
    changed["fasteners"][0]["tightenings"][0]["value"] = 200
    import(changed)
    get "/api/orders/#{made['id']}"
    assert_equal made, json
    refute_equal made["catalogue_version"], order(ticket)["catalogue_version"]
  end

  def test_the_customer_s_pump_is_remembered
    customer = database[:customers].where(name: "Slipway Boatyard").get(:id)
    order(ticket("#{KNOWN}, packings", ["customer", { customer_id: customer }]))
    assert_equal ["TK4R20"], Gimlet::Store::Customers.new(database).find(customer)[:pumps]
  end

  def test_what_is_not_enough_takes_a_reason_that_goes_with_the_order
    doubtful = ticket("TK4, 20 mm plunger, 2 cylinders, packings")
    assert_includes doubtful["lacking"].map { |one| one["id"] }, "doubt"
    order(doubtful)
    assert_match(/Say why/, assert_problem(422, "reason_needed", field: "reason")["detail"])
    order(doubtful, reason: "ok")
    assert_problem(422, "reason_needed")
    made = order(doubtful, reason: "customer stands here with the old seal")
    assert_equal "customer stands here with the old seal", made["record"]["reason"]
    assert_includes card_text(made["id"]), "Placed all the same: customer stands here with the old seal"
  end

  def test_a_settled_doubt_goes_with_the_order
    view = ticket("#{KNOWN}, 2 cylinders, packings")
    key = view["found"]["contradictions"].first["key"]
    settled = send_json("POST", "/api/tickets/#{view['id']}/entries", entry("settled", doubt: key, reason: "counted the crank throws"))
    assert_equal [{ "text" => "cylinders 2", "reason" => "counted the crank throws" }], order(settled)["record"]["doubts"]
  end

  def test_a_pump_taken_by_hand_and_struck_readings
    view = ticket("TK4L20, 15 lpm, 2 cylinders, discharge valves", ["struck", { of: 1, item: 2 }], ["pump", { id: "TK4L20 before 31000" }])
    record = order(view, reason: "he read the serial")["record"]
    assert_equal ["TK4L20", "before 31000"], record["pump"].values_at("model", "serials")
    refute_includes record["seen"].join, "cylinders"
  end

  def test_a_stale_order_is_refused
    made = ticket
    send_json("POST", "/api/tickets/#{made['id']}/entries", entry("work", areas: ["packings"], agreed: true, pumps: 2))
    order(made)
    assert_problem(409, "stale_ticket", field: "on")
    assert_equal 0, database[:orders].count
  end

  def test_an_order_is_cancelled_for_a_reason_and_stays_readable
    id = order(ticket)["id"]
    send_json("POST", "/api/orders/#{id}/steps", kind: "cancel", key: "c#{rand}", reason: " ", revision: 1)
    assert_problem(422, "reason_too_short", field: "reason")
    cancelled = send_json("POST", "/api/orders/#{id}/steps", kind: "cancel", key: "c#{rand}", reason: "the pump was beyond it", revision: 1)
    assert_schema "Order"
    assert_equal "the pump was beyond it", cancelled["cancelled_because"]
    assert_includes card_text(id), "CANCELLED: the pump was beyond it"
    send_json("POST", "/api/orders/#{id}/steps", kind: "cancel", key: "c#{rand}", reason: "once more", revision: 2)
    assert_problem(422, "not_now", field: "kind")
    get "/api/orders?q=saltmarsh"
    assert_equal [], json["orders"], "no customer was named"
    get "/api/orders?q=tk4r20%20packings"
    assert_equal "cancelled", json["orders"][0]["state"]
  end

  # A new version, the old one readable; the ticket tells why.
  def test_an_order_is_amended_on_its_ticket
    made = ticket
    first = order(made)
    reopened = send_json("POST", "/api/tickets/#{made['id']}/entries", entry("reopened", reason: "he wants the oil seals too"))
    assert_equal [nil, 1, "open"], [reopened["order_id"], reopened["ticket"]["amends"], reopened["ticket"]["state"]]
    more = send_json("POST", "/api/tickets/#{made['id']}/entries", entry("said", words: "and oil seals"))
    second = order(more, revision: 1)
    assert_equal 201, last_response.status
    assert_schema "Order"
    assert_equal [first["id"], 2, "he wants the oil seals too"], second.values_at("id", "version", "amended_because")
    assert_equal(["packings", "oil seals"], second["record"]["work"]["areas"].map { |area| area["name"] })
    get "/api/orders/1/versions/1"
    assert_equal first["record"], json["record"]
    assert_schema "Order"
    assert_equal second, order(more, revision: 1), "the same again is no third"
    get "/api/orders/1/versions/7"
    assert_problem(404, "not_found")
    assert_equal [1, 1], [database[:orders].count, database[:order_versions].count]
  end

  # Reopened at one till, cancelled at another, saved from the first one's old screen: in force again, and nobody was told.
  def test_a_cancelled_order_does_not_come_back_unsaid
    made = ticket
    order(made)
    reopened = send_json("POST", "/api/tickets/#{made['id']}/entries", entry("reopened", reason: "he wants the oil seals too"))
    assert_equal({ "id" => 1, "revision" => 1, "cancelled_at" => nil, "cancelled_because" => nil }, reopened["amending"])
    send_json("POST", "/api/orders/1/steps", kind: "cancel", key: "c#{rand}", reason: "he rang off", revision: 1)
    assert_equal [1, 2], json.values_at("version", "revision")
    order(reopened, revision: 1)
    problem = assert_problem(409, "order_changed", field: "revision")
    assert_match(/Order 1 was changed since you looked \(cancelled: he rang off\)/, problem["detail"])
    order(reopened)
    assert_problem(409, "order_changed")
    get "/api/tickets/#{made['id']}"
    assert_equal(["cancelled"], json["lacking"].map { |one| one["id"] })
    order(json, revision: 2)
    assert_problem(422, "reason_needed")
    assert_includes last_response.body, "saving puts it in force again"
    order(reopened, revision: 2, reason: "he rang again")
    assert_equal [2, nil], json.values_at("version", "cancelled_at")
    send_json("POST", "/api/orders/1/steps", kind: "cancel", key: "c#{rand}", reason: "from an old screen", revision: 2)
    assert_problem(409, "order_changed")
    assert_nil database[:orders].get(:cancelled_at)
  end

  # As a cut file or another program may have left it.
  def test_a_record_that_cannot_be_read_is_said
    id = order(ticket)["id"]
    record = JSON.parse(database[:orders].get(:document))
    ["", "{}", "[]", "null", "{", '{"record":2}', '{"record":1}', '{"record":99}', JSON.generate(record.merge("record" => 3)),
     JSON.generate(record.merge("parts" => nil))].each do |text|
      database[:orders].update(document: text)
      ["", "/card.pdf", "/strip.pdf", "/mat.pdf", "/bench"].each do |rest|
        get "/api/orders/#{id}#{rest}"
        assert_problem(422, "unreadable", field: "record")
      end
      get "/api/orders"
      assert_equal 1, json["orders"].size
    end
  end

  def test_lists_are_searched_and_paged_by_the_server
    order(ticket)
    row = database[:orders].first
    database[:orders].multi_insert((2..120).map do |at|
      ticket_id = database[:tickets].insert(key: "t#{at}", created_at: Time.now, updated_at: Time.now, state: "ordered", words: "call #{at}")
      row.merge(id: at, ticket_id: ticket_id)
    end)
    summary = database[:order_list].get(:summary)
    database[:order_list].multi_insert((2..120).map do |at|
      { order_id: at, words: "order #{at} harbour 100% #{'odd' if at.odd?}", summary: JSON.generate(JSON.parse(summary).merge("id" => at)) }
    end)
    get "/api/orders?page=3"
    assert_equal [120, 3, 3, 20, 20], [*json.values_at("total", "page", "pages"), json["orders"].size, json["orders"].first["id"]]
    get "/api/orders?q=odd%20harbour"
    assert_equal 59, json["total"]
    get "/api/orders?q=100%25"
    assert_equal 119, json["total"], "a per cent sign is one"
    get "/api/orders?q=_"
    assert_equal 0, json["total"], "and an underscore too"
    get "/api/tickets?state=ordered&q=call%2011"
    assert_equal 11, json["total"]
    { "page=0" => "page", "page=x" => "page" }.each do |query, field|
      get "/api/orders?#{query}"
      assert_problem(422, "bad_page", field: field)
    end
    get "/api/tickets?state=lost"
    assert_problem(422, "bad_state", field: "state")
    told = Gimlet::API::OpenAPI::DOCUMENT.dig("components", "schemas", "TicketState", "properties", "state", "enum")
    assert_equal Gimlet::Core::Ticket::Kinds::STATES.sort, told.sort
  end

  # An import between looking and ordering once changed a torque threefold, and the order was taken without a word.
  def test_what_was_seen_is_what_is_ordered
    made = ticket
    document = JSON.parse(JSON.generate(get("/api/catalogue/pellwick-tk4") && json))
    document["fasteners"].find { |fastener| fastener["id"] == "head_bolts" }["tightenings"][0]["value"] = 240
    import(document)
    order(made)
    problem = assert_problem(409, "changed", field: "seen")
    assert_match(/head bolts M8: .*22 ± 1 N·m.* is .*27\.1 ± 1 N·m/, problem["detail"])
    assert(problem["changes"].all? { |change| change.values.compact.all? { |told| told.match?(/head bolts|torque wrench/) } })
    assert_equal 0, database[:orders].count
    get "/api/tickets/#{made['id']}"
    order(json)
    assert_equal 201, last_response.status, "agreed by looking again"
  end

  def test_what_is_new_and_what_is_gone_is_said_so
    changes = [["disc", nil], [nil, "seal"], %w[3 4], %w[5 6]].map { |was, is| { was: was, is: is } }
    told = ->(some) { Gimlet::Counter::PlaceOrder::Changed.new(some).message }
    assert_equal "Since you looked, this has changed: disc is gone; seal is new; “3” is “4” now. Look at it, then save again.", told.call(changes)
    assert_equal "Since you looked, this has changed: “5” is “6” now. Look at it, then save again.", told.call(changes.last(1))
  end

  def test_a_price_or_a_shelf_that_changed_is_said
    made = ticket
    stock = Gimlet::Store::Stock.new(database)
    kit = stock.all["PW-K220"]
    stock.upsert([{ number: "PW-K220", price_cents: kit.price_cents + 500, on_hand: kit.on_hand, pack: 1 }])
    order(made)
    assert_match(/1 × PW-K220 TK4 seal kit 20, one pump, 67\.18” is “.*72\.18/, assert_problem(409, "changed")["detail"])
    stock.upsert([{ number: "PW-K220", price_cents: kit.price_cents, on_hand: 0, pack: 1 }])
    order(made)
    assert_match(/PW-K220.*67\.18, to come/, assert_problem(409, "changed")["detail"])
    stock.upsert([{ number: "PW-K220", price_cents: kit.price_cents, on_hand: 9, pack: 1 }])
    order(made)
    assert_equal 201, last_response.status, "as it was seen"
  end

  def test_the_card_says_everything
    made = order(ticket("#{KNOWN}, loses pressure, valves and packings", ["customer", { customer_id: 1 }]))
    text = card_text(made["id"])
    ["order 1 · Saltmarsh Oyster Sheds", "Pellwick TK4R20", "serials from 31000", "Saltmarsh Oyster Sheds", "medical emergency", "PW-K220",
     "Complaint: loses pressure",
     "rear support ring", "inlet valve 1, 2, 3", "seal driver 20/22", "22 ± 1 N·m (published 195 lbf·in)", "lightly oiled",
     "white cage", "grey cage", "hollow side in", "The maker's manual, local rules and qualified people come first"].each do |words|
      assert_includes text, words, words
    end
  end

  def test_the_largest_orders_fit_seven_pages
    largest = { "TK4L20" => "from 31000", "DK420H" => nil, "SC335L" => nil, "OB216C" => nil }
    largest.to_a.sample(2, random: Random.new(Minitest.seed)).each do |model, serials|
      areas = Gimlet::Core::Catalogue::WORK_AREAS.keys
      view = ticket(model, ["work", { areas: areas, agreed: true, pumps: 3 }], ["pump", { id: [model, serials].compact.join(" ") }])
      assert_includes card_text(order(view, reason: "all of it")["id"]), model, model
    end
  end

  # Kept by the version before this record: numbers, names and torques are read as they were.
  def test_an_order_of_the_version_before_is_read
    plan = send_json("POST", "/api/plan", model: "TK4L20", serial: 31_500, scope: ["packings"])
    id = send_json("POST", "/api/tickets", entry("said", words: "8 bolts"))["id"]
    kept = { readings: [{ text: "plate TK4L20" }], sure: 0.97, models: ["TK4L20 from 31000"], plan: plan }
    database[:orders].insert(ticket_id: id, catalogue_version: "old", document: JSON.generate(kept), created_at: Time.now)
    get "/api/orders/1"
    assert_schema "Order"
    assert_equal ["TK4L20", ["plate TK4L20"], plan["plans"][0]["price_cents"]],
                 [json["record"]["pump"]["model"], json["record"]["seen"], json["record"]["parts"]["price_cents"]]
    assert_includes card_text(1), "22 N·m"
  end

  # As earlier versions wrote them: every part is there, and the card can still be printed.
  { 1 => [["support ring: renew it"], "not kept with this order"], 2 => [[], "size not on file"] }.each do |version, (found, laid)|
    define_method(:"test_a_record_of_version_#{version}_is_read") do
      id = send_json("POST", "/api/tickets", entry("said", words: "8 bolts"))["id"]
      written = File.read(File.expand_path("../store/order_record_#{version}.json", __dir__))
      database[:orders].insert(ticket_id: id, catalogue_version: "old", document: written, created_at: Time.now)
      get "/api/orders/1"
      assert_schema "Order"
      assert_equal found, json["record"]["work"]["found"]
      assert_equal(["2 g"], json["record"]["consumables"].map { |row| row["how_much"] })
      assert_same_record JSON.parse(written), json["record"], card_text(1)
      get "/api/orders/1/mat.pdf"
      assert_includes PDF::Reader.new(StringIO.new(last_response.body)).pages.map(&:text).join.gsub(/\s+/, " "), laid
    end
  end

  def assert_same_record(kept, read, card)
    assert_equal(kept["tightening"].map { |row| row["text"] }, read["tightening"].map { |row| row["text"] })
    kept["parts"]["lines"].each { |line| assert_includes card, line["number"] }
    assert_includes card, kept["tightening"].first["text"].split(";").first
    faced = kept["stacks"].flat_map { |stack| stack["layers"] }.filter_map { |layer| layer["facing"] }
    refute_empty faced
    faced.each { |words| assert_includes card, words }
  end

  # A list that was made with other columns is made anew at the next start.
  def test_a_list_of_other_columns_is_made_anew
    order(ticket)
    orders = Gimlet::Store::Orders.new(database)
    orders.describe_all
    shown = database[:order_list].get(:summary)
    database[:order_list].update(summary: "{}", words: "")
    orders.describe_all
    assert_equal "{}", database[:order_list].get(:summary), "of these columns: it is left alone"
    Gimlet::Store::Settings.new(database)[Gimlet::Store::Orders::FORMAT] = "of other columns"
    2.times { orders.describe_all }
    assert_equal shown, database[:order_list].get(:summary)
  end

  def test_a_pump_that_no_catalogue_has_is_recorded
    made = ticket("plate ZZ9931, 5 cylinders")
    get "/api/sightings/#{made['id']}"
    assert_problem(404, "not_found")
    send_json("POST", "/api/tickets/#{made['id']}/entries", entry("sighted"))
    get "/api/sightings"
    json.each { |one| assert_schema "Sighting", one }
    assert_equal([%w[plate cylinders]], json.map { |one| one["readings"].map { |reading| reading["trait"] } })
    get "/api/sightings/99"
    assert_problem(404, "not_found")
  end

  def test_unknown_ids_and_orders_of_nothing
    get "/api/orders/99/card.pdf"
    assert_match(/no order 99/, assert_problem(404, "not_found")["detail"])
    get "/api/catalogue/none"
    assert_problem(404, "not_found")
    send_json("POST", "/api/orders", ticket_id: 99, on: 1, seen: [])
    assert_problem(404, "not_found")
    order(ticket(KNOWN))
    assert_problem(422, "empty_scope", field: "scope")
    order(ticket("packings"), reason: "because")
    assert_problem(422, "no_pump", field: "pump")
  end

  def test_a_broken_catalogue_document_changes_nothing
    get "/api/catalogue"
    before = json
    before.each { |one| assert_schema "SeriesSummary", one }
    refused = upload("/api/catalogue", format: "gimlet-catalogue", version: 1)["problem"]
    assert_equal "bad_catalogue", refused["code"]
    assert_match(/format 1: Gimlet reads format 2/, refused["detail"])
    get "/api/catalogue"
    assert_equal before, json
  end
end
