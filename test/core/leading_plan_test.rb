# frozen_string_literal: true

require_relative "../support/core"
require "gimlet/core/8_plan/rebuild"

# What leads does the job that was agreed wherever any plan does: every model by every area by how far the work goes, with the demo's shelf.
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
    seen = jobs.map do |pump, area, extent|
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

  def test_where_nothing_covers_all_the_shelf_may_lead
    only = shelf(kit: 0, loose: 9).except(KIT, "DB 7850")
    all = plans(variant("DK415"), "packings", "leak_only", only)
    assert_equal ["on the shelf today", 3], [all.first.name, all.first.lacking]
  end
end
