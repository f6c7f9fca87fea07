# frozen_string_literal: true

require_relative "../support/http"

# Prices, catalogue, people, history and copies, as the desk works on them.
class DeskTest < Minitest::Test
  include Http

  def price_of(number) = database[:stock].where(number: number).get(:price_cents)

  LIST = "\uFEFFnumber;price;on_hand;pack\r\nPW-K220;70,25;4;1\r\nXX-99;2,00;1;1\r\nPW-4110;cheap;1;1\r\n"

  def test_a_price_list_is_looked_at_before_it_is_taken
    sent = upload("/api/price-list", LIST)
    assert_schema "Upload"
    look = sent["prices"]
    assert_equal [2, 0, 1, 1], look.values_at("changed", "same", "unsold", "refused_lines")
    assert_equal({ "number" => "PW-K220", "was" => { "price_cents" => 6718, "on_hand" => 3, "pack" => 1 },
                   "now" => { "price_cents" => 7025, "on_hand" => 4, "pack" => 1 }, "sold" => true }, look["changes"].first)
    assert_equal ["line 4 (PW-4110): its price “cheap” cannot be read as a price: type it as 12.50 or 12,50."], look["refused"]
    assert_equal 6718, price_of("PW-K220"), "a look changes nothing"
    refused = take(sent)
    assert_equal %w[looked refused_lines list], [refused["state"], *refused["problem"].values_at("code", "field")]
    assert_equal 6718, price_of("PW-K220")
    assert_equal({ "taken" => 2 }, take(sent, skip: true)["taken"])
    assert_equal 7025, price_of("PW-K220")
    send_json("POST", "/api/uploads/#{sent['id']}/take", mark: look["mark"], skip: true)
    assert_problem(422, "not_looked_at", field: "file")
    again = upload("/api/price-list", LIST)
    assert_equal [0, 2], again["prices"].values_at("changed", "same")
    assert_empty Dir["#{database.opts[:database]}.uploads/*"] - [File.join("#{database.opts[:database]}.uploads", again["id"])], "no file is left"
  end

  def test_a_price_that_changed_since_the_look_is_said
    sent = upload("/api/price-list", LIST)
    send_json("POST", "/api/prices", number: "PW-K220", price: "71,50", on_hand: "2", pack: "1")
    assert_equal "changed", take(sent, skip: true)["problem"]["code"]
    assert_equal 7150, price_of("PW-K220")
  end

  def test_an_upload_is_its_senders_and_can_be_given_up
    sent = upload("/api/price-list", LIST)
    assert_equal "given_up", send_json("POST", "/api/uploads/#{sent['id']}/give-up", {})["state"]
    send_json("POST", "/api/uploads/#{sent['id']}/take", mark: sent["prices"]["mark"])
    assert_problem(422, "not_looked_at")
    people = Gimlet::Store::People.new(database, cost: 4)
    %w[Ada Ben].each { |name| people.upsert(name, "keeper", "5926") }
    send_json("POST", "/api/session", name: "Ada", secret: "5926")
    sent = upload("/api/price-list", LIST)
    send_json("POST", "/api/session", name: "Ben", secret: "5926")
    get "/api/uploads/#{sent['id']}"
    assert_problem(404, "not_found")
  end

  def test_what_is_no_list_is_said
    { "" => "bad_price_list", "\x00\x01\x02" => "bad_price_list", "PK\x03\x04junk" => "bad_price_list", "number\nA" => "bad_price_list",
      "number,price\n\"A,1\n" => "bad_price_list" }.each do |bytes, code|
      refused = upload("/api/price-list", bytes)
      assert_equal ["refused", code], [refused["state"], refused["problem"]["code"]], bytes
    end
    send_json("POST", "/api/price-list", {})
    assert_problem(415, "wrong_media")
    custom_request("POST", "/api/price-list", {}, input: "x" * (10_485_760 + 1), "CONTENT_TYPE" => "application/octet-stream")
    assert_problem(413, "too_large", field: "file")
  end

  def test_one_price_and_the_shelf
    assert_equal 7150, send_json("POST", "/api/prices", number: "PW-K220", price: "71,50", on_hand: "2", pack: "1")["price_cents"]
    get "/api/prices?q=pw-k220"
    assert_schema "PricePage"
    assert_equal [7150, 2], json["prices"].first.values_at("price_cents", "on_hand")
    { { number: "PW-K2200" } => "unknown_number", { price: "1.234" } => "bad_price", { on_hand: "-1" } => "bad_price", { pack: "0" } => "bad_price",
      { number: "" } => "bad_price" }.each do |wrong, code|
      send_json("POST", "/api/prices", { number: "PW-K220", price: "5", on_hand: "1", pack: "1" }.merge(wrong))
      assert_problem(422, code)
    end
    assert_equal 7150, price_of("PW-K220")
  end

  def test_a_document_is_looked_at_before_it_is_brought_in
    get "/api/catalogue/pellwick-tk4"
    document = json
    document["models"].first["designation"] = "TK4X99"
    document["fasteners"].first["tightening"]["value"] = 31 if document["fasteners"].first.dig("tightening", "value")
    sent = upload("/api/catalogue", document)
    assert_schema "Upload"
    look = sent["series"]
    places = look["changes"].map { |one| one["place"] }
    assert_includes places.join("|"), "models › "
    assert_includes places.join("|"), "TK4X99"
    get "/api/catalogue/pellwick-tk4"
    refute_equal document, json, "a look changes nothing"
    send_json("POST", "/api/uploads/#{sent['id']}/take", mark: "0000")
    assert_equal "changed", settled(sent["id"])["problem"]["code"]
    assert_equal "pellwick-tk4", take(sent)["taken"]["id"]
    assert_equal 0, upload("/api/catalogue", document)["series"]["changed"]
    { "{}" => "bad_catalogue", "{" => "not_json", "\xFF".b => "bad_text", '{"a":1,"a":2}' => "not_json",
      "[" * 100 => "not_json" }.each do |bytes, code|
      assert_equal code, upload("/api/catalogue", bytes)["problem"]["code"]
    end
  end

  def test_people_come_and_leave_and_tokens_end
    send_json("POST", "/api/people", name: "Berrit", role: "owner", secret: "48213")
    assert_schema "Staff"
    owner = send_json("POST", "/api/session", name: "Berrit", secret: "48213")
    assert_equal "owner", owner["person"]["role"]
    assert_equal(%w[Berrit Joss], send_json("POST", "/api/people", name: "Joss", role: "counter", secret: "5566")["staff"].map { |one| one["name"] })
    send_json("POST", "/api/people", name: "Berrit", role: "counter", secret: "48213")
    assert_problem(422, "last_owner", field: "role")
    send_json("POST", "/api/people/leave", name: "Berrit")
    assert_problem(422, "last_owner", field: "name")
    token = send_json("POST", "/api/tokens", name: "nightly", role: "keeper")["token"]
    get "/api/people"
    listed = json["staff"].map { |one| one.values_at("kind", "name", "role") }
    assert_equal [%w[person Berrit owner], %w[person Joss counter], %w[script nightly keeper]], listed
    clear_cookies
    header "Authorization", "Bearer #{token}"
    get "/api/prices"
    assert_equal 200, last_response.status
    header "Authorization", nil
    send_json("POST", "/api/session", name: "Berrit", secret: "48213")
    send_json("POST", "/api/people/leave", name: "nightly")
    send_json("POST", "/api/people/leave", name: "nightly")
    assert_problem(404, "not_found")
    clear_cookies
    header "Authorization", "Bearer #{token}"
    get "/api/prices"
    assert_problem(401, "sign_in")
    assert_equal([%w[Berrit owner], %w[Joss counter], %w[nightly keeper], %w[nightly]],
                 database[:history].where(what: %w[person token leaves]).order(:id).select_map(:detail).map { |text| JSON.parse(text) })
  end

  def test_a_day_of_history_and_all_of_it
    send_json("POST", "/api/tickets", entry("said", words: "plate TK4R20, =packings", who: "=Ines"))
    get "/api/history?q=tk4r20%20ines"
    assert_schema "HistoryPage"
    assert_equal([["=Ines", "said", "ticket 1"]], json["entries"].map { |one| one.values_at("who", "what", "place") })
    get "/api/history"
    assert_equal(["ticket 1", "shop"], json["entries"].map { |one| one["place"] }.uniq)
    get "/api/history?day=2001-01-01"
    assert_equal [0, "2001-01-01"], json.values_at("total", "day")
    %w[2001-13-01 x 2001-1].each do |day|
      get "/api/history?day=#{day}"
      assert_problem(422, "bad_day", field: "day")
    end
    get "/api/history.csv"
    assert_equal %w[at who what where in_words], CSV.parse_line(last_response.body)
    assert_includes last_response.body, "'=Ines"
  end

  def test_a_copy_at_the_press_of_a_key
    send_json("POST", "/api/backup", {})
    assert_equal 201, last_response.status
    copy = File.join(Gimlet::Store::Backup.folder(database.opts[:database]), json["file"])
    assert_equal Gimlet::Store::Backup.counts(database), Gimlet::Store::Backup.proven(copy)
  end
end
