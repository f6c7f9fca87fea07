# frozen_string_literal: true

require_relative "../support/shop"

# A danger that was told of: ahead of everything on the ticket, in the way of the order until the caller was told, on every paper, and at the bench.
class StopsTest < Minitest::Test
  include Shop

  CRACKED = "hairline crack along the bottom of the manifold"
  PAPERS = %w[card note strip].freeze

  def told(view, words = "switch it off and keep it off")
    send_json("POST", "/api/tickets/#{view['id']}/entries", entry("stop_told", hazard: "cracked", words: words))
  end

  def said(view, words) = send_json("POST", "/api/tickets/#{view['id']}/entries", entry("said", words: words))

  def stopped
    view = agreed(words: "#{KNOWN}, packings, #{CRACKED}")
    assert_equal([["cracked", true]], view["stops"].map { |stop| stop.values_at("id", "sure") })
    assert_schema "TicketView", view
    view
  end

  def test_it_is_saved_only_with_what_the_caller_was_told
    view = stopped
    save(view)
    assert_problem(422, "stop_untold", field: "stop")
    save(view, reason: "he is in a hurry")
    assert_problem(422, "stop_untold")
    order = save(told(view))
    assert_equal 201, last_response.status
    assert_equal "switch it off and keep it off", order["record"]["stops"].first["told"]["words"]
    assert_schema "Order", order
  end

  # What is only asked about keeps nothing from being saved; answered with yes it does.
  def test_what_is_asked_about_is_asked_first
    view = agreed(words: "#{KNOWN}, packings, maybe the head is cracked")
    assert_equal([["cracked", false, "Is the metal itself cracked?"]], view["stops"].map { |stop| stop.values_at("id", "sure", "ask") })
    raised = send_json("POST", "/api/tickets/#{view['id']}/entries", entry("hazard_raised", hazard: "cracked"))
    assert_equal([true], raised["stops"].map { |stop| stop["sure"] })
    save(raised)
    assert_problem(422, "stop_untold")
  end

  def test_it_goes_when_somebody_says_what_was_looked_at
    view = stopped
    send_json("POST", "/api/tickets/#{view['id']}/entries", entry("hazard_lifted", hazard: "cracked", reason: ""))
    assert_problem(422, "reason_too_short", field: "reason")
    assert_match(/renewed, or looked over/, json["detail"])
    send_json("POST", "/api/tickets/#{view['id']}/entries", entry("hazard_lifted", hazard: "nothing", reason: "looked at"))
    assert_problem(422, "unknown_hazard", field: "hazard")
    lifted = send_json("POST", "/api/tickets/#{view['id']}/entries", entry("hazard_lifted", hazard: "cracked", reason: "a scratch in the paint"))
    assert_empty lifted["stops"]
    assert_includes lifted["call"].last["text"], "a scratch in the paint"
    assert_equal 201, save(lifted) && last_response.status
  end

  # Struck out it still stands: a line that was misheard is no proof that nothing is cracked.
  def test_striking_the_line_lifts_nothing
    view = stopped
    struck = send_json("POST", "/api/tickets/#{view['id']}/entries", entry("struck", of: 1, item: nil))
    assert_equal(["cracked"], struck["stops"].map { |stop| stop["id"] })
  end

  def ordered = save(told(stopped))

  def test_it_stands_on_every_paper_before_anything_else
    order = ordered
    PAPERS.each { |name| assert_match(/\A\s*STOP: a crack/, paper(order, name), name) }
    quote = save(told(agreed(words: "#{KNOWN}, packings, #{CRACKED}")), quote: true)
    assert_match(/\A\s*STOP: a crack.*The caller was told: switch it off/, paper(quote, "quote"))
    assert_includes paper(order, "label"), "STOP: a crack"
    get "/api/today"
    assert_includes json["piles"].flat_map { |pile| pile["rows"] }.map { |row| row["detail"] }.join, "STOP, a crack."
  end

  def test_nothing_is_done_at_the_bench_before_it_is_seen_to
    order = ordered
    box = get("/api/orders/#{order['id']}/bench").then { json["moments"].first["lines"].first["boxes"].first["id"] }
    tick = -> { send_json("POST", "/api/orders/#{order['id']}/bench", entry("ticked", item: box, done: true)) }
    tick.call
    assert_problem(422, "stop_stands", field: "stop")
    send_json("POST", "/api/orders/#{order['id']}/stops", { hazard: "cracked", reason: "a new manifold is on, Tomos" })
    assert_equal [200, []], [last_response.status, json["stops"]]
    assert_equal 200, tick.call && last_response.status
    PAPERS.each { |name| refute_match(/STOP/, paper(order, name), name) }
  end

  # A tick that was done, and whose answer was lost, is done: a danger that was told of since refuses the next one only.
  def test_a_tick_of_before_is_answered_again
    order = save(agreed)
    box = get("/api/orders/#{order['id']}/bench").then { json["moments"].first["lines"].first["boxes"].first["id"] }
    tick = entry("ticked", item: box, done: true)
    sent = ->(one) { send_json("POST", "/api/orders/#{order['id']}/bench", one) && last_response.status }
    assert_equal 200, sent.call(tick)
    database.transaction { Gimlet::Store::Tickets.new(database).append(order["ticket_id"], kind: "hazard_raised", key: "late", who: "Ines") { { "hazard" => "hose" } } }
    assert_equal [200, 422], [sent.call(tick), sent.call(tick.merge(key: "another"))]
  end

  # What is told of after the order was placed stands on its papers as well.
  def test_what_is_told_of_later
    order = save(agreed)
    database.transaction { Gimlet::Store::Tickets.new(database).append(order["ticket_id"], kind: "hazard_raised", key: "late", who: "Ines") { { "hazard" => "hose" } } }
    assert_match(/STOP: hose, pipe or fitting/, paper(order, "card"))
  end
end
