# frozen_string_literal: true

require "date"
require_relative "../support/served"

# A pump that this shop has no sheet of: kept as it was said, answered for by a day, and rung for when its series arrives.
class SightingTest < Minitest::Test
  SERIES = "pellwick-tk4"
  LINES = ["it's a Brunnvik, painted over, plate TK4R20", "serial 31500, 8 bolts hex 6", "whistles like a kettle when it starts"].freeze

  def setup
    @served = Served.new.start
    @sheet = File.join(Served::ROOT, "data/demo/catalogue/#{SERIES}.json")
    assert_path_exists @sheet
    assert_match(/Took .* out of the catalogue/, @served.command("remove", SERIES))
  end

  def teardown = @served.close

  def entry(kind, **fields) = { kind: kind, key: SecureRandom.uuid, **fields }
  def add(kind, **fields) = @served.post("/api/tickets/#{@id}/entries", entry(kind, **fields), role: "counter")
  def sighting = @served.get("/api/sightings/#{@id}", role: "counter").json
  def pile(id) = @served.get("/api/today", role: "counter").json["piles"].find { |one| one["id"] == id }
  def soon = (Date.today + 5).iso8601

  def seen
    caller = @served.post("/api/customers", { key: "c", line: "Östlund Quay, Skarrow, 0160 442 118" }, role: "counter").json
    @id = @served.post("/api/tickets", entry("said", words: LINES.first), role: "counter").json["id"]
    add("customer", customer_id: caller["id"])
    LINES.drop(1).each { |words| add("said", words: words) }
    add("sighted", due_on: soon)
  end

  def test_it_is_kept_whole_and_takes_no_other_pump_s_order
    assert_equal 201, seen.status
    add("said", words: "four bolts, 30 mm plunger, packings")
    ticket = add("work", areas: ["packings"], agreed: true, pumps: 1).json
    assert_nil ticket["pump"]
    assert_nil ticket["plan"]
    refused = @served.post("/api/orders", { ticket_id: @id, on: ticket["last"], seen: [], reason: "they want it" }, role: "counter")
    assert_equal [422, "sighted"], [refused.status, refused.json["code"]]
    kept = sighting
    assert_equal([*LINES, "four bolts, 30 mm plunger, packings"], kept["words"].map { |row| row["words"] })
    assert_equal ["Östlund Quay", "0160 442 118", soon], [kept.dig("customer", "name"), kept.dig("customer", "phone"), kept["due_on"]]
    told = kept["readings"].map { |row| row["trait"] }
    assert_empty kept["lacking"].map { |row| row["trait"] } & told
    refute_empty kept["lacking"]
    assert_includes kept["lacking"].map { |row| row["trait"] }, "maker"
  end

  def test_today_says_by_when_and_then_whom_to_ring
    seen
    assert_equal 1, pile("to_find")["total"]
    assert_includes pile("to_find")["rows"].first["detail"], "Brunnvik"
    assert_nil sighting["fits"]
    assert_match(/Imported 1 series/, @served.command("import", @sheet))
    wait_for { pile("to_find")["total"].zero? }
    row = pile("on_file_now")["rows"].first
    assert_match(/Östlund Quay.*0160 442 118/, row["what"])
    assert_includes row["detail"], "TK4R20"
    assert_equal "/sightings/#{@id}", row["to"]
    reopened = add("reopened", reason: "the sheet came").json
    assert_equal "TK4R20", reopened.dig("pump", "model")
    assert_empty pile("on_file_now")["rows"]
  end

  # What is on file already, and was said not to be it, is not rung for.
  def test_what_was_on_file_then_is_no_news
    @id = @served.post("/api/tickets", entry("said", words: "plate DK420, 8 bolts"), role: "counter").json["id"]
    add("sighted", due_on: soon)
    assert_nil sighting["fits"]
    assert_equal 1, pile("to_find")["total"]
  end

  def test_a_day_is_said_and_lies_ahead
    @id = @served.post("/api/tickets", entry("said", words: LINES.first), role: "counter").json["id"]
    ["", "soon", "2026-02-30", (Date.today - 1).iso8601].each do |day|
      refused = add("sighted", due_on: day)
      assert_equal [422, "due_on"], [refused.status, refused.json["field"]], day
    end
    add("sighted", due_on: soon)
    add("sighted", due_on: (Date.today + 9).iso8601)
    assert_equal (Date.today + 9).iso8601, sighting["due_on"], "the answer takes longer"
  end

  def wait_for
    100.times { yield ? return : sleep(0.1) }
    flunk "it does not come"
  end
end
