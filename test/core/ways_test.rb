# frozen_string_literal: true

require_relative "../support/core"

# How a shop writes money and dates. Signs and the order of day and month: common practice, no source.
class WaysTest < Minitest::Test
  include Gimlet::Core

  def ways(**told) = Desk::Ways.of(told.transform_keys(&:to_s))

  def test_money
    assert_equal ["€12.50", "£0.05", "$1234.00", "−€3.00", "NOK 99.00"],
                 [ways.money(1250), ways(currency: "GBP").money(5), ways(currency: "USD").money(123_400), ways.money(-300),
                  ways(currency: "NOK").money(9900)]
  end

  def test_dates
    day = Date.new(2026, 3, 2)
    assert_equal(["2 March 2026", "March 2, 2026", "2026-03-02"], %w[day_first month_first iso].map { |order| ways(dates: order).date(day) })
  end

  def test_what_is_not_on_the_list_is_refused_by_its_field
    error = assert_raises(InputError) { ways(paper: "A9") }
    assert_equal %w[paper unknown_choice], [error.field, error.code]
  end

  # Commas and points as hands of both habits type them; what can be read in two ways is asked.
  def test_figures_with_comma_or_point
    { "6,6 N·m" => 6.6, "6.6 N·m" => 6.6, ",5 mm" => 0.5, "1.234,5 psi" => 1234.5, "1,234.5 psi" => 1234.5,
      "1 3/16 in" => 1.1875 }.each do |text, value|
      assert_in_delta value, Quantity.parse(text).value.to_f, 1e-9, text
    end
    error = assert_raises(InputError) { Quantity.parse("3,000 psi", field: "pressure") }
    assert_equal %w[pressure two_ways], [error.field, error.code]
    assert_match(/type 3000, or 3.000/, error.message)
  end
end
