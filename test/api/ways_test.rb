# frozen_string_literal: true

require "pdf/reader"
require_relative "../support/shop"

# Money, dates and paper are the shop's own, on every screen and every paper.
class WaysApiTest < Minitest::Test
  include Shop

  def order
    view = send_json("POST", "/api/tickets", entry("said", words: "plate TK4R20, serial 31500, 15 lpm, green, packings"))
    send_json("POST", "/api/orders", ticket_id: view["id"], on: view["last"], seen: view["seen"], reason: "as it stands", quote: true)
    assert_equal 201, last_response.status, last_response.body
  end

  def choose(**ways)
    send_json("POST", "/api/ways", { currency: "EUR", dates: "day_first", paper: "A4", labels: "sheet", open_days: %w[mon tue], **ways })
  end

  def reader = PDF::Reader.new(StringIO.new(last_response.body))

  def test_they_are_usual_until_they_are_chosen
    get "/api/ways"
    assert_equal({ "currency" => "EUR", "dates" => "day_first", "paper" => "A4", "labels" => "sheet", "open_days" => %w[mon tue wed thu fri] }, json)
    choose(currency: "GBP", dates: "iso", paper: "LETTER")
    assert_schema "Ways"
    get "/api/session"
    assert_equal({ "currency" => "GBP", "dates" => "iso", "paper" => "LETTER", "labels" => "sheet", "open_days" => %w[mon tue] }, json["ways"])
    assert_match(/money in GBP/, words_of_history)
  end

  # The smallest PNG there is: one grey point.
  POINT = "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAAAAAA6fptVAAAACklEQVR4nGNgAAAAAgABSK+kcQAAAABJRU5ErkJggg=="

  def face(**told) = send_json("POST", "/api/face", { name: "", address: "", tax_number: "", bank: "", terms: "", logo: "", **told })

  def test_the_shop_has_its_face_on_what_it_prints
    order = placed
    face(name: "Skarrow Pump Spares", address: "Outer Quay 3\nSkarrow", tax_number: "SK 4410", terms: "pay within 14 days", logo: POINT)
    assert_schema "ShopFace"
    %w[note card].each do |name|
      text = paper(order, name)
      ["Skarrow Pump Spares", "Outer Quay 3"].each { |told| assert_includes text, told, name }
    end
    assert_includes paper(order, "note"), "tax number SK 4410 · pay within 14 days"
    assert_match(/the shop on its papers: Skarrow Pump Spares, with a logo/, words_of_history)
  end

  # As large as is taken: 220 × 220 points of noise, which no packing makes smaller.
  def test_a_large_logo_is_kept
    side = 220
    rows = Random.new(1).bytes(side * (side + 1)).tap { |bytes| side.times { |row| bytes.setbyte(row * (side + 1), 0) } }
    chunks = { "IHDR" => [side, side, 8, 0, 0, 0, 0].pack("NNC5"), "IDAT" => Zlib::Deflate.deflate(rows), "IEND" => "" }
    png = chunks.reduce("\x89PNG\r\n\x1A\n".b) do |all, (kind, data)|
      all + [data.bytesize].pack("N") + kind + data + [Zlib.crc32(kind + data)].pack("N")
    end
    face(name: "Skarrow Pump Spares", logo: [png].pack("m0"))
    assert_equal 200, last_response.status, last_response.body[0, 300]
    assert_includes paper(placed, "note"), "Skarrow Pump Spares"
    face(logo: "A" * 96_001)
    assert_includes [413, 422], last_response.status
    get "/api/face"
    assert_equal "Skarrow Pump Spares", json["name"]
  end

  def test_what_is_no_picture_is_refused_and_nothing_changes
    face(name: "Skarrow Pump Spares", logo: POINT)
    face(name: "Other", logo: ["GIF89a"].pack("m0"))
    assert_match(/no PNG or JPEG/, assert_problem(422, "no_picture", field: "logo")["detail"])
    face(name: "Other", logo: ["\x89PNG\r\n\x1A\nrubbish".b].pack("m0"))
    assert_match(/cannot be printed/, assert_problem(422, "unreadable", field: "logo")["detail"])
    face(name: "x" * 81)
    assert_equal 422, last_response.status
    get "/api/face"
    assert_equal ["Skarrow Pump Spares", POINT], json.values_at("name", "logo")
  end

  # 62 × 29 mm is 175.7 × 82.2 points.
  def test_labels_fit_what_prints_them
    order = placed
    paper(order, "label")
    assert_in_delta 595, reader.pages.first.width, 1
    choose(labels: "roll")
    paper(order, "label")
    assert_in_delta 175.7, reader.pages.first.width, 0.5
    assert_in_delta 82.2, reader.pages.first.height, 0.5
    assert_includes reader.pages.first.text, "order #{order['id']}"
  end

  def words_of_history
    get "/api/history"
    json["entries"].map { |one| one["told"] || one.values.join(" ") }.join("\n")
  end

  def test_papers_are_printed_so
    order
    choose(currency: "USD", dates: "month_first", paper: "LETTER")
    get "/api/orders/1/quote.pdf"
    assert_equal [612, 792], reader.pages.first.attributes[:MediaBox][2, 2].map(&:round), "US Letter in points"
    text = reader.pages.map(&:text).join
    assert_match(/\$\d+\.\d\d/, text)
    refute_includes text, "€"
    assert_match(/(January|February|March|April|May|June|July|August|September|October|November|December) \d+, \d{4}/, text)
    get "/api/orders/1/card.pdf?paper=A4"
    assert_equal [595, 842], reader.pages.first.attributes[:MediaBox][2, 2].map(&:round), "asked for, it is A4"
  end

  def test_what_is_not_on_the_list_is_refused_and_nothing_changes
    choose(currency: "XYZ")
    assert_equal 422, last_response.status
    get "/api/ways"
    assert_equal "EUR", json["currency"]
  end
end
