# frozen_string_literal: true

require_relative "../support/app"

class TicketsAndOrdersTest < Minitest::Test
  include SeededApp

  def tickets = @tickets ||= Gimlet::Store::Tickets.new(database)
  def orders = @orders ||= Gimlet::Store::Orders.new(database)

  def test_a_ticket_survives_a_restart
    id = tickets.create(state(draft: "8 bol"))[:id]
    path = database.opts[:database]
    reopened = Gimlet::Store.connect(path)
    assert_equal "8 bol", Gimlet::Store::Tickets.new(reopened).find(id)[:state]["draft"]
  ensure
    reopened&.disconnect
  end

  def test_two_saves_at_once_let_one_through
    ticket = tickets.create(state)
    tickets.update(ticket[:id], version: 1, state: state(draft: "one"))
    assert_raises(Gimlet::Store::Tickets::Stale) { tickets.update(ticket[:id], version: 1, state: state(draft: "two")) }
    assert_equal(["one", 2], tickets.find(ticket[:id]).then { |one| [one[:state]["draft"], one[:version]] })
  end

  def test_many_saves_of_one_ticket_make_one_order
    id = tickets.create(state)[:id]
    results = Array.new(6) do
      Thread.new { orders.create(ticket_id: id, customer_id: nil, catalogue_version: "v", document: { "plan" => {} }) }
    end.map(&:value)
    assert_equal 1, results.map { |order, _| order[:id] }.uniq.size
    assert_equal(1, results.count { |_, fresh| fresh })
    assert_equal 1, database[:orders].count
    assert_empty tickets.open
  end

  def test_seeding_again_keeps_tickets_and_customers
    id = tickets.create(state)[:id]
    customers = database[:customers].count
    Gimlet::Command.new(database, out: StringIO.new).seed
    assert tickets.find(id)
    assert_equal customers, database[:customers].count
  end
end
