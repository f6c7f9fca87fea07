# frozen_string_literal: true

require_relative "../support/shop"

# By which day all of it is wanted.
class WantedTest < Minitest::Test
  include Shop

  def test_a_wanted_day_is_kept_and_told
    view = agreed(pumps: 4)
    assert_nil view["ticket"]["wanted"]
    assert_equal 0, view["plan"]["plans"].first["late"]
    refused = ->(by) { send_json("POST", "/api/tickets/#{view['id']}/entries", entry("wanted", by: by)) }
    refused.call("9/12")
    assert_problem(422, "two_days", field: "by")
    refused.call("1 jan 2020")
    assert_problem(422, "past", field: "by")
    view = send_json("POST", "/api/tickets/#{view['id']}/entries", entry("wanted", by: "today"))
    assert_schema "TicketView"
    assert_equal Date.today.iso8601, view["ticket"]["wanted"]
    assert_operator view["plan"]["plans"].first["late"], :>, 0, "four pumps are more than the shelf has"
    order = save(view, reason: "they wait")
    assert_equal Date.today.iso8601, fetch(order)["record"]["wanted"]
  end
end
