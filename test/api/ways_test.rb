# frozen_string_literal: true

require "pdf/reader"
require_relative "../support/http"

# Money, dates and paper are the shop's own, on every screen and every paper.
class WaysApiTest < Minitest::Test
  include Http

  def order
    view = send_json("POST", "/api/tickets", entry("said", words: "plate TK4R20, serial 31500, 15 lpm, green, packings"))
    send_json("POST", "/api/orders", ticket_id: view["id"], on: view["last"], seen: view["seen"], reason: "as it stands", quote: true)
    assert_equal 201, last_response.status, last_response.body
  end

  def choose(**ways) = send_json("POST", "/api/ways", { currency: "EUR", dates: "day_first", paper: "A4", open_days: %w[mon tue], **ways })
  def reader = PDF::Reader.new(StringIO.new(last_response.body))

  def test_they_are_usual_until_they_are_chosen
    get "/api/ways"
    assert_equal({ "currency" => "EUR", "dates" => "day_first", "paper" => "A4", "open_days" => %w[mon tue wed thu fri] }, json)
    choose(currency: "GBP", dates: "iso", paper: "LETTER")
    assert_schema "Ways"
    get "/api/session"
    assert_equal({ "currency" => "GBP", "dates" => "iso", "paper" => "LETTER", "open_days" => %w[mon tue] }, json["ways"])
    assert_match(/money in GBP/, words_of_history)
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
