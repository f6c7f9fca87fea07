# frozen_string_literal: true

require_relative "../support/core"

class TeardownTest < Minitest::Test
  include DemoCatalogue

  def each_teardown
    random = Random.new(Minitest.seed)
    80.times do
      one = snapshot.variants.sample(random: random)
      areas = Gimlet::Core::Catalogue::WORK_AREAS.keys
      yield Gimlet::Core::Teardown.of(one, areas.sample(random.rand(1..areas.size), random: random))
    end
  end

  def test_nothing_comes_off_before_what_holds_it
    each_teardown do |teardown|
      order = teardown.groups.map(&:id)
      teardown.groups.each { |group| group.after.each { |first| assert_operator order.index(first), :<, order.index(group.id) } }
      assert_equal order.uniq, order
    end
  end

  # A plate or cap that is tightened on the manifold is loosened while that is on the pump, whichever area asked first (common practice, no source).
  def test_what_is_tightened_on_a_piece_is_loosened_on_it
    assert_equal %w[top_plate manifold], opened("TK4L20 from 31000", %w[inlet_valves discharge_valves])
    assert_equal %w[top_plate manifold plunger_bolts], opened("TK4L20 from 31000", %w[discharge_valves plungers])
    each_teardown do |teardown|
      order = teardown.groups.map(&:id)
      teardown.groups.each do |group|
        (group.on - in_front(group)).intersection(order).each { |on| assert_operator order.index(group.id), :<, order.index(on), teardown.variant.id }
      end
    end
  end

  # What is only reached behind another piece waits for it, on whatever it is tightened.
  def test_what_lies_behind_a_piece_comes_off_after_it
    order = opened("PG50L", %w[packings])
    assert_operator order.index("nuts_slack"), :<, order.index("plungers")
    assert_operator opened("DW40", %w[packings]).index("left_head"), :<, opened("DW40", %w[packings]).index("piston")
  end

  # As the areas ask where nothing else says: nothing is added, and a circle of pieces ends.
  def test_the_order_of_opening_alone
    assert_equal %w[b a], Gimlet::Core::Opening.order(groups(a: [[], []], b: [[], []]), %w[b a])
    assert_equal %w[b a], Gimlet::Core::Opening.order(groups(a: [[], []], b: [[], %w[a]]), %w[a b])
    assert_equal %w[a], Gimlet::Core::Opening.order(groups(a: [[], []], b: [[], %w[a]]), %w[a]), "the other stays on"
    assert_equal %w[a c b], Gimlet::Core::Opening.order(groups(a: [[], []], c: [%w[a], []], b: [%w[c], %w[a]]), %w[a c b]), "far behind it"
    assert_equal %w[c b a], Gimlet::Core::Opening.order(groups(a: [[], []], c: [[], []], b: [%w[c], %w[a]]), %w[a c b]), "with what is in front of it"
    assert_equal %w[a b], Gimlet::Core::Opening.order(groups(a: [[], %w[b]], b: [[], %w[a]]), %w[a b]).sort
  end

  def opened(id, areas) = Gimlet::Core::Teardown.of(variant(id), areas).groups.map(&:id)

  def in_front(group, series = snapshot.variants.map(&:series).find { |one| one.groups.include?(group) })
    group.after + group.after.flat_map { |id| in_front(series.group(id), series) }
  end

  # @param rows [Hash{Symbol=>Array(Array<String>, Array<String>)}] what each lies behind, and what it is tightened on
  def groups(**rows)
    made = rows.map { |id, (after, on)| Struct.new(:id, :after, :on).new(id.to_s, after, on) }
    Struct.new(:groups) { def group(id) = groups.find { |one| one.id == id } }.new(made)
  end

  def test_each_place_is_handled_once
    each_teardown do |teardown|
      places = teardown.places.map(&:key)
      assert_equal places.uniq.size, places.size
    end
  end

  def test_the_order_in_which_work_is_named_does_not_matter
    one = variant("DK420")
    forwards = Gimlet::Core::Teardown.of(one, %w[packings oil_seals inlet_valves])
    backwards = Gimlet::Core::Teardown.of(one, %w[inlet_valves oil_seals packings])
    assert_equal forwards.groups.map(&:id), backwards.groups.map(&:id)
    assert_equal %w[inlet_valves packings oil_seals], forwards.areas.map(&:id)
  end

  # Rules in any order, against the closure by going from area to area until nothing is new. An area that the pump has not calls nothing.
  def test_two_hundred_chains_of_what_goes_together
    random = Random.new(seed = Integer(ENV.fetch("SEED", Minitest.seed)))
    200.times do
      document = document("pellwick-tk4")
      areas = document["areas"].map { |area| area["id"] }
      rules = Array.new(random.rand(1..5)) { [*areas, "rod_seals"].sample(random.rand(2..3), random: random) }
      document["change_together"] = rules.map { |rule| { "areas" => rule, "reason" => "they wear alike" } }
      start = [areas.sample(random: random)]
      found = Gimlet::Core::Teardown.of(Gimlet::Core::Catalogue::Variant.of_series(Gimlet::Core::Catalogue::Build.call(document)).first, start)
      assert_equal closure(start, rules, areas), (start + found.added.keys).sort, "SEED=#{seed} #{start} #{rules}"
    end
  end

  def closure(start, rules, there)
    loop do
      more = (start + rules.select { |rule| rule.intersect?(start & there) }.flatten).uniq
      return start.sort if more.size == start.size

      start = more
    end
  end

  # By hand: where one cylinder is agreed, what wears with it is renewed there alone; where one of two agreed areas is agreed whole, everywhere.
  def test_what_goes_together_goes_at_the_same_cylinder
    worked = lambda do |pump, areas, at|
      down = Gimlet::Core::Teardown.of(variant(pump), Gimlet::Core::Scope.of(areas, at: at))
      down.areas.to_h { |area| [area.id, down.worked(area)] }
    end
    assert_equal({ "inlet_valves" => ["cylinder 3"], "packings" => ["cylinder 3"] },
                 worked.call("SV20", ["inlet_valves"], "inlet_valves" => ["cylinder 3"]))
    assert_equal 3, worked.call("SV20", ["inlet_valves"], {})["packings"].size
    oscillating = worked.call("OB212", ["packings"], "packings" => ["head A"])
    assert_equal [["inlet A"], ["outlet A"], ["across both heads"]], oscillating.values_at("inlet_valves", "discharge_valves", "plungers")
    assert_equal ["inlet A", "inlet B"], worked.call("OB212", %w[packings discharge_valves], "packings" => ["head A"])["inlet_valves"]
    aside = worked.call("SV20", %w[inlet_valves discharge_valves], "inlet_valves" => ["cylinder 2"])
    assert_equal [["cylinder 2"], 6], [aside["packings"], aside["discharge_valves"].size], "what no rule speaks of says nothing of it"
  end

  def test_plungers_are_looked_at_before_new_packings_go_in
    titles = ->(pump, areas) { Gimlet::Core::Plan::Steps.for(Gimlet::Core::Teardown.of(variant(pump), areas)).map(&:title) }
    assert_operator titles.call("DK420", %w[packings]).index("plungers, a look first"), :<, titles.call("DK420", %w[packings]).index("packings")
    [["DK420", %w[packings plungers]], ["DK420", %w[inlet_valves]], ["OB212", %w[packings]]].each do |pump, areas|
      refute_includes titles.call(pump, areas), "plungers, a look first", "#{pump} #{areas}"
    end
  end

  def test_no_work_opens_nothing
    assert_empty Gimlet::Core::Teardown.of(variant("DK420"), []).groups
  end

  def test_every_fastener_of_an_open_group_gets_an_instruction
    each_teardown do |teardown|
      ids = teardown.groups.flat_map(&:fasteners).uniq
      assert_equal ids, teardown.fasteners.map(&:id)
    end
  end
end
