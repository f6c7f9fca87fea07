# frozen_string_literal: true

require_relative "../support/shop"

# Orders from the quote to the last piece that comes back, over HTTP.
class OrderLifeApiTest < Minitest::Test
  include Shop

  def free(number) = database[:stock].where(number: number).get(Sequel[:on_hand] - :reserved)
  def sums_hold = assert_empty(Gimlet::Store::Ledger.new(database).wrong_sums)

  def test_an_order_promises_what_it_needs
    assert_equal 3, free("PW-K220")
    order = placed
    assert_schema "Order"
    assert_equal ["ordered", 2, 1], [order["state"], free("PW-K220"), good(order, "PW-K220")["reserved"]]
    get "/api/prices?q=PW-K220"
    assert_equal [3, 1, 2], json["prices"].first.values_at("on_hand", "reserved", "free")
    sums_hold
  end

  # Two customers for the last kit: the second is told that his has to come, and what there would be now.
  def test_the_second_order_for_the_last_kit_sees_it_go
    count_down("PW-K220", 1)
    first, second = Array.new(2) { agreed }
    number = ->(view) { view["plan"]["plans"].first["lines"].map { |line| line["number"] } }
    assert_includes number.call(second), "PW-K220"
    assert_equal "ordered", save(first)["state"]
    save(second)
    changed = assert_problem(409, "changed", field: "seen")
    assert_includes changed["changes"].map { |one| one["was"].to_s }.join, "PW-K220"
    get "/api/tickets/#{second['id']}"
    assert_includes number.call(json), "PW-K220", "it does the job when it has come"
    now = json["plan"]["plans"].find { |plan| plan["name"] == "part now, the rest to come" }
    assert_equal %w[PW-4220 PW-4250], now["unfilled"].map { |one| one["part"] }, "none of these lies loose"
    assert_equal "waiting", save(json)["state"]
    sums_hold
  end

  def test_scanned_piece_by_piece
    order = placed
    scan(order, "pw-4218", "pick")
    assert_schema "Scanned"
    assert_equal [false, "ordered"], [json["taken"], json["order"]["state"]]
    assert_match(/high-pressure seal 18: the order needs PW-4220, high-pressure seal 20, in the kit PW-K220 \(inside 18 mm, not 20 mm/, json["said"])
    ["order 1", "ORDER 99", "tool PW-T11/1", "XX-1"].each { |code| refute scan(order, code, "pick")["taken"], code }
    refute scan(order, "PW-K220", "check")["taken"], "not in the bag yet"
    assert scan(order, " pw-k220 ", "pick")["taken"]
    refute scan(order, "PW-K220", "pick")["taken"]
    assert_match(/All 1 × PW-K220 are in the bag/, json["said"])
    pick_all(order)
    assert_equal "picked", fetch(order)["state"]
    check_all(order)
    assert_equal "checked", fetch(order)["state"]
    assert_equal(["handed_over", 0], step(order, "hand_over", how: "fetched", to: "Per").then do |one|
      [one["state"], one["goods"].sum do |row|
        row["bagged"]
      end]
    end)
    sums_hold
  end

  # Whoever takes part now finds on every paper that goes with it what the job still needs.
  def test_what_is_not_supplied_stands_on_what_goes_out
    count_down("PW-K220", 0)
    order = save(agreed(plan: "on_shelf"), reason: "they have the seals")
    assert_equal 201, last_response.status
    %w[note label card].each { |name| assert_match(/NOT IN THE BAG: \d × .*PW-4220/, paper(order, name).gsub(/\s+/, " "), name) }
  end

  def test_a_double_click_hands_over_once
    order = placed
    pick_all(order)
    check_all(order)
    2.times { send_json("POST", "/api/orders/#{order['id']}/steps", kind: "hand_over", key: "one click", how: "fetched", to: "Per") }
    assert_equal(1, json["life"].count { |one| one["kind"] == "hand_over" })
    step(order, "hand_over", how: "fetched", to: "Per")
    assert_match(/Order 1 is handed over: “hand over” is not for then/, assert_problem(422, "not_now", field: "kind")["detail"])
  end

  def test_unchecked_only_for_a_reason
    order = placed
    pick_all(order)
    step(order, "hand_over", how: "fetched", to: "Per")
    assert_problem(422, "reason_too_short", field: "reason")
    assert_equal "handed_over", step(order, "hand_over", how: "fetched", to: "Per", reason: "the ferry leaves")["state"]
    assert_match(/unchecked: the ferry leaves/, json["life"].last["words"])
  end

  def test_a_part_delivery_and_what_comes_later
    order = waiting
    assert_equal ["waiting", 1], [order["state"], good(order, "PW-K220")["short"]]
    pick_all(order)
    check_all(order)
    assert_equal "waiting", step(order, "hand_over", how: "fetched", to: "Per")["state"]
    assert_match(/Still to come.*1 × PW-K220/, paper(order, "note"))
    send_json("POST", "/api/movements", kind: "received", number: "PW-K220", quantity: 1)
    assert_equal "ordered", fetch(order)["state"], "what came was promised to it"
    pick_all(order)
    check_all(order)
    assert_equal "handed_over", step(order, "hand_over", how: "posted", to: "parcel 7")["state"]
    sums_hold
  end

  def test_returns_with_a_reason
    order = handed_over
    step(order, "take_back", number: "PW-K220", quantity: 2, because: "unused", to_shelf: true)
    assert_match(/Only 1 of PW-K220/, assert_problem(422, "too_many", field: "quantity")["detail"])
    step(order, "take_back", number: "PW-K220", quantity: 1, because: "faulty", to_shelf: true)
    assert_problem(422, "faulty", field: "to_shelf")
    back = step(order, "take_back", number: "PW-K220", quantity: 1, because: "wrong_identification", to_shelf: true)
    assert_equal [3, 590], [free("PW-K220"), back["total"]["net_cents"]], "what came back is not charged"
    assert_equal "closed", step(order, "close")["state"]
    get "/api/figures"
    assert_schema "Figures"
    assert_equal 1, json["returns"].find { |one| one["id"] == "wrong_identification" }["pieces"]
    taken = json["weeks"].last
    assert_equal [1, fetch(order)["total"]["base_cents"], 0], taken.values_at("orders", "cents", "known_cents"), "no cost is on file"
    get "/api/figures/weeks.csv"
    assert_equal [taken["from"], "1", format("%.2f", taken["cents"] / 100.0), "0.00", "0.00"], CSV.parse(last_response.body).last
    sums_hold
  end

  def test_cancelled_from_anywhere_with_what_becomes_of_the_pieces
    order = placed
    pick_all(order)
    step(order, "cancel", reason: "rang off")
    assert_equal ["cancelled", 3, 3], [json["state"], free("PW-K220"), database[:stock].where(number: "PW-K220").get(:on_hand)]
    step(order, "cancel", reason: "once more")
    assert_problem(422, "not_now")
    out = handed_over
    step(out, "cancel", reason: "it leaks")
    assert_problem(422, "handed_over", field: "handed")
    step(out, "cancel", reason: "it leaks", handed: "scrapped")
    assert_equal [2, 0], [free("PW-K220"), json["goods"].sum { |row| row["out"] }]
    sums_hold
  end

  def test_a_quote_promises_nothing_and_runs_out
    quote = save(agreed, quote: true)
    assert_equal ["quoted", 3, Date.today + 14], [quote["state"], free("PW-K220"), Date.parse(quote["valid_until"])]
    step(quote, "discount", percent: "7,5")
    assert_match(/less 7.5 %.*to pay/, paper(quote, "quote"))
    assert_match(/These prices stand until #{Date.parse(quote['valid_until']).strftime('%-d %B %Y')}/, paper(quote, "quote"))
    Gimlet::Store::Clock.at(Time.now + (15 * 86_400)) do
      step(quote, "accept")
      assert_match(/ran out/, assert_problem(422, "quote_expired")["detail"])
      assert_equal "quoted", step(quote, "prolong", until: (Date.today + 20).iso8601)["state"]
      assert_equal ["ordered", 2], [step(quote, "accept")["state"], free("PW-K220")]
    end
    sums_hold
  end

  # The price at the time of the order stays; discount and tax by hand.
  def test_the_price_of_the_day_stays
    send_json("POST", "/api/tax", percent: "a lot")
    assert_problem(422, "bad_percent", field: "percent")
    assert_equal "21", send_json("POST", "/api/tax", percent: "21 %")["percent"]
    order = placed
    send_json("POST", "/api/prices", number: "PW-K220", price: "99", pack: "1")
    assert_equal [3, 3], [database[:stock].where(number: "PW-K220").get(:on_hand), free("PW-K220") + 1], "a price alone counts nothing"
    total = step(order, "discount", percent: "10")["total"]
    assert_equal [7308, 731, 6577, 1381, 7958], total.values_at("net_cents", "discount_cents", "base_cents", "tax_cents", "gross_cents")
    step(order, "discount", percent: "ten")
    assert_problem(422, "bad_percent", field: "percent")
    get "/api/stock/PW-K220"
    assert_schema "Stocking"
    assert_equal [6718, 9900], json["prices"].first.values_at("was_cents", "now_cents")
  end

  def test_an_amended_order_gives_back_what_it_does_not_need
    order = placed
    pick_all(order)
    view = send_json("POST", "/api/tickets/#{order['ticket_id']}/entries", entry("reopened", reason: "discharge valves only"))
    view = send_json("POST", "/api/tickets/#{view['id']}/entries", entry("work", areas: ["discharge_valves"], agreed: true, pumps: 1))
    amended = save(view, revision: view["amending"]["revision"])
    assert_equal 3, free("PW-K220"), "it went back to the shelf"
    assert_equal(-6718, amended["changes"].find { |one| one["text"].start_with?("0 × PW-K220") }["cents"])
    assert_includes amended["changes"].map { |one| one["text"] }, "work: discharge valves"
    assert_equal "ordered", amended["state"]
    sums_hold
  end

  # Two wait for the same piece: the one in a hurry is told whom it passes, and has the next that comes. What is promised stays promised.
  def test_one_in_a_hurry_is_served_first
    count_down("PW-K220", 1)
    placed(plan: "complete_sets")
    first, second = Array.new(2) { placed(plan: "complete_sets") }
    assert_equal [[], [first["id"]]], [fetch(first)["ahead"], fetch(second)["ahead"]], "who has its piece is not ahead of anybody"
    step(second, "serve_first", reason: "no")
    assert_problem(422, "reason_too_short", field: "reason")
    step(second, "serve_first", reason: "the boat sails tonight")
    assert_equal [[second["id"]], []], [fetch(first)["ahead"], fetch(second)["ahead"]]
    refute_includes fetch(second)["next"]["forms"], "serve_first", "once is enough"
    waits = ->(order) { Gimlet::Store::Stock.new(database).waiting(before: order["id"]).fetch("PW-K220", 0) }
    assert_equal [1, 0], [waits.call(first), waits.call(second)], "its day is told by its turn"
    send_json("POST", "/api/movements", entry("received", number: "PW-K220", quantity: 1))
    assert_equal([0, 1], [first, second].map { |order| good(fetch(order), "PW-K220")["reserved"] })
    send_json("POST", "/api/movements", entry("received", number: "PW-K220", quantity: 1))
    assert_equal([1, 1], [first, second].map { |order| good(fetch(order), "PW-K220")["reserved"] })
    sums_hold
  end

  # Two are under way, one waits already: its day is the delivery's, and the second of the next is told another.
  def test_days_go_by_who_has_waited_longer
    count_down("PW-K220", 0)
    purchases = Gimlet::Store::Purchases.new(database)
    id = purchases.write([{ number: "PW-K220", quantity: 1, price_cents: nil }], key: "p", who: "Adela")
    purchases.change(id, state: "sent", expected_on: (Date.today + 8).iso8601)
    first, second = Array.new(2) { placed(plan: "complete_sets") }
    comes = ->(order) { good(fetch(order), "PW-K220")["comes"] }
    assert_match(/by the supplier's word\z/, comes.call(first))
    assert_nil comes.call(second), "nobody knows how long another delivery takes"
    assert_nil agreed(plan: "complete_sets")["tray"]["certain"].find { |line|
      line["number"] == "PW-K220"
    }["comes"], "both wait before the next caller"
    purchases.change(id, expected_on: (Date.today + 30).iso8601)
    assert_includes comes.call(first), Gimlet::Core::Desk::ShopFormat.of({}).date(((Date.today + 30)..).find { |day|
      !day.saturday? && !day.sunday?
    })[/\A\d+ \w+/]
  end

  # Three kinds of pump in one call: each is found, agreed and saved by itself; what they come to, and what is printed, is of all.
  def test_a_call_has_several_kinds_of_pump
    views = [agreed(customer: 1, pumps: 2)]
    [["plate DK418, 18 mm plunger, packings", 1], ["plate PG50L, packings", 1]].each do |words, pumps|
      job = send_json("POST", "/api/tickets/#{views.last['id']}/jobs", entry(nil).except("kind"))
      assert_equal 1, job["ticket"]["customer_id"], "it is the same caller"
      send_json("POST", "/api/tickets/#{job['id']}/entries", entry("said", words: words))
      views << send_json("POST", "/api/tickets/#{job['id']}/entries", entry("work", areas: ["packings"], agreed: true, pumps: pumps))
    end
    assert_schema "TicketView"
    assert_equal([["TK4R20", 2], ["DK418", 1], ["PG50L", 1]], views.last["jobs"].map { |job| job.values_at("pump", "pumps") })
    assert_equal views.last["tray"]["price_cents"], views.last["jobs"].last["price_cents"]
    orders = views.map { |view| save(view, reason: "as it is", quote: true) }
    assert_equal(orders.drop(1).map { |order| order["id"] }, fetch(orders.first)["together"].map { |one| one["id"] })
    quote = paper(orders.first, "quote")
    orders.each { |order| assert_includes quote, order["record"]["pump"]["model"] }
    gross = orders.sum { |order| order["total"]["gross_cents"] }
    assert_includes quote, format("all together, to pay €%.2f", gross / 100.0)
    step(orders[1], "cancel", reason: "not that one")
    refute_includes paper(orders.first, "quote"), "DK418", "what was cancelled is on no paper of the others"
    step(orders[2], "accept")
    refute_includes paper(orders.first, "quote"), "PG50L", "an order is on no quote"
  end

  def test_one_kind_of_pump_is_a_call_by_itself
    view = agreed
    assert_equal [[], []], [view["jobs"], save(view)["together"]]
  end

  # Neither the pump's next day nor the takings count what was not fetched after all; what is closed by mistake went out when it did.
  def test_what_is_undone_was_not_done
    order = handed_over(customer: 1)
    went_out = -> { database[:orders].where(id: order["id"]).get(:handed_at) }
    day = went_out.call
    step(order, "close")
    step(order, "undo")
    assert_equal ["handed_over", day], [fetch(order)["state"], went_out.call]
    other = handed_over(customer: 1)
    step(other, "undo")
    assert_equal ["checked", nil], [fetch(other)["state"], database[:orders].where(id: other["id"]).get(:handed_at)]
    assert_match(/undone: handed over to Per/, fetch(other)["life"].last["words"])
    step(other, "undo")
    assert_problem(422, "nothing_to_undo")
    sums_hold
  end

  # What a return or a cancelling moved is where it was; neither figures nor what is learned count it.
  def test_a_return_and_a_cancelling_are_undone
    order = handed_over(customer: 1)
    number = fetch(order)["goods"].find { |good| good["handed"].positive? }["number"]
    before = [fetch(order)["goods"], free(number)]
    returns = -> { get("/api/figures").then { json["returns"].sum { |row| row["pieces"] } } }
    step(order, "take_back", number: number, quantity: 1, because: "wrong_identification", to_shelf: true)
    assert_equal 1, returns.call
    step(order, "undo")
    assert_equal [before, 0], [[fetch(order)["goods"], free(number)], returns.call]
    step(order, "cancel", reason: "rang off", handed: "shelf")
    assert_equal "cancelled", fetch(order)["state"]
    step(order, "undo")
    assert_equal ["handed_over", *before, nil], [fetch(order)["state"], fetch(order)["goods"], free(number), fetch(order)["cancelled_because"]]
    sums_hold
    waits = placed
    scan(waits, number, "pick")
    step(waits, "cancel", reason: "rang off")
    step(waits, "undo")
    assert_equal "ordered", fetch(waits)["state"], "what lay in the bag is on the shelf, promised again"
    sums_hold
  end

  # While its ticket is open, what was agreed may be another thing in a minute.
  def test_what_is_being_changed_is_not_picked
    order = placed
    scan(order, "PW-K220", "pick")
    view = send_json("POST", "/api/tickets/#{order['ticket_id']}/entries", entry("reopened", reason: "two more seals"))
    other = order["goods"].find { |good| good["reserved"].positive? && good["number"] != "PW-K220" }["number"]
    step(order, "pick", number: other, quantity: 1)
    assert_match(/being changed in ticket/, assert_problem(422, "being_amended", field: "kind")["detail"])
    step(order, "put_back", number: "PW-K220", quantity: 1)
    assert_equal 200, last_response.status, "what is in the bag may leave it"
    send_json("POST", "/api/tickets/#{view['id']}/entries", entry("closed", reason: "it stays as it is"))
    step(order, "pick", number: other, quantity: 1)
    assert_equal 200, last_response.status, last_response.body
  end

  # What came back is not charged, what they keep is, all of it.
  def test_a_cancelled_order_wants_nothing_and_charges_what_is_kept
    order = handed_over
    total = order["goods"].sum { |good| (good["wanted"] - good["along"]) * good["price_cents"] }
    assert_equal total, fetch(order)["total"]["net_cents"]
    step(order, "cancel", reason: "it was another pump", handed: "scrapped")
    cancelled = fetch(order)
    assert_equal [0, 0], [cancelled["total"]["net_cents"], cancelled["goods"].sum { |good| good["open"] + good["short"] }]
    kept = handed_over
    step(kept, "cancel", reason: "they keep it", handed: "kept")
    assert_equal kept["goods"].sum { |good| good["wanted"] * good["price_cents"] }, fetch(kept)["total"]["net_cents"]
  end

  def test_who_may_do_what
    order = placed
    staff
    ask("bench") { scan(order, "PW-K220", "pick") }
    assert json["taken"]
    ask("bench") { step(order, "discount", percent: "5") }
    assert_match(/is for counter, owner; you are signed in as bench/, assert_problem(403, "not_yours", field: "kind")["detail"])
    ask("counter") { step(order, "discount", percent: "5") }
    assert_equal "5", json["discount"]
    ask("bench") { get "/api/orders/1" }
    assert_equal %w[pick put_back check check_alone], json["may"]
  end

  def test_papers_say_what_goes
    order = placed(customer: 1)
    pick_all(order)
    check_all(order)
    note = paper(order, "note")
    ["Delivery note, order 1", "Saltmarsh Oyster Sheds", "1 PW-K220", "Along in case: bring back what is not used", "charged only when kept"]
      .each { |text| assert_includes note, text }
    assert_includes paper(order, "label"), "order 1"
  end
end
