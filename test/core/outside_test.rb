# frozen_string_literal: true

require_relative "../support/core"

# The pump from outside is read back from the drawing alone, as somebody would who has never seen the catalogue.
class OutsideTest < Minitest::Test
  include DemoCatalogue
  include Gimlet::Core::Outside

  SCOPE = %w[inlet_valves discharge_valves packings].freeze

  # One pump of each series.
  def ones = snapshot.variants.uniq(&:series)
  def view(pump, id) = Pump.new(pump).view(id)

  # What the eye counts and sees on the three sides; nothing is taken from traits.
  class Seen
    def initialize(pump)
      @views = Gimlet::Core::Outside::Pump.new(pump).views.to_h { |view| [view.id, view] }
    end

    def front = @views["front"]
    def side = @views["side"]
    def head = front.of("head").first.corners

    # Round or six-sided, and not the edge of one that looks another way.
    def straight(mark) = mark.circle || mark.outline.size == 6

    def bolts = front.of("bolt").count { |mark| straight(mark) }
    def plungers = front.of("plunger").size

    # Those on the head's face, and those that stand out above and below it.
    def caps = front.of("cap").size

    def where
      low, high = head.map(&:last).minmax
      middles = front.of("cap").map { |mark| mark.centre[1] }
      { "top" => middles.count { |y| y > high }, "below" => middles.count { |y| y < low }, "front" => middles.count { |y| y.between?(low, high) } }
    end

    def shaft_side
      shaft = front.of("shaft").first or return
      shaft.centre[0] < front.of("body").first.centre[0] ? "left" : "right"
    end

    # Seen from its end, on the side view.
    def shaft_kind
      shaft, bore = side.of("shaft").first, side.of("bore").first
      return unless shaft && bore

      bore.circle ? "hollow" : "solid"
    end

    def glass
      return "front" if front.of("sight_glass").any?

      mark = side.of("sight_glass").first or return "none"
      mark.circle ? "side" : "rear"
    end
  end

  def test_what_can_be_counted_on_the_drawing_is_on_file
    ones.select { |pump| pump.series.item == "pump" }.each do |pump|
      seen = Seen.new(pump)
      assert_equal pump.trait("valve_caps"), seen.caps, "caps of #{pump.id}" unless pump.trait("valve_caps").nil?
      next unless pump.series.faces.any? { |face| face.sides.include?("front") } && pump.trait("shaft_mm")

      file = pump.series.fasteners.select { |one| one.pattern != :each && one.face && pump.series.face(one.face).sides.include?("front") }
      assert_equal file.sum { |one| one.points.size }, seen.bolts, "bolts of #{pump.id}"
    end
  end

  def test_shaft_and_glass_are_drawn_where_they_are_on_file
    snapshot.variants.select { |pump| Frame.new(pump).crankcase? }.each do |pump|
      seen = Seen.new(pump)
      assert_equal pump.trait("shaft_side"), seen.shaft_side, pump.id if pump.trait("shaft_side")
      assert_equal pump.trait("shaft_kind"), seen.shaft_kind, pump.id if pump.trait("shaft_side") && pump.trait("shaft_kind")
      assert_equal pump.trait("sight_glass"), seen.glass, pump.id if pump.trait("sight_glass")
    end
  end

  # Three above and three in front are not three above and three below.
  def test_caps_stand_on_the_sides_that_the_words_name
    { "three on top, three in front" => %w[top front], "three on top, three below" => %w[top below],
      "long caps above, short caps below" => %w[top below] }.each do |words, sides|
      pumps = ones.select { |pump| pump.trait("cap_location") == words }
      refute_empty pumps
      pumps.each { |pump| assert_equal sides.sort, Seen.new(pump).where.reject { |_, number| number.zero? }.keys.sort, pump.id }
    end
  end

  def test_long_caps_are_drawn_longer_than_short_ones
    caps = view(variant("NDL18 before 5200"), "side").of("cap").map { |mark| mark.outline.map(&:last).minmax }
    high, low = caps.partition { |bottom, _| bottom.positive? }.map { |side| side.map { |bottom, top| top - bottom }.uniq }
    assert_operator high.max, :>, 2 * low.max
  end

  # Someone counts and looks at the drawing, and says so: bolts, caps, where they sit, plungers, glass and shaft. Of four pumps, the right one and
  # three others, the catalogue must find the right one.
  def test_a_series_is_told_from_three_others_by_its_drawing
    random = Random.new(ENV.fetch("SEED", 20_261_129).to_i)
    pumps = ones
    right = pumps.count do |pump|
      others = (pumps - [pump]).sample(3, random: random)
      others.none? { |other| alike?(look(pump), look(other)) }
    end
    assert_operator right, :>=, 20, "of #{pumps.size} (SEED=#{random.seed})"
  end

  # What two drawings show, sizes to one part in eight.
  def look(pump)
    seen = Seen.new(pump)
    boxes = %w[front side top].map { |id| view(pump, id).box.then { |_, _, width, height| Math.log(width / height.to_f) } }
    [seen.bolts, seen.where, seen.plungers, seen.glass, seen.shaft_kind, view(pump, "side").of("slab").size, boxes]
  end

  def alike?(one, other)
    one[0..-2] == other[0..-2] && one.last.zip(other.last).all? { |left, right| (left - right).abs < 0.125 }
  end

  def test_what_is_seen_on_the_drawing_finds_the_series
    field, classes = FIELD, Gimlet::Core::Identification::OrderClasses.new(ORDER_IDS.call(snapshot, SCOPE))
    triplexes = ones.select { |pump| pump.trait("cylinders") == 3 && pump.series.faces.any? { |face| face.id == "head" } }
    found = triplexes.count do |pump|
      seen = Seen.new(pump)
      # What the key measures is not to be seen on a drawing: it is told.
      readings = { "cylinders" => 3, "valve_caps" => seen.caps, "sight_glass" => seen.glass, "shaft_side" => seen.shaft_side,
                   "head_bolts" => seen.bolts, "head_bolt_drive" => pump.trait("head_bolt_drive"), "cap_drive" => pump.trait("cap_drive") }
      told = readings.compact.map { |trait, value| reading(trait, value) }
      result = Gimlet::Core::Identification::Identify.new(field, classes).call(told, channel: "counter")
      snapshot.variants[result.candidates.max_by(&:probability).at].series == pump.series
    end
    assert_equal triplexes.size, found
  end

  # Worked by hand from the document: an M8 screw has a head of 1.6 times its thread, and bolt a sits at 14, 72.
  def test_it_is_to_scale
    bolt = view(variant("DK415"), "front").of("bolt").find { |mark| mark.centre.map(&:round) == [14, 72] }
    across = bolt.outline.map(&:first).minmax.reduce { |low, high| high - low }
    assert_in_delta 0.9 * 1.6 * 8 / Math.cos(Math::PI / 6), across, 0.01
    assert_equal([0, 0, 128, 80], view(variant("DK415"), "front").of("head").first.corners.transpose.map(&:minmax).then do |(x, y)|
      [x[0], y[0], x[1], y[1]]
    end)
  end

  def test_a_shaft_on_the_other_side_turns_the_pump_about
    left, right = %w[L R].map { |side| view(variant("TK4#{side}20 from 31000"), "side") }
    assert_operator left.of("head").first.centre[0], :>, left.of("body").first.centre[0]
    assert_operator right.of("head").first.centre[0], :<, right.of("body").first.centre[0]
    assert_equal left.marks.size, right.marks.size
  end

  def test_what_is_not_on_file_is_drawn_as_guessed
    bare = document("pellwick-tk4").tap { |one| one.delete("outside") }
    pump = Gimlet::Core::Catalogue::Variant.of_series(Gimlet::Core::Catalogue::Build.call(bare)).first
    assert(view(pump, "top").of("plate").all?(&:guessed))
    refute(view(variant("TK4L20 from 31000"), "top").of("plate").any?(&:guessed))
    # A rod of 60 and a stroke of 12 mm ask for a crankcase of 60 + 2.5 · 12 mm.
    assert_in_delta 90, Frame.new(pump).body[2]
  end

  def test_close_by
    nut, slotted, bolt = [variant("DK415"), variant("SV20"), variant("RPL15")].map { |pump| Detail.view("plunger_end", pump, nil) }
    assert_equal([6, 6], [nut, slotted].map { |one| one.of("holder").first.outline.size })
    assert_equal([0, 1], [nut, slotted].map { |one| one.of("pin").size })
    assert bolt.of("holder").first.circle
    assert_equal 5, Detail.view("spring", variant("DK415"), 5).of("wire").size
    u, v = %w[U-cup V-ring].map { |name| Detail.view("seal", variant("DK415"), name).marks.first.outline }
    refute_equal u, v
  end

  # The same drawing for the same pump, while it is among the last that were looked at.
  def test_a_side_is_drawn_once
    drawings, pumps = Gimlet::Core::Outside::Drawings.new, snapshot.variants
    first = drawings.view(pumps.first, "front")
    assert_same first, drawings.view(pumps.first, "front")
    refute_same first, drawings.view(pumps.last, "front")
    assert_equal Gimlet::Core::Outside::Pump.new(pumps.first).views, drawings.views(pumps.first)
    again = Gimlet::Core::Outside::Drawings.new
    kept = again.view(pumps.first, "front")
    (Gimlet::Core::Outside::Drawings::REMEMBERED - 1).times { again.view(pumps.first.with(share: 0.5), "side") }
    assert_same kept, again.view(pumps.first, "front")
    again.view(pumps.last, "side")
    refute_same kept, again.view(pumps.first, "front")
  end
end
