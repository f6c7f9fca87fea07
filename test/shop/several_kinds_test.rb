# frozen_string_literal: true

require "pdf/reader"
require "stringio"
require_relative "../support/served"

# A call about two kinds of pump, in a shop of its own without a supplier: one sum, one day, one paper, and a cancelling that is taken back.
class SeveralKindsTest < Minitest::Test
  LINES = ["plate TK4R20, serial 31500, 15 lpm, green, packings, 2 pumps", "plate DK418, 18 mm plunger, 13.5 lpm, packings"].freeze

  def setup = @served = Served.new.start
  def teardown = @served.close

  def post(path, role: "counter", **body)
    @served.post(path, { key: "k#{@count = (@count || 0) + 1}", **body }, role: role).tap do |answer|
      assert_operator answer.status, :<, 300, answer.text
    end.json
  end

  def say(ticket, kind, **body) = post("/api/tickets/#{ticket}/entries", kind: kind, **body)

  def order(ticket, words)
    say(ticket, "said", words: words)
    view = say(ticket, "work", areas: ["packings"], agreed: true, pumps: words.include?("2 pumps") ? 2 : 1)
    told = { ticket_id: ticket, on: view["last"], seen: view["seen"], reason: "they wait for what is short" }
    answer = @served.post("/api/orders", told, role: "counter")
    assert_equal 201, answer.status, answer.text
    answer.json
  end

  def test_two_kinds_in_one_call
    @served.database[:stock].update(on_hand: 0)
    first = post("/api/tickets", kind: "customer", customer_id: 1)["id"]
    second = post("/api/tickets/#{first}/jobs")["id"]
    orders = [first, second].zip(LINES).map { |ticket, words| order(ticket, words) }
    together = @served.get("/api/tickets/#{second}", role: "counter").json["together"]
    assert_equal(orders.sum { |one| one["total"]["net_cents"] }, together["price_cents"])
    assert_predicate orders.sum { |one| one["goods"].sum { |good| good["short"] } }, :positive?
    assert_nil together["comes"], "nobody has delivered to this shop yet: no day is made up"
    names = together["tools"].map { |tool| tool["name"] }
    assert_equal names.uniq, names
    paper = @served.get("/api/orders/#{orders.first['id']}/note.pdf", role: "counter").text
    text = PDF::Reader.new(StringIO.new(paper.b)).pages.map(&:text).join(" ")
    %w[TK4R20 DK418].each { |pump| assert_includes text, pump }
    cancelled_and_not(orders.last["id"])
    fetched_together(*orders.map { |one| one["id"] })
  end

  def stands(id) = @served.get("/api/orders/#{id}", role: "counter").json

  def hand_over(id, **more)
    @served.post("/api/orders/#{id}/steps", { kind: "hand_over", key: "h#{rand}", how: "fetched", to: "Per", **more }, role: "counter")
  end

  def bag(id)
    good = stands(id)["goods"].find { |one| one["reserved"].positive? }
    { "pick" => "counter", "check" => "owner" }.each do |kind, role|
      post("/api/orders/#{id}/steps", role: role, kind: kind, number: good["number"], quantity: 1)
    end
  end

  # Whoever fetches one takes the other along; none goes where one may not.
  def fetched_together(one, other)
    [one, other].each do |id|
      @served.database[:goods].where(order_id: id).select_map(:number).each do |number|
        post("/api/movements", role: "keeper", kind: "received", number: number, quantity: 9)
      end
      bag(id)
    end
    assert_equal([[other, true]], stands(one)["together"].map { |row| row.values_at("id", "goes_along") })
    unchecked = stands(other)["goods"].find { |good| good["reserved"].positive? }["number"]
    post("/api/orders/#{other}/steps", kind: "pick", number: unchecked, quantity: 1)
    refused = hand_over(one, together: true)
    assert_equal [422, 0], [refused.status, stands(one)["goods"].sum { |good| good["handed"] }], "none goes"
    assert_match(/\AOrder #{other} of the same call: Not every piece was checked/, refused.json["detail"])
    assert_equal 200, hand_over(one, together: true, reason: "in a hurry").status
    assert_equal([1, 2], [one, other].map { |id| stands(id)["goods"].sum { |good| good["handed"] } })
    assert_equal(%w[hand_over hand_over], [one, other].map { |id| stands(id)["life"].last["kind"] })
  end

  def cancelled_and_not(id)
    was = @served.get("/api/orders/#{id}", role: "counter").json
    assert_equal "cancelled", post("/api/orders/#{id}/steps", kind: "cancel", reason: "rang off")["state"]
    undo = @served.get("/api/orders/#{id}", role: "counter").json["next"]["buttons"].find { |one| one["kind"] == "undo" }
    assert_equal "Undo: cancelled: rang off", undo["name"]
    now = post("/api/orders/#{id}/steps", kind: "undo")
    assert_equal was.values_at("state", "goods", "total"), now.values_at("state", "goods", "total")
  end
end
