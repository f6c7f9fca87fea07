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
