# frozen_string_literal: true

require_relative "../support/app"

class TicketsAndOrdersTest < Minitest::Test
  include SeededApp

  def tickets = @tickets ||= Gimlet::Store::Tickets.new(database)

  def add(id, key, kind: "channel", body: { "channel" => "phone" })
    tickets.append(id, kind: kind, key: key, who: "Ada") { body }
  end

  def test_a_ticket_survives_a_restart
    id = tickets.open("k")
    add(id, "a")
    reopened = Gimlet::Store.connect(database.opts[:database])
    assert_equal([[1, "channel", { "channel" => "phone" }, "Ada"]], Gimlet::Store::Tickets.new(reopened).entries(id).map do |entry|
      [entry.number, entry.kind, entry.body, entry.who]
    end)
  ensure
    reopened&.disconnect
  end

  # What is said on one ticket is no other ticket's, however it is listed and looked for.
  def test_each_ticket_is_listed_by_its_own_words
    one, other = tickets.open("k"), tickets.open("l")
    was = database[:tickets].where(id: other).first
    add(one, "a", kind: "said", body: { "words" => "Eight BOLTS" })
    add(one, "b", kind: "closed", body: { "reason" => "rang off" })
    assert_equal was, database[:tickets].where(id: other).first
    assert_equal [[one], [other]], [tickets.in_state("closed"), tickets.in_state("open")]
    found = tickets.page("any", "bolts", 1)
    assert_equal([[one, "closed", 2, "Eight BOLTS"]], found.rows.map { |row| row.values_at(:id, :state, :entries, :words) })
    assert_equal [1, 0, 2], [tickets.page("closed", nil, 1).total, tickets.page("open", "bolts", 1).total, tickets.page("any", nil, 1).total]
  end

  def test_the_same_key_counts_once
    assert_equal tickets.open("k"), tickets.open("k")
    id = tickets.open("k")
    assert_equal([[1], [1]], Array.new(2) { add(id, "a").map(&:number) })
    assert_equal 1, tickets.last(id)
  end

  def test_two_windows_lose_and_double_nothing
    id = tickets.open("k")
    threads = %w[left right].map do |window|
      Thread.new { 200.times { |at| add(id, "#{window} #{at}", body: { "channel" => "phone", "from" => window, "at" => at }) } }
    end
    threads.each(&:join)
    entries = tickets.entries(id)
    assert_equal [*1..400], entries.map(&:number)
    %w[left right].each do |window|
      assert_equal([*0..199], entries.select do |entry|
        entry.body["from"] == window
      end.map { |entry| entry.body["at"] })
    end
  end

  def test_what_is_refused_leaves_nothing
    id = tickets.open("k")
    assert_raises(Gimlet::Core::InputError) do
      tickets.append(id, kind: "channel", key: "a", who: "Ada") { Gimlet::Core::InputError.reject("x", "x", "No.") }
    end
    assert_equal 0, tickets.last(id)
    assert add(id, "a"), "its key is free again"
  end

  def test_seeding_again_keeps_tickets_and_customers
    id = tickets.open("k")
    customers = database[:customers].count
    Gimlet::Demo.seed(database)
    assert tickets.known?(id)
    assert_equal customers, database[:customers].count
  end

  # A database of the version before: what its tickets held as one state becomes entries, and its order is read.
  def test_older_tickets_and_orders_are_read
    Dir.mktmpdir do |folder|
      old = Sequel.connect(adapter: "sqlite", database: "#{folder}/old.sqlite3")
      Gimlet::Store::Schema.migrate(old, target: 3)
      state = { channel: "counter", customer_id: nil, readings: [{ reading: { trait: "head_bolts", value: 8 }, struck: false },
                                                                 { reading: { trait: "cylinders", value: 2 }, struck: true }],
                draft: "", scope: ["packings"], scope_agreed: true, model: nil, serial: nil, pumps: 2, policy: "cheapest", units: "lbf·ft",
                findings: ["support_ring"] }
      old[:tickets].insert(state: JSON.generate(state), created_at: Time.now, updated_at: Time.now)
      old.disconnect
      new = Gimlet::Store.connect("#{folder}/old.sqlite3")
      ticket = Gimlet::Core::Ticket::TicketState.of(Gimlet::Store::Tickets.new(new).entries(1))
      assert_equal [[["head_bolts", 8]], ["packings"], true, 2, "cheapest", "lbf·ft", [{ slot: "support_ring", outcome: "replace" }], "counter"],
                   [ticket.readings.map do |reading|
                     reading.values_at(:trait, :value)
                   end, *ticket.to_h.values_at(:scope, :agreed, :pumps, :policy, :unit,
                                               :findings, :channel)]
      new.disconnect
    end
  end
end
