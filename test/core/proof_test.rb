# frozen_string_literal: true

require_relative "../support/core"

# Every plan done by hand in the head. What a verb takes is common practice, no source.
class ProofTest < Minitest::Test
  include DemoCatalogue

  Core = Gimlet::Core

  def each_plan
    snapshot.variants.uniq { |pump| [pump.series, pump.traits.values_at(*pump.series.condition_keys), pump.sides] }.each do |pump|
      areas = pump.series.areas_of(pump).map(&:id)
      [*areas.combination(1), areas].each { |agreed| yield Core::Plan::Rebuild.new(snapshot, {}).call(pump, scope: agreed), "#{pump.id} #{agreed.join(', ')}" }
    end
  end

  def gaps(workup) = workup.gaps.map { |gap| "#{gap.place}: #{gap.text}" }

  def test_no_plan_of_the_demo_leaves_a_gap
    plans = 0
    each_plan do |workup, name|
      assert_empty gaps(workup), name
      plans += 1
    end
    assert_operator plans, :>, 300
  end

  # What is on the list twice is bought or looked for twice.
  def test_no_tool_and_nothing_used_stands_twice
    each_plan do |workup, name|
      assert_equal workup.tools.map(&:name).uniq, workup.tools.map(&:name), name
      assert_equal workup.consumables.map(&:name).uniq, workup.consumables.map(&:name), name
    end
  end

  # Each step names what is in hand, and all of that is on the list of tools.
  def test_what_is_in_hand_is_on_the_list
    each_plan do |workup, name|
      assert_empty workup.steps.flat_map(&:tools).uniq - workup.tools.map(&:name), name
    end
  end
end
