# frozen_string_literal: true

require_relative "../support/shop"

# By which day all of it is wanted.
class WantedTest < Minitest::Test
  include Shop

  def test_a_wanted_day_is_kept_and_told
    view = agreed(pumps: 4)
    assert_nil view["ticket"]["wanted"]
    assert_nil view["plan"]["plans"].first["late"]
    assert_nil view["ticket"]["day_offered"]
    refused = ->(by) { send_json("POST", "/api/tickets/#{view['id']}/entries", entry("wanted", by: by)) }
    refused.call("9/12")
    assert_problem(422, "two_days", field: "by")
    refused.call("1 jan 2020")
    assert_problem(422, "past", field: "by")
    view = send_json("POST", "/api/tickets/#{view['id']}/entries", entry("wanted", by: "today"))
    assert_schema "TicketView"
    assert_equal Date.today.iso8601, view["ticket"]["wanted"]
    assert_equal "too late: nobody can say when it comes", view["plan"]["plans"].first["late"], "four pumps are more than the shelf has"
    view = send_json("POST", "/api/tickets/#{view['id']}/entries", entry("said", words: "he is in a hurry"))
    assert_equal "today", view["ticket"]["day_offered"]
    order = save(view, reason: "they wait")
    assert_equal Date.today.iso8601, fetch(order)["record"]["wanted"]
  end

  # What is wanted soonest is picked first, whatever has waited longer; the rest in its turn.
  def test_what_is_wanted_soonest_stands_first
    first, second = Array.new(2) { placed }
    later, soon = ["in 9 days", "tomorrow"].map do |by|
      view = agreed
      save(send_json("POST", "/api/tickets/#{view['id']}/entries", entry("wanted", by: by)), reason: "as it is")
    end
    database[:orders].update(state: "ordered")
    pile = get("/api/today").then { json["piles"].find { |one| one["id"] == "to_pick" }["rows"] }
    assert_equal([soon, later, first, second].map { |order| "/orders/#{order['id']}" }, pile.map { |row| row["to"] })
    assert_match(/\AWanted by #{Date.today + 1}\. TK4R20/, pile.first["detail"])
    assert_match(/\ATK4R20/, pile.last["detail"])
    get "/api/orders"
    assert_schema "OrderPage"
  end
end
