# frozen_string_literal: true

require_relative "../support/app"

# What an owner looks at, at the edges of its weeks.
class FiguresTest < Minitest::Test
  include SeededApp

  Figures = Gimlet::Store::Figures
  TODAY = Date.new(2026, 12, 1)

  def figures = Figures.new(database, today: TODAY)
  def noon(days_ago) = (TODAY - days_ago).then { |day| Time.new(day.year, day.month, day.day, 12).utc }

  def placed(days_ago, reason)
    body = JSON.generate({ reason: reason }.compact)
    order = database[:orders].insert(ticket_id: call(days_ago), created_at: noon(days_ago), **needed(:orders))
    database[:order_steps].insert(order_id: order, number: 1, kind: "place", key: "k#{order}", body: body, at: noon(days_ago), who: "Ines")
  end

  # Whatever a table asks for beside what is told.
  def needed(table)
    database.schema(table).reject { |name, column| %i[id ticket_id created_at].include?(name) || column[:allow_null] || column[:default] }
            .to_h { |name, column| [name, column[:type] == :integer ? 1 : "{}"] }
  end

  def call(days_ago) = database[:tickets].insert(created_at: noon(days_ago), updated_at: noon(days_ago))

  def test_the_first_day_counts_and_the_one_before_does_not
    [0, Figures::DAYS - 1, Figures::DAYS].each { |ago| call(ago) }
    days = figures.days
    assert_equal [Figures::DAYS, "2026-11-11", "2026-12-01"], [days.size, days.first[:day], days.last[:day]]
    assert_equal [1, 1, 2], [days.first[:calls], days.last[:calls], days.sum { |day| day[:calls] }]
  end

  def test_orders_that_needed_a_reason_and_those_that_did_not
    [[0, nil], [Figures::DAYS - 1, "unsure of the serial"], [Figures::DAYS, "too long ago"]].each { |ago, reason| placed(ago, reason) }
    assert_equal({ sure: 1, unsure: 1 }, figures.sureness)
  end
end
