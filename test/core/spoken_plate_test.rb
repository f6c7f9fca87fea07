# frozen_string_literal: true

require_relative "../support/core"

class SpokenPlateTest < Minitest::Test
  def take(*segments) = Gimlet::Core::Readings::SpokenPlate.take(segments)

  def test_plates_as_they_are_read_out
    { ["something K", "4", "then can't read", "20"] => "*K4*20", ["plate K?4 20"] => "K?420",
      ["the plate says TK4", "unreadable", "20"] => "TK4*20",
      %w[T K 4 L] => "TK4L" }.each do |segments, plate|
      assert_equal plate, take(*segments).first, segments.inspect
    end
  end

  def test_a_plate_that_is_gone_is_no_reading
    assert_nil take("plate is half gone").first
  end

  def test_what_is_not_plate_is_left_for_others
    assert_equal ["*K4", ["8 bolts", "hex 6"]], take("something K4", "8 bolts", "hex 6")
    assert_equal [nil, ["8 bolts", "20 mm"]], take("8 bolts", "20 mm")
    assert_equal [nil, ["20"]], take("20"), "one bare number is no plate"
  end
end
