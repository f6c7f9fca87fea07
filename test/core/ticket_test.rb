# frozen_string_literal: true

require_relative "../support/core"

class TicketTest < Minitest::Test
  Ticket = Gimlet::Core::Ticket

  def setup = @entries = []

  def add(kind, **body)
    plain = body.transform_keys(&:to_s)
    @entries << Gimlet::Core::Entry.new(number: @entries.size + 1, kind: kind, body: plain, at: Time.at(0), who: "Ada")
  end

  def said(words, *items, unheard: [])
    add("said", words: words, heard: { "items" => items, "unheard" => unheard.map { |one| { "words" => one, "note" => nil } } })
  end

  def count(trait, value) = { "readings" => [{ "trait" => trait, "value" => value }], "from" => 0, "to" => 3 }
  def ticket = Ticket::Folded.of(@entries)
  def values = ticket.readings.map { |reading| [reading[:trait], reading[:value]] }

  def test_nothing_was_said
    assert_equal ["phone", [], false, 1, "on_shelf", "N·m", 0],
                 ticket.to_h.values_at(:channel, :scope, :agreed, :pumps, :policy, :unit, :last)
  end

  def test_striking_out_and_bringing_back_are_entries_too
    said("8 bolts, 3 plungers", count("head_bolts", 8), count("cylinders", 3))
    add("struck", of: 1, item: 0)
    assert_equal [["cylinders", 3]], values
    add("restored", of: 1, item: 0)
    assert_equal [["head_bolts", 8], ["cylinders", 3]], values
    add("struck", of: 1, item: nil)
    assert_empty values
    add("restored", of: 1, item: 1)
    assert_equal [["head_bolts", 8], ["cylinders", 3]], values
    assert_equal 5, ticket.last
    assert_equal 5, ticket.lines.size
  end

  def test_what_was_answered_not_known_and_taken_up
    add("answered", reading: { "trait" => "sight_glass", "value" => "side" }, label: "side")
    add("not_sure", trait: "maker")
    said("grumbles", unheard: ["grumbles"])
    add("taken_up", of: 3, words: "grumbles", complaint: "other")
    assert_equal [%w[sight_glass side], ["maker", nil]], values
    assert_equal ["other"], ticket.complaints
    assert_empty ticket.lines[2].unheard
  end

  def test_work_grows_until_it_is_agreed
    said("valves", { "areas" => %w[inlet_valves] })
    said("packings", { "areas" => %w[packings] })
    assert_equal [%w[inlet_valves packings], false], [ticket.scope, ticket.agreed]
    add("work", areas: %w[packings], agreed: false, pumps: 1)
    said("plungers", { "areas" => %w[plungers] })
    assert_equal %w[packings plungers], ticket.scope
    add("work", areas: %w[packings], agreed: true, pumps: 2)
    said("oil seals", { "areas" => %w[oil_seals] })
    assert_equal [%w[packings], true, 2], [ticket.scope, ticket.agreed, ticket.pumps]
  end

  def test_the_later_of_what_was_heard_and_set_counts
    said("two pumps, torque in foot pounds", { "pumps" => 2 }, { "unit" => "lbf·ft" })
    assert_equal [2, "lbf·ft"], [ticket.pumps, ticket.unit]
    add("unit", unit: "N·m")
    add("work", areas: [], agreed: false, pumps: 4)
    assert_equal [4, "N·m"], [ticket.pumps, ticket.unit]
    said("three pumps", { "pumps" => 3 })
    assert_equal 3, ticket.pumps
  end

  def test_doubts_findings_and_choices_can_be_taken_back
    add("settled", doubt: "cylinders 2", reason: "he counted twice")
    add("inspected", slot: "support_ring", outcome: "replace")
    add("pump", id: "TK4L20 from 31000")
    assert_equal [{ "cylinders 2" => "he counted twice" }, [{ slot: "support_ring", outcome: "replace" }], "TK4L20 from 31000"],
                 [ticket.settled, ticket.findings, ticket.chosen]
    add("settled", doubt: "cylinders 2", reason: nil)
    add("inspected", slot: "support_ring", outcome: nil)
    add("pump", id: nil)
    assert_equal [{}, [], nil], [ticket.settled, ticket.findings, ticket.chosen]
  end

  # A call can be replayed: what a prefix of the log says never changes when more is added.
  def test_a_prefix_stays_what_it_was
    random = Random.new(Minitest.seed)
    30.times do
      case random.rand(4)
      when 0 then said("8 bolts", count("head_bolts", random.rand(1..12)))
      when 1 then add("channel", channel: %w[phone counter].sample(random: random))
      when 2 then add("struck", of: random.rand(1..[@entries.size, 1].max), item: 0)
      else add("not_sure", trait: "maker")
      end
    end
    kept = @entries.dup
    before = (1..30).map { |size| Ticket::Folded.of(kept.take(size)).to_h.except(:lines) }
    said("more", count("cylinders", 3))
    assert_equal(before, (1..30).map { |size| Ticket::Folded.of(@entries.take(size)).to_h.except(:lines) })
  end
end
