# frozen_string_literal: true

require_relative "../support/core"

# What is done when all is closed, in the order of its needs: common practice, no source.
class FinishTest < Minitest::Test
  include DemoCatalogue

  # Every series with each of its areas alone, each two, and all together.
  def each_plan
    snapshot.variants.uniq(&:series).each do |pump|
      areas = pump.series.areas_of(pump).map(&:id)
      [*areas.combination(1), *areas.combination(2), areas].each do |agreed|
        yield Gimlet::Core::Plan::Steps.for(Gimlet::Core::Teardown.of(pump, agreed)), "#{pump.id} #{agreed.join(', ')}"
      end
    end
  end

  def told(steps, finishing) = steps.select { |step| (step.phase == "finish") == finishing }.flat_map(&:text)

  def test_only_what_was_drained_is_filled_and_that_always
    filled = 0
    each_plan do |steps, plan|
      drained = told(steps, false).any? { |text| text.match?(/drain the oil/i) }
      fill = told(steps, true).grep(/fill the crankcase/i)
      assert_equal drained, fill.any?, plan
      assert(fill.all? { |text| text.include?("not on file") }, "#{plan}: no grade and no amount stand on file")
      filled += fill.size
    end
    assert_operator filled, :>, 50
  end

  def test_the_leak_test_comes_after_the_air_is_out_and_the_pump_runs
    tested = 0
    each_plan do |steps, plan|
      texts = told(steps, true)
      leak = texts.index { |text| text.match?(/\Aleak test/i) } or next
      start = texts.index { |text| text.match?(/no air comes.*start without pressure/) }
      assert_operator start || flunk("#{plan}: it never starts"), :<, leak, plan
      tested += 1
    end
    assert_operator tested, :>, 2
  end
end
