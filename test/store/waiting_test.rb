# frozen_string_literal: true

require_relative "../support/app"

# Who waits for what, and what went over the counter: at the edges, from rows as they stand.
class WaitingTest < Minitest::Test
  include SeededApp

  Store = Gimlet::Store
  NUMBER = "DB 7815"
  NOW = Time.utc(2026, 12, 1, 9)

  # @param minute [Integer] of its turn
  def order(minute, stage: "open", number: NUMBER, **sums)
    ticket = database[:tickets].insert(created_at: NOW, updated_at: NOW)
    id = database[:orders].insert(ticket_id: ticket, catalogue_version: "x", document: "{}", created_at: NOW, stage: stage,
                                  state: stage, ordered_at: NOW + (minute * 60))
    database[:goods].insert(order_id: id, number: number, name: "seal", wanted: 3, price_cents: 100, **sums)
    id
  end

  def ahead(id) = Store::Lives.new(database).ahead(id)

  # Ahead is who has waited longer for the same number and still lacks a piece: in the bag, out of the house and kept for it are not lacking.
  def test_who_is_ahead
    first = order(1, reserved: 1, bagged: 1)
    order(2, reserved: 1, bagged: 1, handed: 1)
    order(3, reserved: 3)
    order(4, stage: "quoted")
    order(5, number: "DB 7871")
    mine = order(6)
    order(7)
    assert_equal [first], ahead(mine)
    assert_empty ahead(first)
    database[:goods].where(order_id: mine).update(reserved: 3)
    assert_empty ahead(mine), "it waits for nothing itself"
  end

  def test_what_orders_wait_for
    early, same, late = order(1, reserved: 1), order(2, bagged: 2), order(2, handed: 1)
    order(3, stage: "quoted")
    order(4, reserved: 3)
    stock = Store::Stock.new(database)
    assert_equal({ NUMBER => 2 + 1 + 2 }, stock.waiting)
    before = [early, same, late].map { |id| stock.waiting(before: id)[NUMBER] }
    assert_equal [nil, 2, 3], before, "of one moment the one with the lower number is first"
  end

  def moved(ago, kind, **sums)
    row = { at: Store::Clock.now - (ago * 86_400), who: "Ines", kind: kind, number: NUMBER, quantity: 1, order_id: nil }
    database[:movements].insert(**row, **sums)
  end

  def test_what_was_sold_within_so_many_days
    sales = Gimlet::Core::Desk::Movements::SALES
    out = sales.find { |kind| Gimlet::Core::Desk::Movements::KINDS[kind].key?(:handed) }
    moved(9.9, out, handed: 4)
    moved(10.1, out, handed: 8)
    moved(1, out, returned: 1)
    moved(1, (Gimlet::Core::Desk::Movements::KINDS.keys - sales).first, handed: 16)
    sold = ->(days) { Store::Stock.new(database).sold(days)[NUMBER] }
    assert_equal [3, 11, nil], [sold.call(10), sold.call(11), sold.call(0)]
    moved(1, out, returned: 3)
    assert_nil sold.call(10), "all came back"
  end
end
