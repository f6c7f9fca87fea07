# frozen_string_literal: true

require "pdf/reader"
require "minitest/autorun"
require_relative "../../lib/gimlet/core/order/order"
require_relative "../../lib/gimlet/core/8_plan/true_size"
require_relative "../../lib/gimlet/exchange/paper/mat"

# What is laid down on it is as large as its drawing. A point is 1/72 inch, an inch 25.4 mm: PDF 1.7, 8.3.2.3; ISO 80000-3.
class MatTest < Minitest::Test
  MM = 72 / 25.4
  SEAL = { "name" => "seal", "shape" => "u_seal", "opens_to" => "from", "fates" => ["replace", nil], "size_mm" => [20, 30, 7] }.freeze
  ROD = { "name" => "plunger", "shape" => "plunger", "opens_to" => "towards", "fates" => %w[keep replace], "size_mm" => [0, 24, 52] }.freeze
  RING = { "name" => "ring", "shape" => "oring", "opens_to" => nil, "fates" => ["inspect", nil], "size_mm" => nil }.freeze

  # What is drawn, as the boxes of its paths in mm.
  class Paths
    attr_reader :boxes, :places, :dashes, :ticks

    def initialize
      @boxes, @places, @points, @dashes, @ticks = [], [], [], [], []
    end

    def set_line_dash(pattern, _) = @dashes << pattern
    def append_rectangle(*box) = @ticks << box
    def append_curved_segment(*, x, y) = @points << [x, y]

    def begin_new_subpath(x, y) = @points << [x, y]
    def append_line(x, y) = @points << [x, y]
    %i[stroke_path close_fill_stroke fill_stroke close_and_stroke_path].each { |name| define_method(name) { close } }

    def close
      xs, ys = @points.transpose
      if xs
        @boxes << [xs.max - xs.min, ys.max - ys.min].map { |points| (points / MM).round(2) }
        @places << [xs.min, xs.max, ys.min, ys.max]
      end
      @points = []
    end
  end

  def order(*layers)
    stack = { "name" => "packing", "from" => "bottom of the bore", "towards" => "crankcase", "positions" => ["cylinder 1", "cylinder 2"],
              "layers" => layers }
    record = { "pump" => { "maker" => "Coined", "model" => "C-1" }, "stacks" => [stack] }
    Gimlet::Core::Order.new(id: 7, record: record, customer: "Pier Nine", created_at: Time.now, version: 1, versions: [])
  end

  def pages(paper, *layers)
    on = Gimlet::Exchange::Paper::Stationery.of(paper: paper)
    PDF::Reader.new(StringIO.new(Gimlet::Exchange::Paper::Mat.call(order(*layers), on: on))).pages
  end

  def boxes(...) = pages(...).flat_map { |page| Paths.new.tap { |paths| page.walk(paths) }.boxes }
  def text(...) = pages(...).map(&:text).join(" ").gsub(/\s+/, " ")

  def test_the_line_that_checks_the_printer_is_100_mm_on_every_paper
    %w[A4 A3 LETTER].each { |paper| assert_includes boxes(paper, SEAL), [100.0, 0.0], paper }
  end

  # Each half of the cut is 5 mm thick and 7 mm high; the hole between them is 20 mm.
  def test_a_piece_is_drawn_at_its_own_size
    drawn = boxes("A4", SEAL)
    assert_equal 2, drawn.count([7.0, 5.0])
    assert_equal 2, drawn.count([0.0, 20.0])
    assert_equal 4, boxes("A4", ROD).count([52.0, 12.0]), "at both positions"
  end

  # A ring of 2 mm, cut twice.
  def test_a_ring_is_two_circles
    ring = RING.merge("size_mm" => [26, 30, 2])
    assert_equal 2, boxes("A4", ring).count([2.0, 2.0])
    apart = places("A4", ring).select { |left, right, low, high| [right - left, high - low].all? { |one| (one / MM).round(1) == 2 } }
    assert_in_delta 28, (apart.map { |place| place[2] }.max - apart.map { |place| place[2] }.min) / MM, 0.01
  end

  # A box to tick beside each piece, and 5 mm at least between two.
  def test_each_piece_has_its_box_and_its_room
    boxes = pages("A4", SEAL, SEAL, ROD, SEAL).flat_map { |page| Paths.new.tap { |paths| page.walk(paths) }.ticks }
    assert_equal [[9, 9]], boxes.map { |box| box.drop(2) }.uniq
    assert_equal 5, boxes.size, "four in cylinder 1, the plunger in cylinder 2"
    lefts = boxes.first(4).map(&:first)
    assert_equal([31, 31, 57], lefts.each_cons(2).map { |one, other| ((other - one) / MM).round })
  end

  # Both ends of the line are marked.
  def test_the_line_is_marked_at_both_its_ends
    marks = places("A4", SEAL).select { |left, right, low, high| left == right && (high - low).round == 8 }
    assert_in_delta 100, (marks.last.first - marks.first.first) / MM, 0.01
  end

  def test_what_has_no_size_on_file_is_dashed
    dashed = ->(*layers) { pages("A4", *layers).flat_map { |page| Paths.new.tap { |paths| page.walk(paths) }.dashes }.reject(&:empty?) }
    refute_empty dashed.call(RING)
    assert_empty dashed.call(SEAL)
  end

  def test_what_comes_out_is_named_with_what_becomes_of_it
    told = text("A4", SEAL, ROD, RING)
    assert_match(/cylinder 1 left: bottom of the bore · right: crankcase/, told)
    ["1 seal: renew", "2 plunger: put back", "3 ring: look over, size not on file"].each { |words| assert_includes told, words }
    assert_equal 1, told.scan("seal: renew").size, "it stays in cylinder 2"
    assert_includes told, "2 plunger: renew"
  end

  # What is too long for the paper is cut short and says so.
  def test_a_rod_longer_than_the_paper_says_so
    long = ROD.merge("size_mm" => [0, 24, 500])
    assert_includes text("A4", long), "longer than the paper"
    refute_includes text("A4", ROD), "longer than the paper"
    assert_operator boxes("A4", long).map(&:first).max, :<, 297
  end

  # Each path with its edges on the page, in points.
  def places(...) = pages(...).flat_map { |page| Paths.new.tap { |paths| page.walk(paths) }.places }

  # An A4 sheet across is 841.89 points wide.
  def test_more_pieces_than_the_paper_is_wide_go_on_below
    halves = places("A4", *Array.new(14) { SEAL }).select { |left, right, low, high| right - left > 15 && high - low > 10 && right - left < 30 }
    assert_equal 28, halves.size
    assert_operator halves.map { |place| place[1] }.max, :<, 841.89 - 36
    assert_operator halves.map { |place| place[2].round }.uniq.size, :>, 2, "in more than one row"
  end

  # A row is as high as its largest piece: the next lies below it.
  def test_rows_do_not_lie_on_each_other
    wide = ROD.merge("size_mm" => [0, 60, 52])
    long = ((52 * MM) - 1)..((52 * MM) + 1)
    rows = places("A3", wide).select { |left, right, *| long.cover?(right - left) }.map { |place| place.last(2) }.each_slice(2).to_a
    assert_equal 2, rows.size
    first, second = rows.map { |halves| halves.flatten.minmax }
    assert_operator second.last, :<, first.first
  end

  def test_a_customer_who_is_not_named_leaves_no_gap
    nobody = order(SEAL).then { |one| Gimlet::Core::Order.new(**one.to_h, customer: nil) }
    told = PDF::Reader.new(StringIO.new(Gimlet::Exchange::Paper::Mat.call(nobody))).pages.map(&:text).join
    assert_match(/order 7\s*$/, told)
  end

  def test_sizes_are_what_is_on_file
    size = Gimlet::Core::Plan::TrueSize.method(:of)
    assert_equal [20, 30, 7], size.call("u_seal", { "id_mm" => 20, "od_mm" => 30, "height_mm" => 7 })
    assert_equal [26, 30, 2], size.call("oring", { "id_mm" => 26, "section_mm" => 2 })
    assert_equal [0, 22, 50], size.call("plunger", { "id_mm" => 10, "od_mm" => 22, "length_mm" => 50 })
    assert_nil size.call("u_seal", { "id_mm" => 20, "height_mm" => 7 })
    assert_nil size.call("u_seal", { "id_mm" => 20, "od_mm" => 30 })
    assert_nil size.call("oring", { "section_mm" => 2 })
  end
end
