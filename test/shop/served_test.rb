# frozen_string_literal: true

require_relative "../support/served"

# A shop of its own, asked over the network while it is served: what is published is what is answered, and nothing that anybody may ask fails.
class ServedTest < Minitest::Test
  FIVE_SECONDS = 5
  TK4 = "pellwick-tk4"
  TORQUE = ["fasteners", "head_bolts", "tightenings", 0, "value"].freeze
  WORDS = "plate TK4R20, serial 31500, 15 lpm, green, packings"

  def setup = @served = Served.new.start
  def teardown = @served.close

  def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

  # A till that asks over and over, until it is told what it should be.
  def assert_soon(expected, what)
    began = now
    until (told = yield) == expected
      flunk "#{what}: #{told.inspect}, not #{expected.inspect}, after #{FIVE_SECONDS} s" if now - began > FIVE_SECONDS
      sleep 0.1
    end
    assert_equal expected, told
  end

  def plan = @served.post("/api/plan", { model: "TK4R20", serial: 31_500, scope: ["packings"], policy: "complete_sets" }).json
  def torque = plan["tightening"].find { |one| one["fastener"] == "head_bolts" }["text"][/published (\d+)/, 1].to_i
  def price = plan["plans"].first["lines"].find { |line| line["number"] == "PW-K220" }["price_cents"]
  def series = @served.get("/api/health").json["catalogue"]["series"]

  def post(...) = @served.post(...).tap { |answer| assert_operator answer.status, :<, 300, answer.text }.json

  def agreed
    view = post("/api/tickets", { kind: "said", key: "a#{rand}", words: WORDS })
    [["plan", { policy: "complete_sets" }], ["work", { areas: ["packings"], agreed: true, pumps: 1 }]].reduce(view) do |one, (kind, body)|
      post("/api/tickets/#{one['id']}/entries", { kind: kind, key: "k#{rand}", **body })
    end
  end

  def save(view) = @served.post("/api/orders", { ticket_id: view["id"], on: view["last"], seen: view["seen"] })

  # The order after a change: told what changed where something did, and saved at the second press at the latest.
  def assert_saves
    view = agreed
    answer = save(view)
    assert_equal 201, answer.status, answer.text
  end

  def draft_torque(value)
    draft = post("/api/drafts", { key: "d#{rand}", from: "series", series: TK4 })
    draft = post("/api/drafts/#{draft['id']}/edits", { version: draft["version"], edits: [{ at: TORQUE, text: value.to_s }] })
    post("/api/drafts/#{draft['id']}/publish", { key: "p#{rand}", version: draft["version"], note: "another edition" })
  end

  # Beside tills that go on asking, as a shop does.
  def with_tills
    going = true
    tills = Array.new(2) { Thread.new { agreed while going } }
    yield
  ensure
    going = false
    tills.each(&:join)
  end

  def test_what_was_published_priced_taught_and_removed_is_served_while_tills_work
    with_tills do
      assert_equal 195, torque
      [204, 210].each do |value|
        draft_torque(value)
        assert_soon(value, "published") { torque }
        assert_saves
      end
      taken_back
      priced
      taught
      @served.bring("/api/catalogue", JSON.generate(document.tap do |one|
        one["fasteners"].find do |row|
          row["id"] == "head_bolts"
        end["tightenings"][0]["value"] = 204
      end))
      assert_soon(204, "imported by upload") { torque }
    end
    removed_and_imported
  end

  def document = JSON.parse(@served.get("/api/catalogue/#{TK4}").text)

  def taken_back
    post("/api/series/#{TK4}/undo", { key: "u#{rand}", number: 3 })
    assert_soon(204, "taken back") { torque }
    assert_saves
  end

  def priced
    post("/api/prices", { number: "PW-K220", price: "77.10", pack: "1" })
    assert_soon(7710, "priced") { price }
    assert_saves
  end

  def taught
    file = File.join(File.dirname(@served.path), "words.yml")
    File.write(file, { "work" => [{ "areas" => ["packings"], "called" => ["glimmerings"] }] }.to_yaml)
    assert_match(/Took 1 rows/, @served.command("vocabulary", file))
    assert_soon(["packings"], "words") do
      @served.post("/api/preview", { words: "glimmerings" }).json.to_s[/packings/] ? ["packings"] : []
    end
  end

  def removed_and_imported
    was = series
    @served.command("remove", TK4)
    assert_soon(was - 1, "removed") { series }
    @served.command("import", File.join(Served::ROOT, "data/demo/catalogue/#{TK4}.json"))
    assert_soon(was, "imported") { series }
    assert_soon(195, "imported") { torque }
    assert_saves
  end
end
