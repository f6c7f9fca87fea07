# frozen_string_literal: true

require_relative "../support/core"

# What was taken, by hand. Wednesday 2 December 2026 is today; its week began on Monday the 30th.
class TakingsTest < Minitest::Test
  Takings = Gimlet::Core::Desk::Takings
  TODAY = Date.new(2026, 12, 2)

  def sale(day, order, number, units, price_cents, **more)
    Takings::Sale.new(on: day, order_id: order, number: number, name: "#{number} ring", units: units, price_cents: price_cents, discount: "0", **more)
  end

  # 3 × 10.00 less 10 % = 27.00, of which 3 × 6.00 were paid: 9.00 are left. 1 × 4.00 has no cost on file.
  def test_a_week_adds_up
    week = Takings.new([sale(TODAY, 7, "A-1", 3, 1000, discount: "10", cost_cents: 600), sale(TODAY - 2, 8, "B-2", 1, 400)], today: TODAY).weeks.last
    assert_equal [Date.new(2026, 11, 30), 2, 3100, 900, 2700], week.to_h.values
    twice = Takings.new([sale(TODAY, 7, "A-1", 1, 1000), sale(TODAY, 7, "B-2", 1, 400)], today: TODAY).weeks.last
    assert_equal 1, twice.orders, "an order counts once"
  end

  def test_a_week_begins_on_monday
    weeks = Takings.new([sale(Date.new(2026, 11, 29), 7, "A-1", 1, 1000), sale(Date.new(2026, 11, 30), 8, "A-1", 1, 200)], today: TODAY).weeks
    assert_equal [0, 1000, 200], weeks.last(3).map(&:cents)
    assert_equal [13, Date.new(2026, 9, 7)], [weeks.size, weeks.first.from]
    assert_equal Date.new(2026, 11, 30), Takings.new([], today: Date.new(2026, 12, 6)).weeks.last.from, "Sunday is of the week before it"
  end

  def test_what_brought_most_comes_first
    sales = [sale(TODAY, 7, "A-1", 9, 100), sale(TODAY, 7, "B-2", 1, 500), sale(TODAY, 8, "B-2", 1, 500)]
    best = Takings.new(sales + Array.new(9) { |at| sale(TODAY, 9, "C-#{at}", 1, 1) }, today: TODAY).best
    assert_equal([["B-2", 2, 1000], ["A-1", 9, 900]], best.first(2).map { |one| [one.number, one.units, one.cents] })
    assert_equal 8, best.size
  end
end
