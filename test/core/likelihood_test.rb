# frozen_string_literal: true

require_relative "../support/core"

class LikelihoodTest < Minitest::Test
  include DemoCatalogue
  include Gimlet::Core::Candidates

  def weights(reading, values) = Likelihood.over(reading, values)

  def test_a_counted_value_and_its_neighbours
    right, near, far = weights(reading("head_bolts", 8), [8, 7, 4])
    assert_in_delta 1 - 0.05, right
    assert_operator near, :>, far
  end

  def test_a_steadier_observer_is_believed_more
    caller, counter = %w[caller counter].map { |who| weights(reading("head_bolts", 8, observer: who), [8, 4]) }
    assert_operator counter[1], :<, caller[1]
    assert_operator counter[0], :>, caller[0]
  end

  def test_words_are_compared_without_case
    assert_equal weights(reading("shaft_side", "LEFT"), %w[left right]), weights(reading("shaft_side", "left"), %w[left right])
  end

  # Source: the normal curve, one standard error is exp(-1/2) of the top, two are exp(-2).
  def test_a_measurement_falls_off_as_the_normal_curve
    one, two = weights(reading("shaft_mm", 24, tool: "rule"), [23.75, 23.5])
    floor = Likelihood::BLUNDER
    assert_in_delta floor + ((1 - floor) * Math.exp(-0.5)), one, 1e-12
    assert_in_delta floor + ((1 - floor) * Math.exp(-2)), two, 1e-12
  end

  def test_a_finer_tool_tells_sizes_apart_better
    tape, caliper = %w[tape caliper].map { |tool| weights(reading("shaft_mm", 24, tool: tool), [24, 25]) }
    assert_operator caliper[1] / caliper[0], :<, tape[1] / tape[0]
  end

  def test_a_range_holds_everything_between_its_ends
    inside, edge, outside = weights(reading("plunger_mm", range: [18, 20]), [19, 20, 25])
    assert_equal [1.0, 1.0], [inside, edge]
    assert_operator outside, :<, 0.06
  end

  def test_what_is_not_on_file_speaks_neither_for_nor_against
    yes, no, unknown = weights(reading("cap_drive", "socket 24"), ["socket 24", "hex 17", nil])
    assert_in_delta (yes + no) / 2, unknown
  end

  def test_ratings_are_taken_with_a_tolerance
    near, far = weights(reading("flow_l_min", "15 lpm"), [15.3, 19.0])
    assert_operator near, :>, 0.9
    assert_operator far, :<, 0.06
  end

  def test_serials_on_either_side_of_a_break
    before, after, any = weights(reading("serial", 30_999), [(...31_000), (31_000...), (nil...nil)])
    assert_operator before, :>, 20 * after
    assert_equal before, any
  end

  def test_a_plate_from_another_pump_is_survived
    likely, unlikely = Likelihood.over_plates(reading("plate", "TK4L20"), PlateIndex.new(%w[TK4L20 OB216C]), 2)
    assert_operator likely, :>, 1000 * unlikely
    assert_operator unlikely, :>, 0
  end
end
