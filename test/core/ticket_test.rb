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
  def ticket = Ticket::TicketState.of(@entries)
  def values = ticket.readings.map { |reading| [reading[:trait], reading[:value]] }

  def test_nothing_was_said
    assert_equal ["phone", [], false, 1, nil, "N·m", 0],
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
    assert_equal [%w[packings oil_seals], true, 2], [ticket.scope, ticket.agreed, ticket.pumps]
  end

  # What is heard late changes the agreed work, and is named.
  def test_work_that_is_heard_late
    add("work", areas: %w[packings plungers], agreed: true, pumps: 1, positions: { "plungers" => ["cylinder 2"] })
    assert_empty ticket.late
    said("and oil seals, but leave the plungers", { "areas" => %w[oil_seals] }, { "except" => %w[plungers] })
    assert_equal [%w[packings oil_seals], [["oil_seals", true], ["plungers", false]], {}], [ticket.scope, ticket.late, ticket.at]
    add("work", areas: ticket.scope, agreed: true, pumps: 1)
    assert_empty ticket.late
  end

  def test_what_a_line_puts_right_in_the_one_before
    said("8 bolts", count("head_bolts", 8))
    said("sorry, 10", count("head_bolts", 10).merge("strikes" => [[1, 0]]))
    assert_equal [["head_bolts", 10]], values
    assert ticket.lines.first.struck
    assert_equal([["head_bolts", 10]], ticket.before.flat_map(&:readings).map { |fields| fields.values_at(:trait, :value) })
    add("restored", of: 1, item: nil)
    assert_equal [["head_bolts", 8], ["head_bolts", 10]], values
  end

  def test_a_choice_stays_open_until_it_is_picked
    rated = [count("flow_l_min", 15)]
    add("said", words: "15 lpm", heard: { "items" => [], "unheard" => [],
                                          "choices" => [{ "words" => "15 lpm", "options" => [rated, [{ "seen" => "15 lpm" }]] }] })
    assert_empty ticket.readings
    assert_equal([[0, "15 lpm", 2]], ticket.lines.first.choices.map { |open| [open[:choice], open[:words], open[:options].size] })
    add("picked", of: 1, choice: 0, option: 0, items: rated, words: "15 lpm")
    assert_equal [["flow_l_min", 15]], values
    assert_empty ticket.lines.first.choices
  end

  def test_a_line_that_said_nothing_is_taken_back_too
    said("grumbles", unheard: ["grumbles"])
    refute ticket.lines.first.struck
    Ticket::Kinds.of("struck").follow({ "of" => 1, "item" => nil }, ticket)
    add("struck", of: 1, item: nil)
    assert ticket.lines.first.struck
  end

  def test_who_is_named_later_counts
    said("for the goat dairy", { "customer" => 4 })
    assert_equal 4, ticket.customer_id
    add("customer", customer_id: nil)
    assert_nil ticket.customer_id
    said("tideway oysters", { "customer" => 6 })
    assert_equal 6, ticket.customer_id
  end

  # 40 orders become 20, then 3, then 5 again.
  def test_which_line_told_most_and_which_made_it_less_certain
    turns = Ticket::TellingLines.of({ 1 => [40, 20], 3 => [6, 3], 4 => [9, 5] }, 40)
    assert_equal [{ line: 3, before: 20, after: 3 }, [4]], [turns.most.to_h, turns.less]
    assert_nil Ticket::TellingLines.of({ 1 => [40, 40] }, 40).most
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
    before = (1..30).map { |size| Ticket::TicketState.of(kept.take(size)).to_h.except(:lines) }
    said("more", count("cylinders", 3))
    assert_equal(before, (1..30).map { |size| Ticket::TicketState.of(@entries.take(size)).to_h.except(:lines) })
  end

  def test_an_order_is_being_changed_until_it_is_ordered_again_or_given_up
    changing = lambda do |kind, **body|
      add(kind, **body)
      [ticket.changing?, ticket.state, ticket.order_id, ticket.amends]
    end
    said("8 bolts", count("head_bolts", 8))
    refute ticket.changing?
    assert_equal [false, "ordered", 7, nil], changing.call("ordered", order_id: 7)
    assert_equal [true, "open", nil, 7], changing.call("reopened", reason: "two pumps")
    assert_equal [false, "closed", nil, 7], changing.call("closed", reason: "given up")
    assert_equal [false, "ordered", 8, nil], changing.call("ordered", order_id: 8)
  end

  def test_what_was_measured_in_words
    words = ->(what, measure) { Gimlet::Core::Ticket::Kinds::Measured.in_words({ "what" => what, "measure" => measure }) }
    assert_equal "pumps sea water at 60 °C", words.call("service", { "medium" => "sea_water", "temperature_c" => 60 })
    assert_equal "pumps milk", words.call("service", { "medium" => "milk" })
    assert_equal "pumps at 60 °C", words.call("service", { "temperature_c" => 60 })
    assert_equal "bucket: 20 litres in 85 s, nozzle 045", words.call("flow", { "bucket" => { "litres" => 20, "seconds" => 85, "nozzle" => "045" } })
    assert_equal "ring: inner 7, used, in its groove", words.call("seal", { "inner_mm" => 7, "old" => true, "gland" => {}, "tool" => "rule" })
    assert_equal "ring: dash 016", words.call("seal", { "dash" => "016" })
    assert_equal "seal: inner 20", words.call("seal", { "inner_mm" => 20, "kind" => "lip" })
  end
end
