# frozen_string_literal: true

require_relative "../support/shop"
require "csv"
require_relative "../../lib/gimlet/supplier/stand_in"

# Shelves, counts, purchases, and a supplier with good and bad days.
class StockTest < Minitest::Test
  include Shop

  def row(number) = database[:stock].where(number: number).first
  def move(**body) = send_json("POST", "/api/movements", body)
  def unchanged(number = "PW-K220") = yield.tap { assert_equal 3, row(number)[:on_hand] }

  def test_movements_that_cannot_be
    { { quantity: -3 } => "bad_request", { quantity: 0 } => "bad_request", { quantity: "three" } => "bad_request", { number: "XX-1" } => "no_price",
      { kind: "scrapped", quantity: 9, why: "burnt" } => "not_there", { kind: "scrapped" } => "reason_too_short",
      { kind: "kit_opened", number: "PW-4110" } => "no_kit", { kind: "counted" } => "bad_request" }.each do |change, code|
      unchanged { move(kind: "received", number: "PW-K220", quantity: 1, **change) }
      assert_problem(422, code)
    end
    assert_empty database[:movements].exclude(kind: "counted").all
  end

  def test_what_happens_to_a_number_is_told
    move(kind: "received", number: "pw-k220", quantity: 2)
    assert_schema "Stocking"
    move(kind: "scrapped", number: "PW-K220", quantity: 1, why: "box was wet")
    assert_equal ["scrapped", 1, "box was wet"], json["movements"].first.values_at("words", "quantity", "why")
    assert_equal [4, 4, "TK4 seal kit 20, one pump", "Pellwick TK4"], json.values_at("on_hand", "free", "name", "used_in")
    send_json("POST", "/api/stock/PW-K220", shelf: "B3", level: 4)
    assert_equal ["B3", 4], json.values_at("shelf", "level")
    get "/api/prices?q=tk4+seal+kit+20"
    assert_schema "PricePage"
    assert_equal ["PW-K220"], json["prices"].map { |one| one["number"] }, "found by name"
    assert_raises(Sequel::DatabaseError) { database[:movements].delete }
    assert_raises(Sequel::DatabaseError) { database[:movements].insert(at: Time.now, who: "x", kind: "received", number: "XX", quantity: 1, on_hand: 1) }
  end

  def test_a_kit_is_opened_for_a_piece_and_made_up_again
    pieces = %w[PW-4110 PW-4111 PW-4112 PW-4113].to_h { |number| [number, row(number)[:on_hand]] }
    kits = row("PW-K41")[:on_hand]
    move(kind: "kit_opened", number: "PW-K41", quantity: 1)
    assert_equal 200, last_response.status, last_response.body
    assert_equal(pieces.transform_values { |count| count + 3 }, pieces.keys.to_h { |number| [number, row(number)[:on_hand]] })
    move(kind: "kit_made_up", number: "PW-K41", quantity: 1)
    assert_equal [kits, pieces], [row("PW-K41")[:on_hand], pieces.keys.to_h { |number| [number, row(number)[:on_hand]] }]
    move(kind: "kit_made_up", number: "PW-K41", quantity: 500)
    assert_problem(422, "not_there")
    assert_equal kits, row("PW-K41")[:on_hand], "all or nothing"
    3.times { placed }
    move(kind: "kit_opened", number: "PW-K220", quantity: 1)
    assert_match(/promised to orders/, assert_problem(422, "promised")["detail"])
  end

  def test_a_count_is_explained_before_it_is_booked
    orders = Array.new(2) { placed }
    look = send_json("POST", "/api/counts/look", lines: [{ number: "pw-k220", counted: 1 }, { number: "PW-4240", counted: 20 }])
    assert_schema "CountDifferences"
    assert_equal([["PW-K220", 3, 1, -2, 1]], look["differences"].map { |one| one.values_at("number", "was", "counted", "change", "promised") })
    unchanged { send_json("POST", "/api/counts", lines: [{ number: "PW-K220", counted: 1, was: 3 }]) }
    assert_problem(422, "reason_too_short", field: "why")
    unchanged { send_json("POST", "/api/counts", lines: [{ number: "PW-K220", counted: 1, was: 4, why: "two are gone" }]) }
    assert_problem(422, "changed", field: "was")
    unchanged { send_json("POST", "/api/counts", lines: [{ number: "XX-1", counted: 1, was: 0, why: "found it" }]) }
    assert_problem(422, "no_price", field: "number")
    unchanged { send_json("POST", "/api/counts/look", lines: [{ number: "PW-K220", counted: 1 }, { number: "pw-k220", counted: 2 }]) }
    assert_problem(422, "twice", field: "number")
    send_json("POST", "/api/counts", lines: [{ number: "PW-K220", counted: 1, was: 3, why: "two are gone" }])
    assert_equal [1, 1], row("PW-K220").values_at(:on_hand, :reserved)
    assert_equal %w[ordered waiting], orders.map { |order| fetch(order)["state"] }, "the youngest waits again"
  end

  def test_a_price_list_that_says_nothing_of_the_shelf_leaves_it
    take(upload("/api/price-list", "number,price\nPW-K220,70.25\n"))
    assert_equal [7025, 3], row("PW-K220").values_at(:price_cents, :on_hand)
    placed
    take(upload("/api/price-list", "number,price,on_hand\nPW-K220,70.25,0\n"))
    assert_equal [0, 0, "waiting"], [*row("PW-K220").values_at(:on_hand, :reserved), database[:orders].get(:state)]
    take(upload("/api/price-list", "number,price,on_hand\nPW-K220,70.25,2\n"))
    assert_equal [2, 1, "ordered"], [*row("PW-K220").values_at(:on_hand, :reserved), database[:orders].get(:state)], "what came serves who waits"
    assert_empty Gimlet::Store::Ledger.new(database).wrong_sums
  end

  def test_what_to_buy
    waiting
    3.times { |at| sold(at) }
    get "/api/to-buy"
    assert_schema "ToBuy"
    first = json["lines"].first
    assert_equal ["PW-K220", 1], first.values_at("number", "waiting")
    assert_operator first["buy"], :>=, 1
    send_json("POST", "/api/stock/HV-K1", level: 99)
    assert_equal 404, last_response.status
  end

  # Sold so long ago, at the ledger itself.
  def sold(days)
    ledger = Gimlet::Store::Ledger.new(database)
    Gimlet::Store::Clock.at(Time.now - (days * 86_400)) do
      database[:movements].insert(at: Gimlet::Store::Clock.now, who: "x", kind: "handed_over", number: "PW-4240", quantity: 2, handed: 2)
    end
    assert_empty ledger.wrong_sums
  end

  def bought(quantity = 4, key: "p1") = send_json("POST", "/api/purchases", key: key, lines: [{ number: "pw-k220", quantity: quantity }])

  def test_purchases_without_any_supplier
    order = waiting
    purchase = bought
    assert_schema "Purchase"
    assert_equal purchase["id"], bought["id"], "the same key is the same purchase"
    send_json("POST", "/api/purchases/#{purchase['id']}/send", {})
    assert_problem(422, "none", field: "supplier")
    get "/api/purchases/#{purchase['id']}/table.csv"
    assert_equal [%w[purchase number quantity price received], ["P-1", "PW-K220", "4", nil, "0"]], CSV.parse(last_response.body)
    { [{ number: "PW-K220", quantity: 5 }] => "more", [{ number: "PW-4110", quantity: 1 }] => "not_ordered",
      [{ number: "PW-K220", quantity: 0 }] => "empty",
      [{ number: "PW-K220", quantity: -1 }] => "bad_request" }.each do |lines, code|
      unchanged { send_json("POST", "/api/purchases/1/receipts", lines: lines) }
      assert_problem(422, code)
    end
    send_json("POST", "/api/purchases/1/receipts", lines: [{ number: "PW-K220", quantity: 1 }])
    assert_equal %w[written ordered], [json["state"], fetch(order)["state"]], "what came moves the order on"
    send_json("POST", "/api/purchases/1/receipts", lines: [{ number: "PW-K220", quantity: 5 }], more: true)
    assert_equal ["received", 6], [json["state"], json["lines"].first["received"]]
    send_json("POST", "/api/purchases/1/receipts", lines: [{ number: "PW-K220", quantity: 1 }])
    assert_problem(422, "received")
    send_json("POST", "/api/purchases", key: "p2", lines: [])
    assert_problem(422, "empty", field: "lines")
    send_json("POST", "/api/purchases", key: "p2", lines: [{ number: "XX", quantity: 1 }])
    assert_problem(422, "no_price", field: "lines")
  end

  def with_supplier
    stand_in = Gimlet::Supplier::StandIn.start({ "PW-K220" => 6718 })
    @app = Gimlet::API::App.new(Gimlet::Counter::Shop.new(database, supplier: Gimlet::Exchange::SupplierLink.new(stand_in.address)))
    yield stand_in
  ensure
    stand_in&.stop
  end

  def test_a_supplier_on_a_good_day
    with_supplier do
      send_json("POST", "/api/supplier", numbers: %w[PW-K220 XX-1])
      assert_schema "SupplierAnswer"
      assert_equal([[4165, true], [0, false]], json["lines"].map { |one| [one["price_cents"], one["available"].positive?] })
      bought
      sent = send_json("POST", "/api/purchases/1/send", {})
      assert_schema "Sent"
      assert_equal [nil, "sent", 4165, ""],
                   [sent["problem"], sent["purchase"]["state"], sent["purchase"]["lines"].first["price_cents"], sent["purchase"]["note"]]
      assert_operator Date.parse(sent["purchase"]["expected_on"]), :>, Date.today
      send_json("POST", "/api/purchases/1/send", {})
      assert_problem(422, "sent", field: "id")
    end
  end

  # On every bad day the purchase stays written down, and is received as always.
  def test_a_supplier_on_bad_days
    with_supplier do |stand_in|
      { "down" => /says no \(503\)/, "nonsense" => /cannot be used: it has no JSON/,
        "slow" => /does not answer/ }.each_with_index do |(mood, told), at|
        stand_in.mood = mood
        send_json("POST", "/api/supplier", numbers: ["PW-K220"])
        assert_match told, json["problem"], mood
        bought(key: mood)
        sent = send_json("POST", "/api/purchases/#{at + 1}/send", {})
        assert_match told, sent["problem"]
        assert_equal "written", sent["purchase"]["state"]
      end
      send_json("POST", "/api/purchases/1/receipts", lines: [{ number: "PW-K220", quantity: 4 }])
      assert_equal "received", json["state"]
      send_json("POST", "/api/supplier/day", mood: "short")
      assert_schema "SupplierDayTold"
      assert_match(/PW-K220: 2 confirmed of 4/, send_json("POST", "/api/purchases/2/send", {})["purchase"]["note"])
      assert_equal [{ "number" => "PW-K220", "quantity" => 2 }], send_json("POST", "/api/purchases/2/dispatch", {})["lines"]
      assert_schema "DispatchNote"
      send_json("POST", "/api/supplier/day", mood: "down")
      assert_match(/says no/, send_json("POST", "/api/purchases/2/dispatch", {})["problem"])
      send_json("POST", "/api/supplier/day", mood: "sleepy")
      assert_problem(422, "bad_request", field: "mood")
      stand_in.mood = "dearer"
      assert_equal 4582, send_json("POST", "/api/purchases/3/send", {})["purchase"]["lines"].first["price_cents"]
    end
  end

  def test_no_supplier_beyond_this_machine
    ["http://203.0.113.7/", "http://supplier.example/", "nonsense"].each do |address|
      assert_raises(ArgumentError, address) { Gimlet::Exchange::SupplierLink.new(address) }
    end
  end

  def test_labels
    get "/api/shelf-labels.pdf?q=PW-K2"
    text = PDF::Reader.new(StringIO.new(last_response.body)).pages.map(&:text).join(" ")
    ["PW-K220", "TK4 seal kit 20", "Pellwick TK4"].each { |told| assert_includes text, told }
  end

  def test_learned_and_switched_off
    5.times { |at| handed_over(words: "#{KNOWN}, packings", customer: (at % 3) + 1) if at < 2 }
    send_json("POST", "/api/learning", on: true)
    assert_schema "Learned"
    assert_equal [true, 2, Date.today.iso8601], json.values_at("on", "tickets", "at")
    pump = json["pumps"].find { |one| one["id"] == "TK4R20 from 31000" }
    assert_operator pump["here"], :>, pump["usual"]
    assert_equal [false, 0], send_json("POST", "/api/learning", on: false).values_at("on", "tickets")
    get "/api/history?q=learning"
    assert_equal "learning was switched off", json["entries"].first["detail"]
  end
end
