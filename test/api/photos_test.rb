# frozen_string_literal: true

require_relative "../support/http"

# Photos are kept with the ticket, without what a camera writes beside the picture.
class PhotosTest < Minitest::Test
  include Http

  START = "\xFF\xD8".b
  # A segment as ITU-T T.81, annex B.1.1.4 has it (from memory): marker, length with itself, contents.
  def segment(marker, contents) = [0xFF, marker, contents.bytesize + 2].pack("CCn") + contents.b
  def scan = "\xFF\xDA\x00\x02".b + "coloured".b + "\xFF\xD9".b

  def picture(*extra) = START + segment(0xE0, "JFIF\0") + extra.join.b + segment(0xDB, "tables") + scan
  def place = segment(0xE1, "Exif\0\0GPSLatitude 54.2")

  def send_photo(bytes, ticket: 1)
    custom_request("POST", "/api/tickets/#{ticket}/photos", {}, input: bytes, "CONTENT_TYPE" => "application/octet-stream")
  end

  def setup
    super
    send_json("POST", "/api/tickets", entry("said", words: "8 bolts"))
  end

  def test_place_and_time_are_removed_and_the_picture_stays
    send_photo(picture(place, segment(0xFE, "taken by somebody"), segment(0xED, "owner")))
    assert_equal 201, last_response.status, last_response.body
    assert_schema "Photos"
    get "/api/photos/#{json.first['id']}"
    assert_equal "image/jpeg", last_response.content_type
    assert_equal picture, last_response.body.b
  end

  def test_the_same_picture_twice_is_kept_once_and_goes_when_it_is_taken_off
    2.times { send_photo(picture(place)) }
    assert_equal 1, json.size
    id = json.first["id"]
    send_json("POST", "/api/photos/#{id}", {})
    assert_equal 200, last_response.status
    get "/api/photos/#{id}"
    assert_equal 404, last_response.status
  end

  def test_what_is_no_picture_is_refused
    ["", "%PDF-1.7", START, START + "\xFF\xE1\xFF\xFFshort".b, "GIF89a"].each do |bytes|
      send_photo(bytes)
      assert_equal 422, last_response.status, bytes.inspect
      assert_match(/no JPEG picture|body/, last_response.body)
    end
    assert_equal 0, database[:photos].count
  end

  def test_a_ticket_keeps_so_many
    13.times { |at| send_photo(picture(segment(0xDB, at.to_s))) }
    assert_problem(422, "too_many", field: "photo")
    assert_equal 12, database[:photos].count
  end

  def test_they_go_with_a_customer_who_is_forgotten
    send_json("POST", "/api/tickets/1/entries", entry("customer", customer_id: 1))
    send_photo(picture)
    send_json("POST", "/api/customers/1/erase", {})
    assert_includes [200, 204], last_response.status, last_response.body
    assert_equal 0, database[:photos].count
  end
end
