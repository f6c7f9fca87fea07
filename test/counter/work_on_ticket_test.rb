# frozen_string_literal: true

require_relative "../support/app"
require_relative "../../lib/gimlet/counter/add_entry"
require_relative "../../lib/gimlet/counter/current_reference"
require_relative "../../lib/gimlet/counter/work_on_ticket"
require_relative "../../lib/gimlet/present/item_texts"
require_relative "../../lib/gimlet/counter/place_order"

# What a ticket's entries lead to, without the web.
class WorkOnTicketTest < Minitest::Test
  include SeededApp

  def reference = @reference ||= Gimlet::Counter::CurrentReference.new(database).current
  def tickets = @tickets ||= Gimlet::Store::Tickets.new(database)
  def customers = @customers ||= Gimlet::Store::Customers.new(database)
  def stock = @stock ||= Gimlet::Store::Stock.new(database)

  def ticket(*entries)
    id = tickets.open("ticket #{entries.hash}")
    adding = Gimlet::Counter::AddEntry.new(reference, tickets, customers)
    entries.each { |kind, body| adding.call(id, entry(kind, **body)) }
    id
  end

  def view(*entries)
    id = ticket(*entries)
    Gimlet::Counter::WorkOnTicket.new(reference, stock.all, customers, Gimlet::Store::Orders.new(database)).call(id, tickets.entries(id))
  end

  def said(words) = ["said", { words: words }]
  def numbers(lines) = lines.map { |line, quantity| [line.number, quantity] }.sort

  # What was told of a piece decides it, also where only what leaks is mended; what was looked at since has the last word; of work that nobody
  # agreed it decides nothing.
  def test_what_was_told_of_a_piece_is_found_on_it
    fate = lambda do |one, slot|
      one.planned.workup.demand.fates.select { |row| row.place.layer.slot == slot }.map { |row| [row.kind, row.finding&.because] }.uniq
    end
    leak = ["extent", { extent: "leak_only" }]
    told = said("plate UX3800, rod seals")
    assert_equal [[:inspect, nil]], fate.call(view(told, leak), "rod_seal")
    oil = said("oil leaks at the plungers")
    assert_equal [[:replace, "they said: oil on the plunger side"]], fate.call(view(told, leak, oil), "rod_seal")
    looked = ["inspected", { slot: "rod_seal", position: nil, outcome: "as_it_is", measured: nil }]
    assert_equal [[:keep, nil]], fate.call(view(told, leak, oil, looked), "rod_seal")
    assert_equal [[:inspect, nil]], fate.call(view(told, leak, said("no oil leaks at the plungers")), "rod_seal")
    packings = view(said("plate PG50L, packings, plunger scored"))
    assert_empty(packings.planned.workup.demand.fates.select { |row| row.finding&.because.to_s.start_with?("they said") })
  end

  def test_nothing_lies_in_the_tray_while_no_order_leads
    one = view(said("three white plungers, brass head, valves"))
    assert_nil one.pump
    assert_nil one.planned
    assert_equal [[], [], 0], [one.tray.certain, one.tray.open, one.tray.price_cents]
    assert_equal ["nothing"], one.readiness.blockers.map(&:id)
  end

  def test_what_all_likely_orders_have_and_what_each_has_besides
    one = view(said("TK4, 20 mm plunger, hex 6, discharge valves and packings"))
    assert_equal "TK4L20 from 31000", one.pump.id
    assert_includes numbers(one.tray.certain), ["PW-K220", 1]
    assert_equal(one.tray.price_cents, one.tray.certain.sum { |line, quantity| line.price_cents * quantity })
    first, second = one.tray.open
    assert_operator first.probability, :>=, second.probability
    assert_empty numbers(first.lines) & numbers(second.lines)
    assert_equal 0, first.wasted_cents, "the leading order wastes nothing when it is right"
    assert_equal first.lines.sum { |line, quantity| line.price_cents * quantity }, second.wasted_cents
  end

  def test_the_tray_of_a_settled_ticket_is_the_plan
    one = view(said("TK4R20, 15 lpm, green, serial 31500, packings, two pumps"))
    assert_empty one.readiness.blockers.map(&:id)
    assert_empty one.tray.open
    assert_equal one.planned.workup.plans.first.price_cents, one.tray.price_cents
    assert_includes numbers(one.tray.certain), ["PW-K220", 2]
  end

  def test_each_line_says_how_far_it_narrowed_the_field
    one = view(said("brass head"), said("TK4"), said("20 mm plunger"), ["struck", { of: 3, item: 0 }])
    pumps = one.steps.transform_values(&:first)
    assert_operator pumps[1], :>, pumps[2]
    assert_operator pumps[2], :>, pumps[3]
    assert_equal pumps[2], pumps[4], "what was struck out is as if it had not been said"
    assert_equal [1, 2, 3, 4], one.steps.keys
  end

  def test_a_pump_taken_by_hand_lacks_what_the_readings_do_not_say
    lead = view(said("TK4, 20 mm plunger, hex 6, discharge valves"))
    assert_includes lead.readiness.blockers.map(&:id), "unsure"
    hand = view(said("TK4, 20 mm plunger, hex 6, discharge valves"), ["pump", { id: "TK4L20 before 31000" }])
    assert_equal "TK4L20 before 31000", hand.pump.id
    assert_includes hand.readiness.blockers.map(&:id), "unsure"
    assert_operator hand.sure, :<, lead.sure
    gone = view(said("TK4, packings"), ["pump", { id: "no such pump" }])
    assert_nil gone.pump
  end

  # A wrench that the customer has is not lent, and is remembered when the order is placed.
  def test_what_the_customer_has_is_used_and_remembered
    known = said("plate TK4R20, serial 31500, 15 lpm, green, packings")
    wrench = ["owns", { has: true, from: 5, to: 30, unit: "N·m" }]
    one = view(["customer", { customer_id: 1 }], known, wrench, ["owns", { tool: "hex 6", has: true }])
    name = "customer's torque wrench 5 to 30 N·m"
    assert_equal([name], one.planned.workup.tools.select { |tool| tool.kind == "torque wrench" }.map(&:name))
    assert_equal [name, "hex 6"], one.ticket.owned.keys.sort
    place(one)
    later = view(["customer", { customer_id: 1 }], known)
    assert_equal [name, "hex 6"], later.ticket.owned.keys.sort
    gone = view(["customer", { customer_id: 1 }], known, ["owns", { tool: "hex 6", has: false }])
    assert_equal [name], gone.ticket.owned.keys
    assert_empty view(known).ticket.owned
  end

  def place(one)
    orders = Gimlet::Store::Orders.new(database)
    work = Gimlet::Counter::WorkOnTicket.new(reference, stock.all, customers, Gimlet::Store::Orders.new(database))
    shop = { tickets: tickets, orders: orders, lives: Gimlet::Store::Lives.new(database), customers: customers, pumps: Gimlet::Store::Pumps.new(database) }
    Gimlet::Counter::PlaceOrder.new(work, database, prices: stock.all, **shop)
                               .call("ticket_id" => one.id, "on" => one.ticket.last, "seen" => Gimlet::Present::TicketView.call(one)[:seen])
  end

  def test_a_pump_that_is_in_no_catalogue_leads_to_no_order
    one = view(said("plate ZZ9931QX, 14 bolts, 5 cylinders, brass head, packings"))
    assert_nil one.pump
    assert_includes one.found.identification.blockers, "not_in_catalogue"
  end

  def test_how_the_customer_was_present_stays_with_what_was_said
    one = view(said("8 bolts"), ["channel", { channel: "counter" }], said("3 plungers"), ["channel", { channel: "photo" }], said("brass head"))
    assert_equal %w[caller counter photo], one.found.readings.map(&:observer)
  end

  # A record is kept as data and read back by later versions: it must survive the way through JSON.
  def test_the_record_of_an_order_reads_back_as_it_was
    one = view(said("TK4R20, 15 lpm, green, loses pressure, discharge valves"), ["inspected", { slot: "support_ring", outcome: "replace" }])
    record = Gimlet::Counter::PlaceOrder.record(one, "he read the serial")
    kept = JSON.parse(JSON.generate(record))
    assert_equal kept, Gimlet::Core::Order::Versions.read(kept)
    assert_equal [2, "Pellwick", "he read the serial", ["loses pressure"], ["support ring, renew it"]],
                 [kept["record"], kept["pump"]["maker"], kept["reason"], kept["work"]["complaints"], kept["work"]["found"]]
    assert_equal(one.planned.workup.demand.lines.map { |line| line.part.number }, kept["why"].map { |line| line["part"] })
    assert(kept["tightening"].all? { |line| line["source"] || line["kind"] == "none" })
    assert_equal one.ticket.last, kept["entry"]
  end

  def test_what_is_said_is_kept_with_what_was_heard_in_it
    id = ticket(said("8 bolts, wobbles"))
    heard = tickets.entries(id).first.body["heard"]
    assert_equal([{ "trait" => "head_bolts", "value" => 8, "heard" => "8 bolts", "observer" => "caller" }],
                 heard["items"].first["readings"].map { |reading| reading.slice("trait", "value", "heard", "observer") })
    assert_equal(["wobbles"], heard["unheard"].map { |one| one["words"] })
  end

  def test_a_trait_that_the_vocabulary_has_no_more_is_shown_in_its_words
    settings = Gimlet::Store::Settings.new(database)
    settings["vocabulary"] =
      "traits: [{id: foot_mark, kind: chosen, name: foot mark, ask: '?', called: [foot mark], values: {A: [anchor]}, seconds: {phone: 9}}]"
    @reference = Gimlet::Counter::CurrentReference.new(database).current
    id = ticket(said("8 bolts, anchor foot mark"))
    settings["vocabulary"] = nil
    later = Gimlet::Counter::CurrentReference.new(database).current
    one = Gimlet::Counter::WorkOnTicket.new(later, stock.all, customers, Gimlet::Store::Orders.new(database)).call(id, tickets.entries(id))
    assert_equal(["head_bolts"], one.found.readings.map(&:trait))
    assert_equal ["anchor foot mark"], Gimlet::Present::ItemTexts.new(later.vocabulary, later.diagnosis).texts(one.ticket.items.last)
  end

  # 400 entries in one ticket: every line keeps its own count, and the last is that of all.
  def test_a_long_call
    id = ticket(said("TK4"))
    200.times { |at| tickets.append(id, kind: "struck", key: "s#{at}", who: "Bo") { { "of" => 1, "item" => 0 } } }
    200.times { |at| tickets.append(id, kind: "restored", key: "r#{at}", who: "Bo") { { "of" => 1, "item" => 0 } } }
    one = Gimlet::Counter::WorkOnTicket.new(reference, stock.all, customers, Gimlet::Store::Orders.new(database)).call(id, tickets.entries(id))
    assert_equal [*1..401], one.steps.keys
    assert_equal one.steps[1], one.steps[401]
    assert_operator one.steps[100].first, :>, one.steps[1].first
  end

  # A call is replayed from its log alone: another vocabulary, heard later, changes nothing that was said.
  def test_a_later_vocabulary_does_not_change_what_was_heard
    id = ticket(said("8 studs"))
    Gimlet::Store::Settings.new(database)[Gimlet::Counter::CurrentReference::VOCABULARY] = "traits: [{id: head_bolts, called: [stud]}]"
    later = Gimlet::Counter::CurrentReference.new(database).current
    one = Gimlet::Counter::WorkOnTicket.new(later, stock.all, customers, Gimlet::Store::Orders.new(database)).call(id, tickets.entries(id))
    assert_empty one.found.readings
    assert_equal(["8 studs"], one.ticket.lines.first.unheard.map { |words| words["words"] })
  end
end
