# frozen_string_literal: true

require_relative "../support/core"

# When what is not on the shelf comes, and how often such a day is kept. Wednesday 2 December 2026 is today.
class ArrivalsTest < Minitest::Test
  Desk = Gimlet::Core::Desk
  Purchase = Desk::Arrivals::Purchase
  Kept = Desk::Arrivals::Kept
  TODAY = Date.new(2026, 12, 2)
  EVERY_DAY = Desk::ShopFormat.of("open_days" => Desk::ShopFormat::DAYS)
  # Nine deliveries: by hand, seven days or fewer were enough for 8 of 10 that are seen or may come, nine for 9 of 10.
  NINE = [3, 4, 4, 5, 5, 6, 7, 7, 9].map { |days| Kept.new(took: days, late: days - 5) }.freeze

  def arrivals(format: EVERY_DAY, **told)
    Desk::Arrivals.new(today: TODAY, format: format) { Desk::Arrivals::Known.new(purchases: [], kept: NINE, waiting: {}, **told) }
  end

  def told(arrival) = arrival && [arrival.on.day, arrival.sure]

  def test_what_is_bought_today_comes_as_the_last_ones_did
    assert_equal [11, Rational(9, 10)], told(arrivals.of("A-1", 1))
    assert_equal "Friday 11 December, 9 in 10", arrivals.said("A-1", 1)
    assert_nil arrivals.of("A-1", 0), "nothing is short"
    assert_nil arrivals(kept: []).of("A-1", 1), "nobody knows"
    assert_equal [5, Rational(1, 2)], told(arrivals(kept: NINE.first(1)).of("A-1", 1)), "one delivery tells little, and says so"
  end

  def test_what_is_under_way_comes_with_its_purchase_and_as_late_as_they_were
    sent = Purchase.new(at: TODAY - 2, expected: TODAY + 3, lines: { "A-1" => 2 })
    later = Purchase.new(at: TODAY, expected: TODAY + 10, lines: { "A-1" => 5 })
    bought = arrivals(purchases: [sent, later])
    assert_equal [9, Rational(9, 10)], told(bought.of("A-1", 2)), "four days late at the most, nine times of ten"
    assert_equal 16, bought.of("A-1", 3).on.day, "two come with the first, the third with the next"
    assert_equal 9, arrivals(purchases: [sent], waiting: { "A-1" => 1 }).of("A-1", 1).on.day
    assert_equal 11, arrivals(purchases: [sent], waiting: { "A-1" => 1 }).of("A-1", 2).on.day, "one of the two is somebody else's"
  end

  def test_without_a_day_of_its_own_a_purchase_takes_as_long_as_others
    assert_equal [9, Rational(9, 10)], told(arrivals(purchases: [Purchase.new(at: TODAY - 2, lines: { "A-1" => 1 })]).of("A-1", 1))
    word = arrivals(kept: [], purchases: [Purchase.new(at: TODAY, expected: TODAY + 1, lines: { "A-1" => 1 })])
    assert_equal "Thursday 3 December, by the supplier's word", word.said("A-1", 1)
  end

  def test_a_day_that_is_past_is_no_day
    overdue = Purchase.new(at: TODAY - 30, expected: TODAY - 20, lines: { "A-1" => 1 })
    assert_nil arrivals(purchases: [overdue]).of("A-1", 1)
    today = Purchase.new(at: TODAY - 30, expected: TODAY - 4, lines: { "A-1" => 1 })
    assert_equal TODAY, arrivals(purchases: [today]).of("A-1", 1).on
  end

  def test_the_shop_must_be_open
    week = Desk::ShopFormat.of({})
    kept = [Kept.new(took: 3)]
    assert_equal "Monday 7 December, 5 in 10", arrivals(kept: kept, format: week).said("A-1", 1), "Saturday it would come"
  end

  def test_all_of_it_is_there_with_the_last
    sent = Purchase.new(at: TODAY, expected: TODAY + 1, lines: { "A-1" => 1 })
    assert_equal "Friday 11 December, 9 in 10", arrivals(purchases: [sent]).together([["A-1", 1], ["B-2", 1], ["C-3", 0]])
    assert_nil arrivals.together([["A-1", 0]])
    assert_nil arrivals(kept: []).together([["A-1", 1]])
  end

  # A supplier whose deliveries spread (gamma, as sums of exponential days): a day is kept as often as it says, over a thousand promises.
  def test_a_day_is_kept_as_often_as_it_says
    random = Random.new(Minitest.seed)
    supplier = ->(mean, shape) { (Array.new(shape) { -Math.log(1 - random.rand) }.sum * mean / shape).ceil }
    kept = said = 0.0
    1000.times do
      mean, shape = random.rand(3.0..12.0), random.rand(2..12)
      past = Array.new(random.rand(20..50)) { Kept.new(took: supplier.call(mean, shape)) }
      promise = arrivals(kept: past).of("A-1", 1)
      kept += 1 if TODAY + supplier.call(mean, shape) <= promise.on
      said += promise.sure
    end
    assert_in_delta said, kept, 30, "seed #{Minitest.seed}"
    assert_in_delta 900, kept, 30, "seed #{Minitest.seed}"
  end
end
