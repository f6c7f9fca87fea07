# frozen_string_literal: true

require_relative "../support/app"

# The ledger against a model of its own: whatever is booked, the sums are those that a clerk with a notebook would have.
class LedgerTest < Minitest::Test
  include SeededApp

  Movement = Gimlet::Core::Desk::Movement
  Order = Gimlet::Core::Order
  NUMBERS = %w[PW-K220 PW-4141 PW-4240].freeze

  def lives = @lives ||= Gimlet::Store::Lives.new(database)
  def ledger = lives.ledger
  def stock(number) = database[:stock].where(number: number).first
  def received(number, quantity) = lives.book([Movement.new(kind: "received", number: number, quantity: quantity)], who: "Adela")

  # @return [Integer] an order of so many of each number
  def order(wanted)
    ticket = Gimlet::Store::Tickets.new(database).open("ticket #{database[:tickets].count}")
    id = database[:orders].insert(ticket_id: ticket, catalogue_version: "x", document: "{}", created_at: Time.now, stage: "quoted", state: "quoted",
                                  revision: 0)
    goods = wanted.map { |number, count| Order::Goods.good(number, number, count, 100, 1, 0) }
    lives.take(id, Order::Steps::Place.call({}, lives.of(id)), kind: "place", key: "place", who: "Ines", goods: goods)
    id
  end

  def step(id, kind, **body)
    @key = (@key || 0) + 1
    step = Order::Steps.check(kind, lives.of(id))
    lives.take(id, step.call(body.transform_keys(&:to_s), lives.of(id)), kind: kind, key: "k#{@key}", who: "Ines")
  end

  def test_the_oldest_order_is_served_first
    database[:stock].where(number: "PW-K220").get(:on_hand).then { |here| assert_equal 3, here }
    first, second, third = order("PW-K220" => 2), order("PW-K220" => 2), order("PW-K220" => 1)
    assert_equal([2, 1, 0], [first, second, third].map { |id| lives.of(id).good("PW-K220").reserved })
    assert_equal(%w[ordered waiting waiting], [first, second, third].map { |id| lives.of(id).state })
    received("PW-K220", 1)
    assert_equal %w[ordered ordered waiting], database[:orders].order(:id).select_map(:state)
    step(first, "cancel", reason: "rang off")
    assert_equal %w[cancelled ordered ordered], database[:orders].order(:id).select_map(:state), "what is free again goes to who waits"
    lives.book([Movement.new(kind: "scrapped", number: "PW-K220", quantity: 2, why: "wet")], who: "Adela")
    assert_equal %w[cancelled ordered waiting], database[:orders].order(:id).select_map(:state), "the youngest loses its promise"
  end

  def test_an_amended_order_keeps_its_place
    first, second = order({ "PW-K220" => 3 }), order({ "PW-K220" => 2 })
    amend = Order::Steps::Amend.call({ "reason" => "more", "wanted" => { "PW-K220" => 4 } }, lives.of(first))
    lives.take(first, amend, kind: "amend", key: "amend", who: "Ines", goods: [Order::Goods.good("PW-K220", "kit", 4, 100, 1, 0)])
    received("PW-K220", 1)
    assert_equal([4, 0], [first, second].map { |id| lives.of(id).good("PW-K220").reserved })
    step(first, "cancel", reason: "rang off")
    assert_equal 2, lives.of(second).good("PW-K220").reserved
  end

  def test_what_leaves_the_shelf_otherwise_is_only_what_lies_there
    order("PW-K220" => 2)
    before = database[:movements].count
    { ["scrapped", 4] => "not_there", ["into_kit", 2] => "promised", ["kit_opened", 3] => "promised" }.each do |(kind, count), code|
      error = assert_raises(Gimlet::Core::InputError, kind) { lives.book([Movement.new(kind: kind, number: "PW-K220", quantity: count)], who: "x") }
      assert_equal code, error.code
    end
    error = assert_raises(Gimlet::Core::InputError) { lives.book([Movement.new(kind: "received", number: "XX", quantity: 1)], who: "x") }
    assert_equal "no_price", error.code
    assert_equal before, database[:movements].count
  end

  # A batch is booked whole or not at all.
  def test_all_or_nothing
    batch = [Movement.new(kind: "received", number: "PW-4141", quantity: 5), Movement.new(kind: "scrapped", number: "PW-K220", quantity: 9)]
    was = NUMBERS.map { |number| stock(number) }
    assert_raises(Gimlet::Core::InputError) { lives.book(batch, who: "x") }
    assert_equal(was, NUMBERS.map { |number| stock(number) })
  end

  def test_the_database_itself_refuses_what_cannot_be
    id = order("PW-K220" => 1)
    { { kind: "picked", on_hand: -9 } => "on the shelf", { kind: "reserved", reserved: 9 } => "promised",
      { kind: "picked", bagged: -1 } => "in bags" }.each_key do |row|
      assert_raises(Sequel::DatabaseError, row.inspect) do
        database[:movements].insert(at: Time.now, who: "x", number: "PW-K220", quantity: 1, order_id: id, **row)
      end
    end
    assert_raises(Sequel::CheckConstraintViolation) do
      database[:movements].insert(at: Time.now, who: "x", number: "PW-K220", quantity: 1, order_id: id, kind: "checked", checked: 1)
    end
    assert_empty ledger.wrong_sums
  end

  def test_sums_that_were_altered_by_hand_are_found
    database[:stock].where(number: "PW-4141").update(on_hand: Sequel[:on_hand] + 1)
    assert_equal ["PW-4141"], ledger.wrong_sums
  end

  # Five hundred random steps of clerks; a notebook of plain counts beside them.
  def test_a_notebook_agrees
    random = Random.new(Minitest.seed)
    shelf = NUMBERS.to_h { |number| [number, stock(number)[:on_hand]] }
    bags = Hash.new(0)
    orders = []
    500.times do
      act(random, shelf, bags, orders)
      NUMBERS.each do |number|
        row = stock(number)
        assert_equal [shelf[number], bags[number]], row.values_at(:on_hand, :bagged), "seed #{Minitest.seed}"
        assert_includes 0..row[:on_hand], row[:reserved]
      end
    end
    assert_empty ledger.wrong_sums
    told = database[:goods].group_and_count(:number).select_append { sum(reserved).as(:reserved) }.as_hash(:number, :reserved)
    NUMBERS.each { |number| assert_equal told.fetch(number, 0), stock(number)[:reserved], "nothing is promised twice" }
    waits = database[:orders].where(state: "waiting").select_map(:id)
    NUMBERS.each do |number|
      free = stock(number)[:on_hand] - stock(number)[:reserved]
      assert free.zero? || waits.none? { |id| lives.of(id).good(number)&.short.to_i.positive? }, "nothing lies free while an order waits for it"
    end
  end

  def act(random, shelf, bags, orders)
    number = NUMBERS.sample(random: random)
    case random.rand(8)
    when 0 then orders << order(NUMBERS.sample(random.rand(1..3), random: random).to_h { |one| [one, random.rand(1..3)] })
    when 1 then received(number, 2).then { shelf[number] += 2 }
    when 2 then lives.book([Movement.new(kind: "scrapped", number: number, quantity: 1)], who: "x").then { shelf[number] -= 1 }
    else life(random, number, shelf, bags, orders)
    end
  rescue Gimlet::Core::InputError
    nil
  end

  # One step of some order's life, and what a clerk would write down.
  def life(random, number, shelf, bags, orders)
    id = orders.sample(random: random) or return
    was = lives.of(id)
    kind = %w[pick check put_back hand_over take_back cancel].sample(random: random)
    step(id, kind, number: number, quantity: 1, how: "fetched", to: "Per", reason: "in a hurry", because: "unused", to_shelf: true, handed: "shelf")
    case kind
    when "pick" then [shelf[number] -= 1, bags[number] += 1]
    when "put_back" then [shelf[number] += 1, bags[number] -= 1]
    when "hand_over" then was.goods.each { |good| bags[good.number] -= good.bagged }
    when "take_back" then shelf[number] += 1
    when "cancel" then was.goods.each { |good| [shelf[good.number] += good.bagged + good.out, bags[good.number] -= good.bagged] }
    end
  end

  # A shop from before the ledger: what lay there is its first movement, orders are closed, pumps have files.
  def test_a_shop_from_before_is_brought_over
    folder = Dir.mktmpdir
    old = Sequel.connect(adapter: "sqlite", database: "#{folder}/old.sqlite3", foreign_keys: false)
    Gimlet::Store::Schema.migrate(old, target: 12)
    old[:stock].multi_insert([{ number: "A-1", price_cents: 500, on_hand: 4, pack: 1 }, { number: "B-2", price_cents: 90, on_hand: 0, pack: 3 }])
    customer = old[:customers].insert(name: "Old Quay", place: "here")
    old[:customer_pumps].insert(customer_id: customer, designation: "TK4R20")
    ticket = old[:tickets].insert(key: "a", created_at: Time.now, updated_at: Time.now)
    record = File.read(File.expand_path("order_record_2.json", __dir__))
    old[:orders].insert(ticket_id: ticket, customer_id: customer, catalogue_version: "x", document: record, created_at: Time.utc(2026, 5, 1))
    Gimlet::Store::Schema.migrate(old)
    assert_equal [["A-1", 4, 500, 1], ["B-2", 0, 90, 3]], old[:stock].order(:number).select_map(%i[number on_hand price_cents pack])
    assert_equal [["counted", "A-1", 4, "lay here before the ledger"]], old[:movements].select_map(%i[kind number quantity why])
    assert_empty Gimlet::Store::Ledger.new(old).wrong_sums
    assert_equal [["TK4R20", customer]], old[:pumps].select_map(%i[designation customer_id])
    assert_equal [["closed", "closed", "Old Quay"]], old[:orders].select_map(%i[stage state billed_to])
    assert Gimlet::Store::Schema.whole?(old)
  ensure
    old&.disconnect
    FileUtils.rm_rf(folder)
  end
end
