# frozen_string_literal: true

require_relative "../support/http"

# Who did what and when: kept by the database itself, and written out as text.
class HistoryTest < Minitest::Test
  include Http

  def export
    path = File.join(Dir.mktmpdir, "history.csv")
    assert Gimlet::Command.new(database.opts[:database], out: StringIO.new).call(["history", path])
    CSV.read(path, headers: true)
  end

  def test_everything_says_who_and_when
    view = send_json("POST", "/api/tickets", entry("said", words: "plate TK4R20, serial 31500, 15 lpm, green, packings", who: "Ines"))
    send_json("POST", "/api/orders", ticket_id: view["id"], on: view["last"], seen: view["seen"], who: "Ines")
    send_json("POST", "/api/orders/1/bench", kind: "ticked", key: "k", item: "open 1.1", done: true, who: "Tom")
    send_json("POST", "/api/orders/1/steps", kind: "cancel", key: "c#{rand}", reason: "rang off", revision: 1, who: "Ines")
    Gimlet::Store::Stock.new(database).upsert([{ number: "PW-K220", price_cents: 1, on_hand: 1, pack: 1 }], who: "Ada")
    rows = export
    assert_equal([%w[imported shop], %w[prices shop], ["said", "ticket 1"], ["place", "order 1"], ["ordered", "ticket 1"],
                  ["ticked", "order 1, bench"], ["cancel", "order 1"], %w[prices shop]], rows.map { |row| row.values_at("what", "where") })
    assert_equal %w[Ines Ines Ines Tom Ines Ada], rows.map { |row| row["who"] }.last(6)
    assert_equal [{ "price_cents" => 6718, "on_hand" => 3, "pack" => 1 }, { "price_cents" => 1, "on_hand" => 1, "pack" => 1 }],
                 JSON.parse(rows.map { |row| row["in_words"] }.last)["PW-K220"]
    rows.each { |row| assert_in_delta Time.now, Time.parse(row["at"]), 3600 }
  end

  def test_the_database_itself_refuses_to_alter_it
    send_json("POST", "/api/tickets", entry("said", words: "8 bolts"))
    %i[history entries].each do |table|
      assert_raises(Sequel::DatabaseError) { database[table].update(who: "nobody") }
      assert_raises(Sequel::DatabaseError) { database[table].delete }
      refute_empty database[table].exclude(who: "nobody").all
    end
  end

  # A cell that begins like a formula is none.
  def test_what_looks_like_a_formula_is_text
    line = +""
    Gimlet::Exchange::CsvText.write(line, [["=cmd|' /C calc'!A0", "+1", "-1", "@x", "plain", "a,b"]])
    assert_equal ["'=cmd|' /C calc'!A0", "'+1", "'-1", "'@x", "plain", "a,b"], CSV.parse_line(line)
    send_json("POST", "/api/tickets", entry("said", words: "x", who: "=HYPERLINK(1)"))
    assert_equal "'=HYPERLINK(1)", export.map { |row| row["who"] }.last
  end
end
