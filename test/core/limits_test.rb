# frozen_string_literal: true

require_relative "../support/core"

# No advice asks more of a part than is on file that it bears. (The nozzle's equation, Q = N·√(p/4000) in US gpm and psi: handbook practice,
# from memory.)
class LimitsTest < Minitest::Test
  include DemoCatalogue

  Limit = Gimlet::Core::Safety::Limit
  Limits = Gimlet::Core::Safety::Limits
  Nozzles = Gimlet::Core::Flow::NozzleSizes

  # By hand from the equation, in litres and bar: 1 US gpm = 3.785411784 L, 4000 psi = 275.79 bar.
  def bar_behind(flow, number, count) = ((flow.fdiv(count) / 3.785411784 / number)**2) * 275.79029

  def rated
    snapshot.variants.filter_map { |one| one.then { [one.id, *%w[flow_l_min pressure_bar].map { |trait| one.trait(trait) }] } }
            .select { |_, flow, bar| flow.is_a?(Numeric) && bar.is_a?(Numeric) }
  end

  def test_the_nearest_nozzle_of_every_model_stays_within_its_rating
    assert_operator rated.size, :>, 90
    rated.each do |id, flow, bar|
      one = Nozzles.call(flow, bar).find(&:nearest)
      pressure = bar_behind(flow, one.number, one.count)
      assert_in_delta pressure, one.bar, 0.1, id
      assert_operator pressure, :<=, bar * 1.006, "#{id}: #{one.count} × #{one.number}"
    end
  end

  def test_a_weaker_valve_or_hose_counts
    rated.each do |id, flow, bar|
      weak = Limit.new(of: "hose", bar: bar * 0.6)
      one = Nozzles.call(flow, bar, weak).find(&:nearest)
      assert_operator bar_behind(flow, one.number, one.count), :<=, weak.bar * 1.006, id
    end
  end

  def test_what_is_over_says_by_how_much
    sizes = Nozzles.call(15, 200)
    assert_equal([[4.5, true, false], [5, false, true], [5.5, false, false]], sizes.map { |one| [one.number, one.over.positive?, one.nearest] })
    assert_in_delta (bar_behind(15, 4.5, 1) / 200) - 1, sizes.first.over, 0.001
    assert_equal "#{(((bar_behind(15, 4.5, 1) / 200) - 1) * 100).round(1)} % more than the weakest part bears: not to be fitted.", sizes.first.warning
    assert_nil sizes.last.warning
  end

  def test_more_than_one_nozzle_where_none_is_large_enough
    one = Nozzles.call(350, 140).find(&:nearest)
    assert_operator one.count, :>, 1
    assert_operator bar_behind(350, one.number, one.count), :<=, 140.8
    assert_operator bar_behind(350, 40, one.count - 1), :>, 140.8
    one = Nozzles.call(9_000_000, 0.01).find(&:nearest)
    assert_operator bar_behind(9_000_000, 40, one.count), :<=, 0.01 * 1.006
    assert_operator bar_behind(9_000_000, 40, one.count - 1), :>, 0.01
  end

  def test_the_weakest
    assert_nil Limits.weakest([])
    pump, valve = Limit.new(of: "pump", bar: 200), Limit.new(of: "valve", bar: 160)
    assert_equal valve, Limits.weakest([pump, valve])
    assert_in_delta 0.0625, Limits.over(170, valve), 1e-9
    assert_equal [0.0, 0.0, 0.0], [Limits.over(160.7, valve), Limits.over(160, valve), Limits.over(999, nil)]
    assert_operator Limits.over(161, valve), :>, 0
  end

  def loads_of(document)
    built = Gimlet::Core::Catalogue::Build.call(document)
    Gimlet::Core::Doctor::Magnitudes.new(built, VOCABULARY).call.select { |remark| remark.text.include?("kN") }.map(&:place)
  end

  # The largest plunger with the highest pressure of its sisters: force on a plunger is p·π/4·d² (any handbook).
  def test_a_rating_that_its_sisters_do_not_bear
    DOCUMENTS.each { |one| assert_empty loads_of(one), one["series"]["id"] }
    { "pellwick-tk4" => "TK4L22", "drosselby-dk4" => "DK425", "mastergarth-mg" => "MGL50" }.each do |id, largest|
      one = document(id)
      most = one["models"].map { |model| model["traits"]["pressure_bar"] }.max
      one["models"].find { |model| model["designation"] == largest }["traits"]["pressure_bar"] = most
      assert_equal ["models.#{largest}.traits.pressure_bar"], loads_of(one), id
    end
  end

  # A screw that sets something is no fastener.
  def test_what_sets_the_pressure_is_never_tightened
    %w[wexmoor-wx wexmoor-wu harrowgill-hv].each do |id|
      one = document(id)
      cap = one["fasteners"].find { |row| row["id"] == "cap" }
      assert_equal ["sets"], cap["tightenings"].map { |row| row["kind"] }, id
      cap["tightenings"] = [{ "kind" => "firm", "treatment" => "dry" }]
      remarks = Gimlet::Core::Doctor.call(Gimlet::Core::Catalogue::Build.call(one), VOCABULARY, nil)
      assert_includes remarks.map(&:place), "#{id} fasteners.cap"
    end
  end
end
