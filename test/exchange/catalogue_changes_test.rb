# frozen_string_literal: true

require "minitest/autorun"
require_relative "../../lib/gimlet/exchange/catalogue_changes"
require_relative "../../lib/gimlet/present/plain_words"

# What a document says otherwise than the one it would take the place of.
class CatalogueChangesTest < Minitest::Test
  def changes(before, now) = Gimlet::Exchange::CatalogueChanges.call(before, now).map { |one| [one.place, one.was, one.is] }

  BEFORE = { "series" => { "id" => "fx", "name" => "FX" }, "traits" => { "cylinders" => 3 },
             "parts" => [{ "number" => "A", "name" => "seal" }, { "number" => "B", "name" => "spring", "spec" => { "turns" => 5 } }],
             "kits" => [{ "number" => "K", "contents" => [{ "part" => "A", "quantity" => 1 }, { "part" => "B", "quantity" => 3 }] }],
             "fasteners" => [{ "id" => "head", "tightenings" => [{ "kind" => "torque", "value" => 25, "unit" => "N·m" }] }] }.freeze

  def now = Marshal.load(Marshal.dump(BEFORE))

  def test_the_same_is_no_change
    assert_empty changes(BEFORE, now)
    assert_empty changes(BEFORE, now.merge("parts" => BEFORE["parts"].reverse)), "the order of named rows says nothing"
  end

  def test_a_changed_value_is_named_by_its_place
    other = now
    other["parts"][1]["spec"]["turns"] = 6
    other["kits"][0]["contents"][1]["quantity"] = 2
    assert_equal [["parts › B › spec › turns", 5, 6], ["kits › K › contents › B › quantity", 3, 2]], changes(BEFORE, other)
  end

  def test_what_comes_and_what_goes
    other = now.merge("parts" => [BEFORE["parts"][0], { "number" => "C", "name" => "ball" }])
    assert_equal [["parts › B", { "name" => "spring", "spec" => { "turns" => 5 } }, nil], ["parts › C", nil, { "name" => "ball" }]],
                 changes(BEFORE, other)
    whole = changes(nil, now)
    assert_equal [["", nil, now]], whole, "a series that was not there is one change"
  end

  # Three times the torque must be seen at a glance.
  def test_a_torque_without_a_name_of_its_own_is_shown_whole
    other = now
    other["fasteners"][0]["tightenings"][0]["value"] = 75
    place, was, is = changes(BEFORE, other).first
    assert_equal "fasteners › head › tightenings", place
    assert_equal([[25], [75]], [was, is].map { |rows| rows.map { |row| row["value"] } })
  end

  def words(json) = Gimlet::Present::PlainWords.call(json)

  def test_history_in_words
    assert_equal "words: 8 bolts", words('{"words":"8 bolts","asked":null}')
    assert_equal "PW-K220: nothing, price_cents: 12; on_hand: 3", words('{"PW-K220":[null,{"price_cents":12,"on_hand":3}]}')
    assert_equal "fx, fy", words('["fx","fy"]')
    long = words("{\"words\":\"#{'a' * 900}\"}")
    assert_equal [Gimlet::Present::PlainWords::LONGEST + 2, "…"], [long.size, long[-1]]
  end
end
