# frozen_string_literal: true

require_relative "../support/core"

# How large a pump is drawn, where its documents say so and where they do not.
class FrameTest < Minitest::Test
  include DemoCatalogue
  include Gimlet::Core::Outside

  # @return [Gimlet::Core::Catalogue::Variant] the first of a demo series, its document changed
  def pump(series_id)
    document = document(series_id)
    yield document if block_given?
    Gimlet::Core::Catalogue::Variant.of_series(Gimlet::Core::Catalogue::Build.call(document)).first
  end

  def bare(series_id) = pump(series_id) { |document| document.delete("outside") }

  def test_the_form_follows_from_what_it_is
    assert_equal "crankcase", Frame.new(bare("drosselby-dk4")).form
    assert_equal "barrel", Frame.new(bare("brackenholt-dw")).form, "no shaft is on file"
    assert_equal "block", Frame.new(bare("wexmoor-wx")).form, "a valve"
    assert_equal "barrel", Frame.new(pump("drosselby-dk4") { |one| one["outside"] = { "form" => "barrel" } }).form
  end

  # Head 128 × 80 from the front face, 52 deep from the top face; 67 mm of rod and a stroke of 14: 67 + 2.5 · 14 = 102.
  def test_sizes_come_from_faces_and_crank
    frame = Frame.new(bare("drosselby-dk4"))
    assert_equal [128, 80, 52], frame.head
    assert_in_delta 102, frame.body[2]
    assert_in_delta 154, frame.depth
    assert_in_delta 128 * 1.12, frame.body[0]
  end

  def test_what_the_document_says_comes_first
    frame = Frame.new(pump("drosselby-dk4") { |one| one["outside"] = { "head_mm" => [130, 82, 60], "body_mm" => [150, 110, 120], "feet" => false } })
    assert_equal [[130, 82, 60], [150, 110, 120], false, 180], [frame.head, frame.body, frame.feet?, frame.depth]
  end

  # A barrel has a head at either end.
  def test_a_barrel_has_two_heads
    dw = variant("DW40")
    side = Pump.new(dw).view("side")
    assert_equal 2, side.of("head").size
    assert_in_delta(Frame.new(dw).depth, side.of("head").flat_map(&:corners).map(&:first).minmax.reduce { |left, right| right - left })
  end

  def test_a_mark_that_is_on_file_takes_the_place_of_the_usual_one
    told = Pump.new(variant("RPL15")).view("side").of("sight_glass")
    assert_equal([false], told.map { |mark| mark.guessed ? true : false })
    guessed = Pump.new(bare("ravnsund-rp")).view("side").of("sight_glass")
    assert_equal [true], guessed.map(&:guessed)
  end

  # Only on the pumps that it is said of.
  def test_a_mark_may_be_of_some_pumps_only
    document = document("gravenhythe-gt")
    document["outside"]["marks"] << { "what" => "weep_hole", "on" => "top", "x_mm" => 50, "y_mm" => 60, "width_mm" => 9,
                                      "for" => { "frame" => "small" } }
    pumps = Gimlet::Core::Catalogue::Variant.of_series(Gimlet::Core::Catalogue::Build.call(document))
    pumps.each { |one| assert_equal one.trait("frame") == "small", Pump.new(one).view("top").of("weep_hole").any?, one.id }
  end

  # A thread is drawn as wide as its name in inches and eight millimetres: G 3/4 is 3/4 · 25.4 + 8. Outer diameters of ISO 228-1 (from memory).
  def test_ports_are_about_as_wide_as_their_threads
    { "G 1/2" => 20.96, "G 3/4" => 26.44, "G 1" => 33.25 }.each do |thread, width|
      one = pump("drosselby-dk4") do |document|
        document.delete("outside")
        document["traits"]["inlet_port"] = thread
      end
      inlet = Pump.new(one).view("front").of("inlet").first.corners.map(&:last).minmax.reduce { |low, high| high - low }
      assert_in_delta width, inlet, 1.5, thread
    end
  end

  def test_views_are_turned_about_without_a_change_of_size
    left, right = %w[TK4L20 TK4R20].map { |name| Pump.new(variant("#{name} from 31000")).view("side").box }
    assert_in_delta left[2], right[2], 0.5
    assert_in_delta left[3], right[3], 0.01
  end
end
