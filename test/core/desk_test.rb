# frozen_string_literal: true

require_relative "../support/core"
require "date"

# What the day at the desk is reckoned by: money, due dates, levels, kits opened, who calls, what is learned.
class CoreDeskTest < Minitest::Test
  include DemoCatalogue

  Desk = Gimlet::Core::Desk
  Order = Gimlet::Core::Order
  Due = Desk::Due

  # By hand, half a cent up. Common practice, no source.
  def test_totals
    assert_equal [13_436, 672, 12_764, 2680, 15_444],
                 Order::Total.of([[2, 6718]], discount: "5", tax: "21").to_h.values_at(:net_cents, :discount_cents, :base_cents, :tax_cents,
                                                                                       :gross_cents)
    assert_equal [1, 1], [Order::Total.of([[1, 10]], discount: "5").discount_cents, Order::Total.of([[1, 5]], tax: "10").tax_cents]
    assert_equal 0, Order::Total.of([]).gross_cents
  end

  def job(order, on, **fates) = Due::Job.new(order_id: order, on: Date.parse(on), fates: fates.transform_keys(&:to_s))

  def pump(*served, **told) = Due::Pump.new(designation: "UX3800", served: served, **told)

  SEAL = Due::Interval.new(slot: "rod_seal", name: "rod seal", hours: 2000)

  # Rod seals about every 2000 h: at 40 h a week that is 50 weeks. Common practice, no source.
  def test_due_by_hours
    one = Due.of(pump(job(7, "2026-01-05", rod_seal: ["replace"]), hours_per_week: 40), [SEAL])
    assert_equal Date.new(2026, 1, 5) + (50 * 7), one.first.on
    assert_match(/rod seal: every 2000 h, at 40 h a week since 5 January 2026/, one.first.text)
    assert_match(/ask how many hours/, Due.of(pump(job(7, "2026-01-05", rod_seal: ["replace"])), [SEAL]).first.text)
    assert_nil Due.of(pump(job(7, "2026-01-05", rod_seal: ["replace"])), [SEAL]).first.on
    assert_empty Due.of(pump(job(7, "2026-01-05", rod_seal: ["keep"]), hours_per_week: 40), [SEAL]), "what stayed in was not renewed"
    assert_empty Due.of(pump(hours_per_week: 40, months: 12), [SEAL]), "nobody knows since when"
  end

  def test_due_by_months_and_by_hand
    served = [job(9, "2026-03-31"), job(4, "2025-01-10")]
    reasons = Due.of(pump(*served, months: 11, by_hand: Date.new(2026, 12, 24)), [])
    assert_equal [Date.new(2026, 12, 24), Date.new(2027, 2, 28)], reasons.map(&:on), "a month ends where it ends"
    assert_equal Date.new(2026, 12, 24), Due.date(reasons)
    sheet = Due::Interval.new(slot: "oil_seal", name: "oil seal", months: 24)
    assert_equal Date.new(2028, 3, 31), Due.of(pump(job(9, "2026-03-31", oil_seal: %w[keep replace])), [sheet]).first.on
    today = Date.new(2026, 11, 29)
    assert_equal([true, true, false, false], ["2026-11-01", "2026-12-27", "2026-12-28", nil].map { |day| Due.to_ring?(day, today) })
  end

  def test_what_was_turned_over_once_is_new_next_time
    turned = Due.of(pump(job(9, "2026-03-31", bronze_backup: ["turn"])), [])
    assert_equal [nil, "bronze backup was turned over in order 9: new next time"], turned.first.to_a
    assert_empty Due.of(pump(job(11, "2026-09-01", bronze_backup: ["replace"]), job(9, "2026-03-31", bronze_backup: ["turn"])), [])
  end

  # Poisson demand: of 20,000 lead times no more than about 5 % ask for more than the level.
  def test_levels_hold_nineteen_of_twenty_lead_times
    random = Random.new(Minitest.seed)
    [[9, 7], [30, 14], [90, 10]].each do |sold, lead|
      level = Desk::Levels.level(sold: sold, days: 90, lead_days: lead)
      mean = sold * lead / 90.0
      short = Array.new(20_000) { poisson(mean, random) }.count { |asked| asked > level }
      assert_operator short, :<=, 1400, "#{sold} sold, #{lead} days: level #{level}"
    end
    assert_equal 0, Desk::Levels.level(sold: 0, days: 90, lead_days: 7)
    assert_equal([0, 5], [3, 1].map { |position| Desk::Levels.buy(position: position, level: 3, sold: 9, days: 90) })
  end

  # Knuth's way of drawing a Poisson count: The Art of Computer Programming, volume 2, 3.4.1 (from memory).
  def poisson(mean, random)
    limit, product, count = Math.exp(-mean), random.rand, 0
    (product *= random.rand and count += 1) while product > limit
    count
  end

  def test_kits_opened_and_made_up
    stock = { "PW-K41" => 1, "PW-4110" => 1, "PW-4111" => 1, "PW-4112" => 1, "PW-4113" => 1, "PW-4114" => 3 }
            .transform_values { |pack| Gimlet::Core::KitPlan::Stock.new(price_cents: 1, on_hand: 9, pack: pack) }
    change = Desk::KitChange.new(snapshot.kit("PW-K41"), stock)
    opened = change.opened(2).to_h { |one| [one.number, one.deltas[:on_hand]] }
    assert_equal({ "PW-K41" => -2, "PW-4110" => 6, "PW-4111" => 6, "PW-4112" => 6, "PW-4113" => 6, "PW-4114" => 2 }, opened, "sold by 3: two packs")
    assert_equal(opened.transform_values(&:-@), change.made_up(2).to_h { |one| [one.number, one.deltas[:on_hand]] })
    packs = Desk::KitChange.new(snapshot.kit("PW-K41"), stock.merge("PW-4114" => stock["PW-4114"].with(pack: 2)))
    assert_match(/no whole packs/, assert_raises(Gimlet::Core::InputError) { packs.opened(1) }.message)
    assert_match(/has no price/, assert_raises(Gimlet::Core::InputError) { Desk::KitChange.new(snapshot.kit("PW-K41"), {}).opened(1) }.message)
  end

  def test_who_calls
    {
      "Pier Nine Icehouse, 0160 442 118" => ["Pier Nine Icehouse", "", "0160 442 118", ""],
      "Tideway Oysters, Skarrow" => ["Tideway Oysters", "Skarrow", "", ""],
      " Holm  Dairy , North Road 7, +44 (160) 22-33, milk@holm.example" => ["Holm Dairy", "North Road 7", "+44 (160) 22-33", "milk@holm.example"],
      "Ferry, upper quay, shed 4" => ["Ferry", "upper quay, shed 4", "", ""], "Lone" => ["Lone", "", "", ""]
    }.each { |line, told| assert_equal told, Desk::CustomerLine.read(line).to_a, line }
    ["", " , Skarrow"].each { |line| assert_equal "name", assert_raises(Gimlet::Core::InputError) { Desk::CustomerLine.read(line) }.field }
  end

  def closed(pump, *told) = Desk::Learning::Closed.new(pump: pump, told: told)

  # A beta prior of 80 answers; Dirichlet priors of 40 tickets for series and 15 within one; by hand.
  def test_what_is_learned
    learned = Desk::Learning.of(Array.new(20) { closed("A", ["head_bolts", false]) } + [closed(nil)], { "head_bolts" => 0.05 })
    assert_in_delta (20 + 4) / 100.0, learned.mistaken["head_bolts"], 1e-9
    assert_in_delta (1 + 3) / 171.0, learned.none, 1e-9
    weights = Desk::Learning.weights(learned.counts, { "A" => 1.0, "B" => 3.0, "C" => 4.0 }, { "A" => "one", "B" => "one", "C" => "two" })
    assert_in_delta ((20 + (40 / 2)) / 60.0) * (20 + (15 / 4.0)) / 35, weights["A"], 1e-9
    assert_in_delta ((20 + (40 / 2)) / 60.0) * (45 / 4.0) / 35, weights["B"], 1e-9, "a sibling comes more often too"
    assert_in_delta 1, weights.values.sum, 1e-9
    practice = Desk::Learning.weights({}, { "A" => 1.0, "B" => 3.0 }, { "A" => "one", "B" => "one" })
    assert_in_delta 0.25, practice["A"], 1e-9
    assert_equal 0.45, Desk::Learning.of(Array.new(999) { closed("A", ["cap", false]) }, { "cap" => 0.05 }).mistaken["cap"], "never worse than a coin"
  end

  def test_what_an_amendment_changed
    line = { "number" => "A-1", "name" => "kit", "quantity" => 2, "total_cents" => 2000 }
    record = { "parts" => { "lines" => [line] }, "work" => { "areas" => [{ "name" => "packings" }] }, "pump" => { "maker" => "M", "model" => "X" },
               "tools" => [] }
    lines = [line.merge("quantity" => 3, "total_cents" => 3000), line.merge("number" => "B-2", "total_cents" => 500)]
    after = record.merge("parts" => { "lines" => lines },
                         "work" => { "areas" => [{ "name" => "oil seals" }] })
    assert_equal [["3 × A-1 kit, was 2", 1000], ["2 × B-2 kit, new", 500], ["work: oil seals", 0], ["work: no packings any more", 0]],
                 Order::Changes.of(record, after).map(&:to_a)
    assert_empty Order::Changes.of(record, record)
    assert_equal [["0 × B-2 kit, was 2", -500]],
                 Order::Changes.of(after, after.merge("parts" => { "lines" => after["parts"]["lines"].take(1) })).map(&:to_a)
  end
end
