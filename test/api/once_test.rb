# frozen_string_literal: true

require "yaml"
require_relative "../support/shop"

# Every act counts once: a recorded day whose answers are lost, keys that are used again for something else, and operations that do not say how
# they may be repeated (../shop/repeated.yml).
class OnceTest < Minitest::Test
  include Shop

  # What the day leaves behind: to the piece, and without the times.
  LEFT = { stock: %i[number on_hand reserved bagged price_cents], movements: %i[kind number quantity order_id who], goods: nil,
           order_steps: %i[order_id number kind],
           orders: %i[id state customer_id], entries: %i[ticket_id number kind], bench_entries: %i[order_id number kind], purchase_lines: nil,
           purchases: %i[id state], customers: %i[id name merged_into], pumps: %i[id customer_id designation], tools: nil,
           loans: %i[tag order_id state],
           series_revisions: %i[series_id number digest restores], drafts: %i[id version],
           photos: %i[ticket_id digest] }.freeze

  def left = LEFT.to_h { |table, columns| [table, database[table].select(*columns).all.map(&:to_a).sort_by(&:to_s)] }

  # Each press is sent as often as the block says; what comes back last is what the till goes on with.
  def pressing(&times)
    @times = times
    @sent = 0
  end

  def send_json(verb, path, body)
    return super unless verb == "POST" && @times

    body = { key: "press #{@sent}", **body } if Gimlet::API::Operations.at(path)["POST"].operation.repeat == "key"
    times = @times.call(@sent += 1)
    Array.new(times) { super(verb, path, body) }.last
  end

  # From the first call to the last tool that comes back: everything that may be pressed.
  def day
    customer = send_json("POST", "/api/customers", { line: "Pier Nine Icehouse, Salt Quay, 0160 442 118" })["id"]
    twin = send_json("POST", "/api/customers", { name: "Pier 9" })["id"]
    send_json("POST", "/api/customers/#{twin}/pumps", { designation: "TK4R20", stands: "ice tower" })
    send_json("POST", "/api/customers/#{twin}/merge", { into: customer })
    shelves
    order = placed_with_keys(customer)
    order = lived(order)
    bought
    again(order)
    written
  end

  def shelves
    { "received" => 9, "scrapped" => 2, "kit_opened" => 1 }.each do |kind, quantity|
      send_json("POST", "/api/movements", { kind: kind, number: "PW-K220", quantity: quantity, why: "one was broken" })
      assert_equal 200, last_response.status, json
    end
    was = database[:stock].where(number: "PW-K220").get(:on_hand)
    send_json("POST", "/api/counts", { lines: [{ number: "PW-K220", counted: 7, was: was, why: "one behind the shelf" }] })
    send_json("POST", "/api/tools", { tag: "PW-T11/1", number: "PW-T11", deposit: "25" })
  end

  def placed_with_keys(customer)
    view = send_json("POST", "/api/tickets", { kind: "said", words: "#{KNOWN}, packings" })
    [["customer", { customer_id: customer }], ["plan", { policy: "complete_sets" }],
     ["work", { areas: ["packings"], agreed: true, pumps: 1 }]].each do |kind, body|
      view = send_json("POST", "/api/tickets/#{view['id']}/entries", { kind: kind, **body })
    end
    save(view)
  end

  def keyed(order, **body) = send_json("POST", "/api/orders/#{order['id']}/steps", body)

  def lived(order)
    fetch(order)["goods"].each do |row|
      row["reserved"].times do
        send_json("POST", "/api/orders/#{order['id']}/scans", { code: row["number"], doing: "pick" })
      end
      row["bagged"].times do
        send_json("POST", "/api/orders/#{order['id']}/scans", { code: row["number"], doing: "check" })
      end
    end
    keyed(order, kind: "hand_over", how: "fetched", to: "Per")
    keyed(order, kind: "lend", tool: "PW-T11/1", until: (Date.today + 7).iso8601)
    send_json("POST", "/api/orders/#{order['id']}/bench", { kind: "ticked", item: "part PW-K220", done: true })
    keyed(order, kind: "tool_back", tool: "PW-T11/1", condition: "good")
    number = fetch(order)["goods"].first["number"]
    keyed(order, kind: "take_back", number: number, quantity: 1, reason: "too_many", shelf: true)
    fetch(order)
  end

  def bought
    purchase = send_json("POST", "/api/purchases", { lines: [{ number: "PW-K220", quantity: 10 }] })
    send_json("POST", "/api/purchases/#{purchase['id']}/receipts", { lines: [{ number: "PW-K220", quantity: 4 }] })
  end

  def again(order)
    view = send_json("POST", "/api/orders/#{order['id']}/again", {})
    send_json("POST", "/api/tickets/#{view['id']}/entries", entry("sighted"))
  end

  def written
    draft = send_json("POST", "/api/drafts", { from: "series", series: "pellwick-tk4" })
    send_json("POST", "/api/drafts/#{draft['id']}/edits",
              { version: 1, edits: [{ at: ["fasteners", "head_bolts", "tightenings", 0, "value"], text: "204" }] })
    send_json("POST", "/api/drafts/#{draft['id']}/publish", { version: 2 })
    send_json("POST", "/api/series/pellwick-tk4/undo", { number: 2 })
    send_json("POST", "/api/series/pellwick-tk4/bring-back", { number: 2 })
  end

  def another_shop
    teardown
    @database = @app = nil
  end

  # Asked anew for each shop.
  def app = ->(env) { (@app ||= Gimlet::API::App.new(Gimlet::Counter::Shop.new(database))).call(env) }

  # @return [Hash] what such a day leaves
  def after(&)
    another_shop
    pressing(&)
    day
    left
  end

  def test_a_day_whose_answers_are_lost_ends_with_the_same_ledger
    once = after { 1 }
    assert_equal 4, once[:purchase_lines].first.to_h[:received]
    assert_equal(3, once[:series_revisions].count { |row| row.to_h[:series_id] == "pellwick-tk4" && row.to_h[:number] > 1 })
    presses = @sent
    assert_operator presses, :>, 30
    twice = after { 2 }
    LEFT.each_key { |table| assert_equal once[table], twice[table], table }
    random = Random.new(Minitest.seed)
    lost = Array.new(2) { random.rand(1..presses) }
    lost.each { |at| assert_equal once, after { |sent| sent == at ? 3 : 1 }, "answer #{at} lost, seed #{Minitest.seed}" }
    assert_empty Gimlet::Store::Audit.new(database).call.map(&:to_s)
  end

  def move(**body) = send_json("POST", "/api/movements", { kind: "received", number: "PW-K220", quantity: 4, **body })
  def on_hand = database[:stock].where(number: "PW-K220").get(:on_hand)

  def test_a_key_means_one_thing
    was = on_hand
    2.times { move(key: "k") }
    assert_equal was + 4, on_hand
    [{ quantity: 5 }, { number: "PW-K218" }, { kind: "scrapped", why: "one was broken" }].each do |other|
      move(key: "k", **other)
      assert_problem(409, "key_used", field: "key")
    end
    send_json("POST", "/api/customers", { key: "k", name: "Somebody" })
    assert_problem(409, "key_used", field: "key")
    assert_equal was + 4, on_hand
    assert_nil database[:customers].where(name: "Somebody").first
  end

  # A till that comes back after somebody else signed in: it was done, and is not done again.
  def test_a_key_that_another_person_sends_again_counts_once
    staff
    was = on_hand
    %w[keeper owner keeper].each { |role| ask(role) { assert_equal 200, move(key: "k") && last_response.status } }
    assert_equal was + 4, on_hand
    assert_equal ["the keeper"], database[:acts].select_map(:who)
  end

  # What was refused was not done: its key is free.
  def test_a_refused_wish_leaves_its_key_free
    move(key: "k", quantity: 5, kind: "scrapped", why: nil)
    assert_problem(422, "reason_too_short")
    move(key: "k")
    assert_equal 200, last_response.status
  end

  def test_at_once_from_many_tills_it_counts_once
    was = on_hand
    app.call(Rack::MockRequest.env_for("/api/health"))
    Array.new(8) { Thread.new { Rack::MockRequest.new(app).post("/api/movements", "CONTENT_TYPE" => "application/json", :input => JSON.generate(key: "t", kind: "received", number: "PW-K220", quantity: 4)).status } }
         .each { |till| assert_equal 200, till.value }
    assert_equal was + 4, on_hand
  end

  def test_an_operation_says_how_it_is_repeated_or_is_not_served
    row = { "operationId" => "everything", "x-right" => "look", "responses" => {} }
    assert_match(/everything has no x-repeat/, assert_raises(KeyError) { Gimlet::API::Operations.operation("POST", row, []) }.message)
    body = { "content" => { "application/json" => { "schema" => { "$ref" => "#/components/schemas/Nothing" } } } }
    without = row.merge("x-repeat" => "key", "requestBody" => body)
    assert_match(/wants none in its body/, assert_raises(KeyError) { Gimlet::API::Operations.operation("POST", without, []) }.message)
  end
end
