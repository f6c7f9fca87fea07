# frozen_string_literal: true

require_relative "../support/core"

# How a shop writes money and dates. Signs and the order of day and month: common practice, no source.
class WaysTest < Minitest::Test
  include Gimlet::Core

  def ways(**told) = Desk::ShopFormat.of(told.transform_keys(&:to_s))

  def test_money
    assert_equal ["€12.50", "£0.05", "$1234.00", "−€3.00", "NOK 99.00"],
                 [ways.money(1250), ways(currency: "GBP").money(5), ways(currency: "USD").money(123_400), ways.money(-300),
                  ways(currency: "NOK").money(9900)]
  end

  # Beside the figure stands what the shop is paid in, in any of its twelve ways; what can be read in two is not read.
  def test_money_as_it_is_typed
    { "12.50" => 1250, "12,50" => 1250, "£12.50" => 1250, "CHF 12.50" => 1250, "12,50 kr" => 1250, "1 234,50 zł" => 123_450,
      "1,234.50" => 123_450, "A$ 3" => 300,
      "0" => 0, ".5" => 50, "99 Kč" => 9900, "NZ$1.05" => 105 }.each do |typed, cents|
      assert_equal cents, Money.cents(typed, field: "price"), typed
    end
    ["", "a lot", "1.234", "12.505", "-1", "100000", "12..5", "£"].each do |typed|
      assert_equal(%w[price no_amount], assert_raises(InputError, typed) do
        Money.cents(typed, field: "price")
      end.then { |error| [error.field, error.code] })
    end
    assert_equal(%w[0.05 -3.00 99999.99], [5, -300, 9_999_999].map { |cents| Money.plain(cents) })
  end

  def test_every_sum_said_is_read_back
    random = Random.new(Minitest.seed)
    Money::SIGNS.each_key do |currency|
      50.times do
        cents = random.rand(0..Money::MOST_CENTS)
        assert_equal cents, Money.cents(Money.say(cents, currency), field: "price"), "#{currency}, seed #{Minitest.seed}"
      end
    end
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
