# frozen_string_literal: true

require "json"
require_relative "../support/core"
require_relative "../../lib/gimlet/present/history_words"

# What was noted is told as somebody would tell it, never as field names.
class HistoryWordsTest < Minitest::Test
  include DemoCatalogue

  KIT = "PW-K220 TK4 seal kit 20, one pump"
  WAS = { "price_cents" => 6500, "on_hand" => 3, "pack" => 1 }.freeze

  # Where, what, with which data, and how it is told. By hand.
  TOLD = [
    ["shop", "prices", { "PW-K220" => [WAS, WAS.merge("price_cents" => 6718)] }, "price of #{KIT}: from €65.00 to €67.18"],
    ["shop", "prices", { "PW-K220" => [nil, WAS] }, "price of #{KIT}: €65.00, new"],
    ["shop", "prices", { "PW-K220" => [WAS, WAS.merge("on_hand" => 1)] }, "price of #{KIT}: 1 here, were 3"],
    ["shop", "prices", { "PW-K220" => [WAS, WAS.merge("pack" => 3)] }, "price of #{KIT}: pack of 3, was 1"],
    ["shop", "prices", %w[A B C D E].to_h { |number| [number, [nil, WAS]] }, "price of A: €65.00, new; B: €65.00, new; C: €65.00, new and 2 more"],
    ["shop", "customer", { "added" => "Pier Nine" }, "wrote down Pier Nine"],
    ["shop", "customer", { "merged" => "Pier 9", "into" => "Pier Nine" }, "Pier 9 is the same as Pier Nine"],
    ["shop", "customer", { "erased" => 4 }, "customer 4 was forgotten"],
    ["shop", "customer", { "id" => 4, "changed" => { "phone" => "0160" } }, "customer 4: phone: 0160"],
    ["shop", "stock", { "number" => "PW-K220", "shelf" => "B3", "level" => 4 }, "#{KIT}: shelf B3, level 4"],
    ["shop", "stock", { "number" => "PW-K220", "level" => 4 }, "#{KIT}: level 4"],
    ["shop", "tool", { "added" => "PW-T11/1", "number" => "PW-T11" }, "tool PW-T11/1, PW-T11, was written down"],
    ["shop", "rung", { "customer" => "Pier Nine", "pump" => "TK4R20", "note" => "in May", "again_on" => "2027-05-01" },
     "rang Pier Nine about their TK4R20: in May: again on 2027-05-01"],
    ["shop", "learning", { "on" => false }, "learning was switched off"],
    ["shop", "ways", { "currency" => "GBP", "dates" => "month_first", "paper" => "LETTER" },
     "money in GBP, dates month first, paper LETTER from here on"],
    ["order 3 at the bench", "found", { "name" => "plunger", "position" => "cylinder 2", "outcome" => "replace" },
     "found: plunger, cylinder 2: renew it"],
    ["shop", "tax", { "percent" => "21" }, "tax is 21 % from here on"],
    ["shop", "imported", ["pellwick-tk4"], "pellwick-tk4"],
    ["order 3", "pick", { "number" => "PW-K220", "quantity" => 2 }, "picked 2 × PW-K220"],
    ["order 3", "hand_over", { "how" => "posted", "to" => "parcel 7", "reason" => "the post goes" }, "posted to parcel 7 unchecked: the post goes"],
    ["order 3", "take_back", { "number" => "A", "quantity" => 1, "because" => "faulty" }, "1 × A came back: it is faulty"],
    ["order 3", "cancel", { "reason" => "rang off", "handed" => "kept" }, "cancelled: rang off; the customer keeps them"],
    ["order 3", "tool_back", { "tool" => "T/1", "name" => "pins", "condition" => "worn" }, "T/1 pins came back, worn"],
    ["order 3, bench", "ticked", { "item" => "open 1.1", "done" => true }, "done: open 1.1"],
    ["order 3, bench", "ticked", { "item" => "open 1.1", "done" => false }, "not done after all: open 1.1"],
    ["order 3, bench", "tightened", { "fastener" => "head_bolts", "turn" => 0, "value" => 21.9, "unit" => "N·m" }, "head bolts, turn 1: 21.9 N·m"],
    ["ticket 5", "said", { "words" => "8 bolts" }, "8 bolts"],
    ["ticket 5", "reopened", { "reason" => "they want it" }, "opened again: they want it"],
    ["ticket 5", "work", { "areas" => ["packings"], "agreed" => true, "pumps" => 2 }, "agreed: packings: 2 pumps"]
  ].freeze

  def words = @words ||= Gimlet::Present::HistoryWords.new(snapshot)
  def told(place, what, detail) = words.call(place: place, what: what, detail: JSON.generate(detail))

  def test_in_words
    TOLD.each { |place, what, detail, sentence| assert_equal sentence, told(place, what, detail), "#{what} of #{place}" }
  end

  def test_what_an_older_version_noted_is_still_told
    assert_equal "order: 3; reason: rang off", told("shop", "cancelled", "order" => 3, "reason" => "rang off")
    assert_equal "a: 1", told("order 3", "unheard_of", "a" => 1)
  end

  def test_long_ones_are_cut
    assert_operator told("ticket 5", "said", "words" => "x" * 999).size, :<=, Gimlet::Present::PlainWords::LONGEST + 2
  end
end
