# frozen_string_literal: true

require_relative "../support/core"

# What must hold for every order that the demo catalogue can give: every sort of pump, every agreed work, every extent, enumerated.
class InvariantsTest < Minitest::Test
  include DemoCatalogue

  Core = Gimlet::Core
  EXTENTS = Core::Extent::NAMES.keys
  SOLVED = {} # rubocop:disable Style/MutableConstant

  # Pumps that can differ in their orders.
  SORTS = SNAPSHOT.variants.uniq { |variant| [variant.series.id, variant.traits.values_at(*variant.series.condition_keys), variant.sides] }.freeze

  def areas(pump) = pump.series.areas_of(pump).map(&:id)

  # Each area, all together, and some pairs: others with another seed.
  def scopes(pump)
    pairs = areas(pump).combination(2).to_a
    SCOPES[pump.id] ||= areas(pump).map { |area| [area] } + pairs.sample(PAIRS, random: Random.new(Minitest.seed + SORTS.index(pump))) + [areas(pump)]
  end

  SCOPES = {} # rubocop:disable Style/MutableConstant
  PAIRS = 1

  WORKED_OUT = {} # rubocop:disable Style/MutableConstant

  # The same order is asked for by several tests.
  def demand(pump, areas, extent, **job)
    return WORKED_OUT[[pump.id, areas, extent]] ||= worked_out(pump, areas, extent) if job.empty? && areas.is_a?(Array)

    worked_out(pump, areas, extent, **job)
  end

  def worked_out(pump, areas, extent, **job)
    scope = areas.is_a?(Core::Scope) ? areas : Core::Scope.of(areas, extent: extent)
    Core::Demand.new(Core::Teardown.of(pump, scope), snapshot, **job)
  end

  def each_order
    some = SORTS.sample(SORTS.size / 2, random: Random.new(Minitest.seed))
    some.each { |pump| scopes(pump).each { |areas| EXTENTS.each { |extent| yield pump, areas, extent, demand(pump, areas, extent) } } }
  end

  def test_every_piece_that_comes_out_has_one_fate_and_is_in_the_pump
    orders = 0
    each_order do |pump, areas, extent, found|
      orders += 1
      told = [pump.id, areas, extent].inspect
      keys = found.fates.map { |fate| fate.place.key }
      assert_equal keys.uniq.size, keys.size, told
      assert_empty found.fates.map(&:kind) - Core::Fates::KINDS.keys, told
      mine = pump.series.fits.select { |fit| Core::Catalogue::Condition.met?(fit.condition, pump) }.map(&:part)
      assert_empty found.quantities.keys - mine, told
      renewed = found.fates.count { |fate| fate.kind == :replace }
      assert_equal renewed, found.lines.sum(&:quantity) + found.missing.sum(&:quantity), told
      found.lines.each { |line| assert_equal line.quantity, line.reasons.sum { |reason| reason[/\A\d+/].to_i }, told }
    end
    assert_operator orders, :>, 600
  end

  def test_more_work_and_a_further_extent_never_need_less
    SORTS.each do |pump|
      whole = EXTENTS.to_h { |extent| [extent, demand(pump, areas(pump), extent).quantities] }
      scopes(pump).each do |some|
        needs = EXTENTS.map { |extent| demand(pump, some, extent).quantities }
        needs.each_cons(2) { |less, more| covers(less, more, [pump.id, some]) }
        EXTENTS.zip(needs) { |extent, need| covers(need, whole[extent], [pump.id, some, extent]) }
      end
    end
  end

  def covers(less, more, told)
    less.each { |part, quantity| assert_operator more.fetch(part, 0), :>=, quantity, "#{told.inspect} #{part}" }
  end

  # Of a quarter of the pumps, others with another seed: kit plans take their time.
  def test_what_is_needed_is_bought_or_its_lack_is_named
    SORTS.sample(SORTS.size / 6, random: Random.new(Minitest.seed)).each do |pump|
      areas(pump).each do |area|
        found = demand(pump, [area], "recommended", pumps: 2)
        plan = Core::KitPlan::Plans.new(found, snapshot, STOCK, solved: SOLVED).one("cheapest")
        bought = plan.lines.each_with_object(Hash.new(0)) { |line, all| line.covers.each { |part, pieces| all[part] += pieces * line.quantity } }
        lacking = plan.unfilled.to_h { |one| [one.number, one.quantity] }
        found.quantities.each { |part, need| assert_operator bought[part] + lacking.fetch(part, 0), :>=, need, "#{pump.id} #{area} #{part}" }
        plan.lines.each { |line| assert_empty line.covers.keys - found.quantities.keys, "#{pump.id} #{area}: nothing unlike is pooled" }
      end
    end
  end

  def test_one_position_needs_its_share_of_all
    SORTS.each do |pump|
      pump.series.areas_of(pump).each do |area|
        places = Core::Scope.positions(pump, area)
        next if places.size < 2

        shares = places.map do |place|
          demand(pump, Core::Scope.of([area.id], at: { area.id => [place] }, extent: "leak_only"), nil).quantities
        end
        all = demand(pump, [area.id], "leak_only").quantities
        shares.each { |share| covers(share, all, [pump.id, area.id]) }
        all.each { |part, quantity| assert_operator shares.sum { |share| share.fetch(part, 0) }, :>=, quantity, "#{pump.id} #{area.id} #{part}" }
      end
    end
  end

  # None of the demo's torques is one of the values that common practice is checked with elsewhere, in N·m.
  CHECKED = [50, 85, 54, 29.9, 25.4, 24.5, 12, 14.9, 20.3, 45].freeze

  def test_torques_of_the_demo_are_its_own
    torques = snapshot.series.flat_map { |series| series.fasteners.flat_map(&:tightenings).filter_map(&:torque) }
    near = torques.map { |torque| torque.to("N·m").value.to_f.round(2) }.select { |value| CHECKED.any? { |checked| (value - checked).abs < 0.06 } }
    assert_empty near
  end

  def test_the_demo_is_large_enough
    counts = snapshot.counts
    { models: 100, kits: 120, parts: 600 }.each { |key, least| assert_operator counts[key], :>=, least, key }
    assert(snapshot.parts.any?(&:superseded_by) && snapshot.parts.any? { |part| part.stand_ins.any? })
  end
end
