# frozen_string_literal: true

require "minitest/autorun"
require_relative "../../lib/gimlet/core/order/order"
require_relative "../../lib/gimlet/counter/found_at_bench"

# What goes back from the bench, against what the ticket knows already.
class FoundAtBenchTest < Minitest::Test
  Found = Gimlet::Counter::FoundAtBench
  Entry = Gimlet::Core::Entry

  def order(pumps: 1) = Gimlet::Core::Order.new(id: 7, ticket_id: 3, record: { "work" => { "pumps" => pumps } }, version: 1, versions: [])

  def entries(kind, *bodies)
    bodies.each.with_index(1).map { |body, number| Entry.new(number: number, kind: kind, body: body, at: Time.at(number), who: "Tomos") }
  end

  def finding(slot, outcome, **more)
    { "slot" => slot, "outcome" => outcome, "name" => slot.tr("_", " "), "position" => nil, **more.transform_keys(&:to_s) }
  end

  def found(bench, ticket: [], **others)
    said = Entry.new(number: 1, kind: "said", body: { "words" => "packings" }, at: Time.at(0), who: "Ines")
    Found.new(order(**others), entries("found", *bench), [said, *entries("inspected", *ticket).map { |one| one.with(number: one.number + 1) }])
  end

  def test_it_is_told_in_words
    told = found([finding("plunger", "replace", position: "cylinder 2")]).findings
    assert_equal(["plunger, cylinder 2: renew it"], told.map { |one| one[:text] })
    assert_equal([["Tomos", false, 1]], told.map { |one| one.values_at(:who, :taken, :pump) })
  end

  # Looked at again, the last word on a piece counts.
  def test_the_last_word_counts
    one = found([finding("plunger", "clean", position: "cylinder 2"), finding("plunger", "replace", position: "cylinder 2"),
                 finding("guide", "clean")])
    assert_equal([["plunger", "cylinder 2", "replace"], ["guide", nil, "clean"]], one.waiting.map do |body|
      body.values_at("slot", "position", "outcome")
    end)
  end

  # What the ticket knows already waits no more; when the bench says otherwise later, it waits again.
  def test_what_the_ticket_has_does_not_wait
    bench = [finding("plunger", "replace", position: "cylinder 2")]
    known = { "slot" => "plunger", "position" => "cylinder 2", "outcome" => "replace" }
    taken = found(bench, ticket: [known])
    assert_empty taken.waiting
    assert taken.findings.first[:taken]
    other = found(bench, ticket: [known.merge("outcome" => "clean")])
    assert_equal 1, other.waiting.size
    elsewhere = found(bench, ticket: [known.merge("position" => "cylinder 1")])
    assert_equal 1, elsewhere.waiting.size
  end

  # The ticket as it would be has one entry more for each, numbered on, and is not changed itself.
  def test_the_ticket_with_them
    one = found([finding("plunger", "replace"), finding("guide", "clean")], ticket: [{ "slot" => "seal", "outcome" => "replace" }])
    assert_equal %w[said inspected inspected inspected], one.with_them.map(&:kind)
    assert_equal [1, 2, 3, 4], one.with_them.map(&:number)
    assert_equal [{ "slot" => "plunger", "position" => nil, "outcome" => "replace" }, { "slot" => "guide", "position" => nil, "outcome" => "clean" }],
                 one.with_them.last(2).map(&:body)
  end

  def test_the_reason_names_what_was_found_and_is_no_longer_than_a_reason_may_be
    assert_equal "found at the bench: plunger: renew it", found([finding("plunger", "replace")]).reason
    many = Array.new(40) { |at| finding("piece_#{at}", "replace") }
    assert_equal 400, found(many).reason.size
  end

  # The same piece on two pumps of an order is said of each, and once to the ticket, which counts for all of them: that is told.
  def test_several_pumps
    two = found([finding("plunger", "replace"), finding("plunger", "replace", pump: 2)], pumps: 2)
    assert_equal(["plunger, pump 1: renew it", "plunger, pump 2: renew it"], two.findings.map { |one| one[:text] })
    assert_equal 1, two.waiting.size
    assert_match(/all 2 pumps/, two.note)
    assert_nil found([finding("plunger", "replace")]).note
    assert_nil found([], pumps: 2).note
  end
end
