# frozen_string_literal: true

require_relative "../support/core"
require "gimlet/core/8_plan/rebuild"

# What leads does the job that was agreed wherever any plan does: models by areas by how far the work goes, with the demo's shelf, a third of them in
# each run.
class LeadingPlanTest < Minitest::Test
  include DemoCatalogue

  Core = Gimlet::Core
  Stock = Core::KitPlan::Stock

  def plans(pump, area, extent, stock, policy = nil)
    demand = Core::Demand.new(Core::Teardown.of(pump, Core::Scope.of([area], extent: extent)), snapshot)
    Core::KitPlan::Plans.new(demand, snapshot, stock, solved: (@solved ||= {})).call(policy)
  end

  def jobs
    snapshot.variants.flat_map { |pump| pump.series.areas_of(pump).flat_map { |area| Core::Extent::NAMES.keys.map { |extent| [pump, area.id, extent] } } }
  end

  def test_what_leads_is_complete_wherever_any_plan_is
    seen = jobs.sample(jobs.size / 3, random: Random.new(Minitest.seed)).map do |pump, area, extent|
      all = plans(pump, area, extent, STOCK)
      assert_equal all.map(&:lacking).min, all.first.lacking, "#{pump.id} #{area} #{extent}"
      all.first.policy
    end
    assert_operator seen.count("on_shelf"), :>, seen.size / 2, "the shelf leads where it does the job"
    assert_operator seen.tally.size, :>, 1
  end

  # By hand, on packings of a DK415: one set of four pieces a cylinder, each sold loose too.
  KIT, LOOSE = "DB KIT 115", ["DB 7815", "DB 7835", "DB 7871", "DB 7850"].freeze

  def shelf(kit:, loose:, kit_cents: 400, loose_cents: 150)
    { KIT => Stock.new(price_cents: kit_cents, on_hand: kit, pack: 1) }
      .merge(LOOSE.to_h { |number| [number, Stock.new(price_cents: loose_cents, on_hand: loose, pack: 1)] })
  end

  def led(policy = nil, **stock)
    plans(variant("DK415"), "packings", "leak_only", shelf(**stock), policy).map { |plan| [plan.name, plan.lacking, plan.lines.map(&:number)] }
  end

  def test_the_shelf_leads_where_it_is_complete_though_another_is_cheaper
    first, second = led(kit: 0, loose: 9)
    assert_equal ["on the shelf today", 0, LOOSE.sort], first
    assert_equal ["cheapest", 0, [KIT]], second
  end

  def test_where_the_shelf_is_not_enough_what_does_the_job_leads
    first, second = led(kit: 2, loose: 0)
    assert_equal ["cheapest", 0, [KIT]], first
    assert_equal ["part now, the rest to come", 4, [KIT]], second, "two of three cylinders"
    assert_equal "part now, the rest to come", led("on_shelf", kit: 2, loose: 0).first.first, "whoever chooses it is told what it is"
  end

  # All that a plan says of a line, by hand: three sets at 4.00, two of them here and one of these promised; then one piece is left open.
  def test_a_plan_says_all_of_its_lines
    stock = shelf(kit: 2, loose: 0)
    stock[KIT] = stock[KIT].with(reserved: 1)
    plan = plans(variant("DK415"), "packings", "leak_only", stock).find { |one| one.policy == "cheapest" }
    line = plan.lines.first
    assert_equal({ number: KIT, kit: true, quantity: 3, pack: 1, price_cents: 400, total_cents: 1200, on_hand: 2, promised: 1, short: 2, reason: nil,
                   beside: nil }, line.to_h.except(:name, :covers))
    assert_equal [1200, "cheapest", ["complete sets"], "complete when 1 line has come"], [plan.price_cents, plan.name, plan.also, plan.complete]
    two = plan.with(lines: [line, line])
    assert_equal "complete when 2 lines have come", two.complete
    assert_equal "complete today", plan.with(lines: [line.with(short: 0)]).complete
    gap = Core::KitPlan::Unfilled.new(number: "A", name: "seal", quantity: 1, reason: "none", by_hand: false, stand_ins: [])
    open, more = plan.with(unfilled: [gap]), plan.with(unfilled: [gap, gap.with(number: nil, name: "disc"), gap.with(by_hand: true)])
    assert_equal ["not complete: 1 piece is not covered", "1 part is not covered: A"], [open.complete, open.not_covered]
    assert_equal ["not complete: 3 pieces are not covered", "2 parts are not covered: A, disc"], [more.complete, more.not_covered]
  end

  # The set comes on the 11th, the loose pieces on the 4th, with a purchase that is under way. By hand: 3 × 4.00 for sets, 12 × 1.50 loose.
  def by(day, stock = shelf(kit: 0, loose: 0))
    purchase = Core::Desk::Arrivals::Purchase.new(at: Date.new(2026, 12, 1), expected: Date.new(2026, 12, 4),
                                                  lines: LOOSE.to_h { |number| [number, 6] })
    arrivals = Core::Desk::Arrivals.new(today: Date.new(2026, 12, 2)) do
      Core::Desk::Arrivals::Known.new(purchases: [purchase], kept: [Core::Desk::Arrivals::Kept.new(took: 9, late: 0)], waiting: {})
    end
    demand = Core::Demand.new(Core::Teardown.of(variant("DK415"), Core::Scope.of(["packings"], extent: "leak_only")), snapshot)
    deadline = day && Core::Desk::Deadline.new(by: Date.new(2026, 12, day), arrivals: arrivals)
    all = Core::KitPlan::Plans.new(demand, snapshot, stock).call(deadline: deadline)
    @missed = deadline&.missed(all.first.lines)
    [all.first.lines.map(&:number), deadline&.late(all.first.lines)]
  end

  def test_what_is_there_by_the_wanted_day_leads
    assert_equal [[KIT], nil], by(nil), "no day: the cheapest"
    assert_equal [[KIT], 0], by(11), "the cheapest is there by then"
    assert_equal [LOOSE.sort, 0], by(10), "a day before it is not"
    assert_equal [LOOSE.sort, 0], by(4)
    assert_nil @missed
    assert_equal [LOOSE.sort, 1], by(3), "nothing is there by then: what comes first"
    assert_equal "too late by 1 day", @missed
    assert_equal [[KIT], 0], by(11, shelf(kit: 0, loose: 9)), "the shelf is dearer than what comes in time"
    assert_equal [LOOSE.sort, 0], by(4, shelf(kit: 0, loose: 9))
  end

  def test_where_nothing_covers_all_the_shelf_may_lead
    only = shelf(kit: 0, loose: 9).except(KIT, "DB 7850")
    all = plans(variant("DK415"), "packings", "leak_only", only)
    assert_equal ["on the shelf today", 3], [all.first.name, all.first.lacking]
  end
end
