# frozen_string_literal: true

require_relative "../support/http"
require "pdf/reader"

class TicketsAndOrdersApiTest < Minitest::Test
  include Http

  KNOWN = [{ trait: "plate", value: "TK4R20" }, { trait: "serial", value: 31_500 }].freeze

  def ticket(**others) = send_json("POST", "/api/tickets", state: state(*KNOWN, **others))
  def order(ticket) = send_json("POST", "/api/orders", ticket_id: ticket["id"], version: ticket["version"])

  def card_text(id)
    get "/api/orders/#{id}/card.pdf"
    assert_equal "application/pdf", last_response.media_type
    reader = PDF::Reader.new(StringIO.new(last_response.body))
    assert_includes 1..2, reader.page_count
    reader.pages.map(&:text).join("\n").gsub(/\s+/, " ")
  end

  def test_a_ticket_is_kept_and_versioned
    made = ticket(draft: "half a li")
    assert_schema "Ticket"
    changed = send_json("PUT", "/api/tickets/#{made['id']}", version: 1, state: made["state"].merge("draft" => ""))
    assert_equal 2, changed["version"]
    send_json("PUT", "/api/tickets/#{made['id']}", version: 1, state: made["state"])
    assert_problem(409, "stale_ticket")
    get "/api/tickets"
    assert_equal([made["id"]], json.map { |one| one["id"] })
  end

  def test_an_order_is_saved_once_and_kept_whole
    made = ticket(customer_id: 1, scope: %w[packings oil_seals])
    first = order(made)
    assert_equal 201, last_response.status
    assert_schema "Order"
    assert_equal first, order(made)
    assert_equal 200, last_response.status
    get "/api/orders"
    json.each { |one| assert_schema "OrderSummary", one }
    assert_equal 1, json.size
    assert_operator first["document"]["sure"], :>, 0.95
  end

  def test_the_order_stays_as_it_was_when_the_catalogue_changes
    made = order(ticket)
    get "/api/catalogue/pellwick-tk4"
    changed = json
    changed["fasteners"][0]["tightenings"][0]["value"] = 200
    send_json("POST", "/api/catalogue", changed)
    assert_equal 201, last_response.status
    get "/api/orders/#{made['id']}"
    assert_equal made, json
    refute_equal made["catalogue_version"], order(ticket)["catalogue_version"]
  end

  def test_the_customer_s_pump_is_remembered
    customer = database[:customers].where(name: "Slipway Boatyard").get(:id)
    order(ticket(customer_id: customer))
    assert_equal ["TK4R20"], Gimlet::Store::Customers.new(database).find(customer)[:pumps]
  end

  def test_a_chosen_candidate_and_struck_readings_count
    chosen = ticket(model: "TK4L20", serial: "before 31000", scope: ["discharge_valves"])
    chosen["state"]["readings"] << { "reading" => { "trait" => "cylinders", "value" => 2 }, "struck" => true }
    saved = send_json("PUT", "/api/tickets/#{chosen['id']}", version: 1, state: chosen["state"])
    document = order(saved)["document"]
    assert_equal ["TK4L20", "before 31000"], document["plan"].values_at("model", "serial_range")
    refute_includes document["readings"].map { |one| one["trait"] }, "cylinders"
  end

  def test_a_stale_order_is_refused
    made = ticket
    send_json("PUT", "/api/tickets/#{made['id']}", version: 1, state: made["state"].merge("pumps" => 2))
    order(made)
    assert_problem(409, "stale_ticket")
    assert_equal 0, database[:orders].count
  end

  def test_the_card_says_everything
    made = order(ticket(customer_id: 1, scope: %w[inlet_valves discharge_valves packings]))
    text = card_text(made["id"])
    ["Work card · order 1", "Pellwick TK4R20, serials from 31000", "Saltmarsh Oyster Sheds", "medical emergency", "PW-K220",
     "brass retainer", "inlet valve 1, 2, 3", "seal driver 20/22", "24.9 N·m (published 220 lbf·in)", "lightly oiled",
     "white cage", "grey cage", "lips to the manifold", "The maker's manual, local rules and qualified people come first"].each do |words|
      assert_includes text, words, words
    end
  end

  def test_the_largest_orders_fit_two_pages
    { "TK4L20" => 31_500, "DK420H" => nil, "SC335L" => nil, "OB216C" => nil }.each do |model, serial|
      areas = Gimlet::Core::Catalogue::WORK_AREAS.keys
      made = order(ticket(model: model, serial: serial && "from 31000", scope: areas, pumps: 3))
      assert_includes card_text(made["id"]), model, model
    end
  end

  def test_a_pump_that_no_catalogue_has_is_recorded
    made = send_json("POST", "/api/tickets", state: state({ trait: "plate", value: "ZZ9931" }, { trait: "cylinders", value: 5 }))
    2.times { send_json("POST", "/api/sightings", ticket_id: made["id"]) }
    assert_equal 201, last_response.status
    get "/api/sightings"
    json.each { |one| assert_schema "Sighting", one }
    assert_equal([%w[plate cylinders]], json.map { |one| one["readings"].map { |reading| reading["trait"] } })
    send_json("POST", "/api/sightings", ticket_id: 99)
    assert_problem(404, "not_found")
  end

  def test_unknown_ids_and_broken_states
    get "/api/tickets/99"
    assert_match(/no ticket 99/, assert_problem(404, "not_found")["detail"])
    get "/api/orders/99/card.pdf"
    assert_match(/no order 99/, assert_problem(404, "not_found")["detail"])
    get "/api/catalogue/none"
    assert_problem(404, "not_found")
    send_json("POST", "/api/orders", ticket_id: 99, version: 1)
    assert_problem(404, "not_found")
    send_json("POST", "/api/tickets", state: { draft: "x" })
    assert_problem(422, "bad_request")
    order(ticket(scope: []))
    assert_problem(422, "empty_scope", field: "scope")
  end

  def test_a_broken_catalogue_document_changes_nothing
    get "/api/catalogue"
    before = json
    before.each { |one| assert_schema "SeriesSummary", one }
    send_json("POST", "/api/catalogue", format: "gimlet-catalogue", version: 1)
    assert_problem(422, "schema")
    get "/api/catalogue"
    assert_equal before, json
  end
end
