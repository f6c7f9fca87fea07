# frozen_string_literal: true

require_relative "../support/shop"

# What the day waits for: each thing in the pile of what is to be done next with it, and in no other.
class TodayTest < Minitest::Test
  include Shop

  def piles
    get "/api/today"
    assert_schema "Today"
    json["piles"].to_h { |pile| [pile["id"], pile] }
  end

  # @return [Array<String>] piles in which an order is
  def piles_of(order) = piles.select { |_, pile| pile["rows"].any? { |row| row["to"] == "/orders/#{order['id']}" } }.keys

  def test_an_order_goes_from_pile_to_pile
    order = save(agreed(customer: 1), quote: true)
    assert_equal ["to_follow"], piles_of(order)
    step(order, "accept")
    assert_equal ["to_pick"], piles_of(order)
    assert_match(/order 1 · Saltmarsh Oyster Sheds/, piles["to_pick"]["rows"].first["what"])
    pick_all(order)
    assert_equal ["to_check"], piles_of(order)
    check_all(order)
    assert_equal ["to_fetch"], piles_of(order)
    step(order, "put_back", number: "PW-K220", quantity: 1)
    assert_equal ["to_pick"], piles_of(order), "what is put back is to be picked again"
    count_down("PW-K220", 0)
    assert_equal ["to_come"], piles_of(order), "and waits when it is gone"
    send_json("POST", "/api/movements", kind: "received", number: "PW-K220", quantity: 1)
    pick_all(order)
    check_all(order)
    step(order, "hand_over", how: "fetched", to: "Per")
    assert_equal ["to_close"], piles_of(order)
    step(order, "close")
    assert_empty piles_of(order)
  end

  def test_calls_wait_to_be_answered
    assert_equal 0, piles["to_answer"]["total"]
    view = send_json("POST", "/api/tickets", entry("said", words: "three white plungers"))
    row = piles["to_answer"]["rows"].first
    assert_equal ["/tickets/#{view['id']}", "three white plungers"], row.values_at("to", "detail")
    send_json("POST", "/api/tickets/#{view['id']}/entries", entry("closed", reason: "rang off"))
    assert_equal 0, piles["to_answer"]["total"]
  end

  # Of many the ones that wait longest are shown, and all are counted.
  def test_what_waits_longest_stands_first
    first = placed
    others = Array.new(14) { save(agreed, reason: "they take what there is") }
    # Who takes what there is when nothing is, takes the card alone: that is ready at once.
    told = piles.values_at("to_pick", "to_come", "to_fetch")
    assert_equal(15, told.sum { |pile| pile["total"] })
    told.each { |pile| assert_operator pile["rows"].size, :<=, 12 }
    assert_equal "/orders/#{first['id']}", told.first["rows"].first["to"]
    step(first, "cancel", reason: "rang off")
    assert_equal(14, piles.values_at("to_pick", "to_come", "to_fetch").sum { |pile| pile["total"] })
    assert_includes piles_of(others.first), "to_pick"
  end

  def test_a_purchase_waits_until_it_came
    bought = send_json("POST", "/api/purchases", key: "p", lines: [{ number: "PW-K220", quantity: 2 }])
    assert_equal [1, "not sent yet, PW-K220"], [piles["to_receive"]["total"], piles["to_receive"]["rows"].first["detail"]]
    send_json("POST", "/api/purchases/#{bought['id']}/receipts", lines: [{ number: "PW-K220", quantity: 2 }])
    assert_equal 0, piles["to_receive"]["total"]
  end

  def test_bench_and_keeper_see_it_too
    staff
    %w[counter bench keeper owner].each do |role|
      ask(role) { get "/api/today" }
      assert_equal 200, last_response.status, role
    end
  end
end
