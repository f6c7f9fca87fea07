# frozen_string_literal: true

require_relative "../support/core"

# Where a leak is pointed at on the drawing.
class DripsTest < Minitest::Test
  include DemoCatalogue
  include Gimlet::Core::Outside

  LEAKS = %w[weep_hole water_leak oil_leak].freeze

  # What a click says is heard as a leak, and nothing else is made of it.
  def test_what_a_place_says_is_heard_as_a_leak
    Drips::PLACES.each do |id, (_, say)|
      heard = EAR.call(say)
      assert_equal [], heard.complaints - LEAKS, "#{id}: #{say}"
      refute_empty heard.complaints, "#{id}: #{say}"
      assert_empty heard.unread, "#{id}: #{say}"
      assert_empty heard.readings.map { |one| one[:trait] }, "#{id}: #{say}"
    end
  end

  def test_places_lie_on_the_pump_that_is_drawn
    snapshot.variants.uniq(&:series).each do |pump|
      side, places = Drips.of(pump)
      left, bottom, width, height = side.box
      places.each do |one|
        assert one.x_mm.between?(left, left + width) && one.y_mm.between?(bottom, bottom + height),
               "#{pump.id}: #{one.id} at #{one.x_mm}, #{one.y_mm}"
      end
      assert_includes places.map(&:id), "below"
    end
  end

  # A pump without caps has none to leak; one with a shaft to the left is drawn turned, and so are its places.
  def test_only_what_the_pump_has
    refute_includes Drips.of(variant("TK4L20 from 31000")).last.map(&:id), "cap"
    assert_includes Drips.of(variant("DK415")).last.map(&:id), "cap"
    left, right = %w[L R].map { |side| Drips.of(variant("TK4#{side}20 from 31000")) }
    gap = [left, right].map { |view, places| places.find { |one| one.id == "gap" }.x_mm - view.of("body").first.centre[0] }
    assert_operator gap[0] * gap[1], :<, 0
  end
end
