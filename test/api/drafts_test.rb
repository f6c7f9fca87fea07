# frozen_string_literal: true

require_relative "../support/shop"

# Writing a series over HTTP: drafts, what they would change, publishing, taking back; and looking it up.
class DraftsTest < Minitest::Test
  include Shop

  EXAMPLE = JSON.parse(File.read(File.expand_path("../../docs/example-catalogue.json", __dir__))).freeze
  TORQUE = ["fasteners", "head_bolts", "tightenings", 0, "value"].freeze

  def begin_from(**body) = send_json("POST", "/api/drafts", body).tap { assert_equal 201, last_response.status, last_response.body }
  def edit(draft, *edits) = send_json("POST", "/api/drafts/#{draft['id']}/edits", { version: draft["version"], edits: edits })
  def changing(series = "pellwick-tk4") = begin_from(from: "series", series: series)

  def publish(draft, note = "")
    send_json("POST", "/api/drafts/#{draft['id']}/publish", { version: draft["version"], note: note })
  end

  def torque
    document = JSON.parse(get("/api/catalogue/pellwick-tk4").body)
    document["fasteners"].find { |row| row["id"] == "head_bolts" }["tightenings"][0]["value"]
  end

  def test_a_torque_is_raised_seen_published_and_taken_back_in_one_step
    draft = edit(changing, { at: TORQUE, text: "210", source: { document: "TK4 sheet, 5th edition", page: "3" } })
    assert_schema "Draft", draft
    assert_equal 195, torque
    effects = JSON.parse(get("/api/drafts/#{draft['id']}/effects").body)
    assert_schema "DraftEffects", effects
    assert_equal(["a torque goes up"], effects["effects"].filter_map { |one| one["danger"] }.uniq)
    assert_equal 14, effects["effects"].first["pumps"].size
    assert_equal({ "series" => "pellwick-tk4" }, publish(draft, "new edition"))
    assert_equal 210, torque
    get "/api/series/pellwick-tk4/revisions"
    assert_equal([[2, "new edition"], [1, ""]], json.map { |one| one.values_at("number", "note") })
    assert_equal({ "number" => 1 }, send_json("POST", "/api/series/pellwick-tk4/undo", { number: 2 }))
    assert_equal 195, torque
  end

  def test_where_it_was_read_is_written_down_with_who
    draft = edit(changing, { at: %w[parts PW-4220 spec height_mm], text: "6,5", source: { document: "TK4 sheet, 5th edition", page: "7" } })
    row = draft["document"]["sources"].find { |one| one["of"] == ["parts.PW-4220"] }
    assert_equal ["TK4 sheet, 5th edition", "7", "nobody signed in"], row.values_at("document", "page", "who")
  end

  # While nobody is on file there is nobody to ask: what orders are made of is changed on this machine only.
  def test_nobody_on_the_network_changes_a_series
    draft = changing
    mine = "/api/drafts/#{draft['id']}"
    asked = { "/api/drafts" => { from: "series", series: "quellby-va" }, "#{mine}/edits" => { version: 1, edits: [{ at: TORQUE, text: "210" }] },
              "#{mine}/publish" => { version: 1 }, "/api/series/pellwick-tk4/undo" => {}, "#{mine}/give-up" => {} }
    asked.each do |path, body|
      custom_request("POST", path, {}, input: JSON.generate(body), "CONTENT_TYPE" => "application/json", "REMOTE_ADDR" => "192.0.2.7")
      assert_equal [403, "not_from_here"], [last_response.status, json["code"]], path
    end
  end

  def checked(draft) = draft["document"]["fasteners"].find { |one| one["id"] == "head_bolts" }["tightenings"][0]["checked"]

  # Two people have read 195; nobody has read 210 until somebody says so, in their own name.
  def test_what_was_read_twice_is_read_by_nobody_once_it_is_changed
    draft = changing
    assert_equal(%w[Ines Joss], checked(draft).map { |one| one["who"] })
    assert_equal checked(draft), checked(edit(draft, { at: TORQUE, text: "195" }))
    draft = edit(JSON.parse(get("/api/drafts/#{draft['id']}").body), { at: TORQUE, text: "210" })
    assert_nil checked(draft)
    draft = edit(draft, { at: TORQUE[0...-1], kind: "read", text: "TK4 sheet, 5th edition" })
    assert_equal([["nobody signed in", "TK4 sheet, 5th edition"]], checked(draft).map { |one| one.values_at("who", "against") })
  end

  def test_what_has_no_source_is_listed_series_by_series
    get "/api/unsourced"
    json.each { |one| assert_schema "Unsourced", one }
    without = json.select { |one| one["places"].any? }
    assert_includes without.flat_map { |one| one["places"] }.join(" "), "kits."
    sizes = json.map { |one| one["places"].size }
    assert_equal sizes.sort.reverse, sizes
  end

  def test_a_mistake_stands_beside_its_place_and_is_not_published
    draft = edit(changing, { at: %w[parts PW-4220 spec id_mm], text: "50" })
    refute draft["sound"]
    assert(draft["remarks"].any? { |one| one["list"] == "parts" && one["text"].include?("no less than od_mm 28") }, draft["remarks"].inspect)
    publish(draft)
    assert_equal [422, "bad_catalogue"], [last_response.status, json["code"]]
    assert_equal 195, torque
  end

  def test_what_cannot_be_read_changes_nothing
    draft = changing
    edit(draft, { at: TORQUE, text: "210" }, { at: TORQUE, text: "tight" })
    assert_equal [422, "bad_value"], [last_response.status, json["code"]]
    assert_match(/“tight” is not a number/, json["detail"])
    assert_equal draft["document"], JSON.parse(get("/api/drafts/#{draft['id']}").body)["document"]
  end

  def test_two_who_write_do_not_write_over_each_other
    draft = changing
    edit(draft, { at: TORQUE, text: "200" })
    edit(draft, { at: TORQUE, text: "205" })
    assert_match(/Somebody else has changed this draft/, json["detail"])
  end

  def test_a_draft_of_a_series_that_was_published_since_is_not_put_over_it
    one, other = changing, changing
    publish(edit(one, { at: TORQUE, text: "200" }))
    publish(edit(other, { at: TORQUE, text: "205" }))
    assert_equal "series_changed", json["code"]
    assert_equal 200, torque
  end

  def test_from_a_blank_page_one_like_it_and_a_pump_that_was_seen
    blank = begin_from(from: "blank", maker: "Coinworth", name: "CX")
    assert_includes blank["faults"].map { |one| one["text"] }.join, "parts is not in the catalogue format: it is empty: at least 1"
    like = begin_from(from: "like", series: "pellwick-tk4", maker: "Coinworth", name: "CX4", numbers: "CX-")
    assert like["sound"], like["remarks"].inspect
    assert_equal("CX4L15", like["document"]["models"].first["designation"])
    assert_includes(like["document"]["parts"].map { |one| one["number"] }, "CX-4220")
    refute_includes JSON.generate(like["document"]), "PW-"
    send_json("POST", "/api/tickets", { kind: "said", key: "k1", who: "Ines", words: "8 bolts, hex 6, plate ZZ99" })
    ticket = json["id"]
    send_json("POST", "/api/tickets/#{ticket}/entries", { kind: "sighted", key: "k2" })
    seen = begin_from(from: "sighting", sighting: ticket)
    assert_equal [8, "hex 6"], seen["document"]["traits"].values_at("head_bolts", "head_bolt_drive")
  end

  # The example of the docs, place by place in one request, is what the docs have; what is exported is taken in again with nothing changed.
  def test_what_is_written_is_what_is_exported
    draft = begin_from(from: "blank", maker: "Ferrowby", name: "FX")
    edits = EXAMPLE.except("format", "version").map { |key, value| { at: [key], kind: "value", value: value } }
    publish(edit(draft, *edits))
    assert_equal EXAMPLE, JSON.parse(get("/api/catalogue/ferrowby-fx").body)
    catalogue = Gimlet::Store::Catalogue.new(database)
    digest = catalogue.digest("ferrowby-fx")
    assert_equal 0, upload("/api/catalogue", last_response.body)["series"]["changed"]
    catalogue.import_all([catalogue.document("ferrowby-fx")], who: "again")
    assert_equal [digest, 1], [catalogue.digest("ferrowby-fx"), catalogue.revisions("ferrowby-fx").size]
  end

  def test_a_call_is_tried_and_nothing_of_it_kept
    draft = edit(changing, { at: %w[traits head_bolts], text: "9" })
    send_json("POST", "/api/drafts/#{draft['id']}/practise", { text: "9 bolts, hex 6, 20 mm ceramic plungers" })
    assert_match(/TK4/, json["candidates"].first["id"])
    assert_equal 0, database[:tickets].count
  end

  # Whoever asks after an import has ended is answered from it, a running server too.
  def test_the_first_answer_after_an_import_sees_it
    get "/api/look-up?q=FX-20"
    assert_equal 0, json["total"]
    Gimlet::Store::Catalogue.new(database).import_all([EXAMPLE], who: "another process")
    get "/api/look-up?q=FX-20"
    assert_equal "FX-20", json["found"].first["key"]
  end

  def test_an_order_says_what_would_be_otherwise_today
    order = placed["id"] || flunk(last_response.body)
    get "/api/orders/#{order}/since"
    assert_equal [1, 1, []], json.values_at("revision", "newest", "effects")
    publish(edit(changing, { at: TORQUE, text: "210" }))
    get "/api/orders/#{order}/since"
    assert_schema "SinceOrder"
    assert_equal [1, 2, ["a torque goes up"]], [*json.values_at("revision", "newest"), json["effects"].filter_map { |one| one["danger"] }.uniq]
  end

  def test_pages_of_the_catalogue
    { "/api/parts/PW-4220" => "PartPage", "/api/kits/PW-K220" => "KitPage", "/api/series/pellwick-tk4" => "SeriesPage",
      "/api/series/ulvskar-ux?model=UX3800" => "SeriesPage", "/api/look-up?q=20x28x6" => "Found" }.each do |path, schema|
      get path
      assert_equal 200, last_response.status, path
      assert_schema schema
    end
    get "/api/series/pellwick-tk4/table.csv?list=parts"
    assert_equal %w[number name spec.od_mm spec.id_mm spec.height_mm spec.material spec.colour spec.turns spec.section_mm spec.length_mm spec.thread
                    superseded_by], last_response.body.lines.first.chomp.split(",")
    %w[/api/parts/none /api/kits/none /api/series/none].each { |path| assert_equal 404, get(path).status }
  end
end
