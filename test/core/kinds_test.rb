# frozen_string_literal: true

require_relative "../support/core"

class KindsTest < Minitest::Test
  include DemoCatalogue
  include Gimlet::Core::Identification

  # What each value on file gets from a reading, and none of them.
  def weighed(reading, values)
    all = values.each_with_index.map do |value, at|
      Hypothesis.new(id: at.to_s, weight: 1, family: at, traits: { reading.trait => value }.freeze)
    end
    Weighing.new(Field.new(all, vocabulary), {}).call(Observation.new(readings: [reading]))
  end

  def weights(reading, values) = weighed(reading, values).then { |one| values.each_index.map { |at| one.found[one.places[at]] } }

  def test_a_counted_value_and_its_neighbours
    right, near, far = weights(reading("head_bolts", 8), [8, 7, 4])
    assert_in_delta 1 - trait("head_bolts").mistaken, right
    assert_operator near, :>, far
  end

  def test_a_steadier_observer_is_believed_more
    caller, counter = %w[caller counter].map { |who| weights(reading("head_bolts", 8, observer: who), [8, 4]) }
    assert_operator counter[1], :<, caller[1]
    assert_operator counter[0], :>, caller[0]
  end

  # A valve serves 4 to 20 L/min: what lies in it, or reaches into it, is served; what lies below or above is not.
  def test_what_a_range_on_file_serves
    serves = lambda do |told, range = (4..20)|
      flow = told.is_a?(Array) ? reading("flow_l_min", range: told) : reading("flow_l_min", told)
      weights(flow, [range, 900]).first > Gimlet::Core::Readings::Likelihoods::BLUNDER
    end
    assert([4, 20, [3, 5], [19, 25]].all? { |told| serves.call(told) })
    refute([3, 21, [1, 3], [21, 30]].any? { |told| serves.call(told) })
    assert serves.call(0.2, nil..20), "up to 20"
    wide, narrow = [4..20, 4..8].map { |range| weights(reading("flow_l_min", 6), [range, 900]).first }
    assert_operator narrow, :>, wide, "the wider the range, the less a value speaks for it"
  end

  def test_words_are_compared_without_case
    assert_equal weights(reading("shaft_side", "LEFT"), %w[left right]), weights(reading("shaft_side", "left"), %w[left right])
  end

  # Source: the normal curve, one standard error is exp(-1/2) of the top, two are exp(-2).
  def test_a_measurement_falls_off_as_the_normal_curve
    one, two = weights(reading("shaft_mm", 24, tool: "rule"), [23.75, 23.5])
    floor = Gimlet::Core::Readings::Likelihoods::BLUNDER
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
    assert_operator near, :>, 0.85
    assert_operator far, :<, 0.06
  end

  def test_serials_on_either_side_of_a_break
    before, after, any = weights(reading("serial", 30_999), [(...31_000), (31_000...), (nil...nil)])
    assert_operator before, :>, 20 * after
    assert_equal before, any
  end

  def test_a_plate_from_another_pump_is_survived
    likely, unlikely = weights(reading("plate", "TK4L20"), [["TK4L20"], ["OB216C"]])
    assert_operator likely, :>, 50 * unlikely
    assert_operator unlikely, :>, 0
  end

  # What nobody is called speaks for none of them, and rules none out: what else was seen still decides.
  def test_a_plate_that_nobody_has_leaves_all_alike
    found = weights(reading("plate", "9999999"), [["SC325L"], ["TK4R20"], ["DK418"]])
    assert_equal 1, found.uniq.size, found.inspect
    assert_operator found.first, :>, 0
  end

  def test_a_number_is_known_by_its_end_and_with_a_slip
    numbers = [%w[DBKIT120 DB7710], %w[PWK220]]
    [["*120", 0], ["PWK22O", 1], ["pw-k22", 1], ["7710", 0]].each do |text, right|
      found = weights(reading("part_number", text), numbers)
      assert_equal right, found.index(found.max), text
    end
  end

  def test_a_size_without_its_kind_fits_either
    assert_equal(weights(reading("cap_drive", "22"), ["hex 22", "socket 22", "hex 17"]).map { |weight| weight > 0.5 }, [true, true, false])
    assert_equal(weights(reading("inlet_port", "1/2"), ["G 1/2", "NPT 1/2", "G 3/4"]).map { |weight| weight > 0.5 }, [true, true, false])
  end

  # Seals wear inside, so that a worn one measures wide; swelling against that is less.
  def test_wear_has_a_direction
    inner, outer = %w[seal_id_mm seal_od_mm].map { |id| trait(id).kind }
    at = ->(way, id, off) { way.fits(reading(id, "#{20 + off} mm", tool: "caliper"), 20, 1) }
    assert_operator at.call(inner, "seal_id_mm", 0.3), :>, 3 * at.call(inner, "seal_id_mm", -0.3)
    assert_operator at.call(outer, "seal_od_mm", -0.3), :>, 3 * at.call(outer, "seal_od_mm", 0.3)
  end

  # The chances of all that could be said add up to one, whatever is true: else "95 %" means nothing.
  def test_chosen_values_share_what_is_mistaken
    way = trait("maker").kind
    [5, 12].each do |choices|
      values = Array.new(choices) { |at| "m#{at}" }
      sum = values.sum { |said| way.fits(reading("maker", said), "m0", choices) }
      assert_in_delta 1.0, sum, 1e-9
    end
  end

  def test_none_of_them_shows_values_that_no_pump_has
    assert_operator weighed(reading("maker", "Nobody"), %w[Pellwick Quellby]).unlisted.first, :>, 0.1
    assert_operator weighed(reading("maker", "Pellwick"), %w[Pellwick Quellby]).unlisted.first, :<, 0.55
  end

  # The number at the break is the first of the later ones.
  def test_the_serial_at_a_break_is_a_later_one
    earlier, later = weights(reading("serial", 31_000), [(nil...31_000), (31_000...nil)])
    assert_operator later, :>, 10 * earlier
    before = weights(reading("serial", 30_999), [(nil...31_000), (31_000...nil)])
    assert_operator before.first, :>, 10 * before.last
  end
end
