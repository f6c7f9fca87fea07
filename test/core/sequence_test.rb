# frozen_string_literal: true

require_relative "../support/core"

# In which order bolts are tightened, on patterns of every usual shape.
class SequenceTest < Minitest::Test
  Sequence = Gimlet::Core::Sequence
  Point = Gimlet::Core::Catalogue::Point
  FULL = 2 * Math::PI

  def points(places) = places.each_with_index.map { |(x, y), at| Point.new(label: (at + 1).to_s, x_mm: x, y_mm: y) }

  def circle(count, radius, start)
    Array.new(count) { |at| [radius * Math.cos(start + (FULL * at / count)), radius * Math.sin(start + (FULL * at / count))] }
  end

  # Source: ASME PCC-1, cross-pattern numbering of bolted flanges (from memory).
  def test_round_flanges_go_in_the_published_star
    assert_equal %w[1 3 2 4], Sequence.cross(points(circle(4, 100, 0.01 - Math::PI))).map(&:label)
    assert_equal %w[1 5 3 7 2 6 4 8], Sequence.cross(points(circle(8, 100, 0.01 - Math::PI))).map(&:label)
  end

  # The published star of twelve, from memory: ours may take another bolt of several as good, and is as even after each.
  def test_twelve_bolts_are_as_even_as_the_star
    pattern = points(circle(12, 100, 0.01 - Math::PI))
    star = %w[1 7 4 10 2 8 5 11 3 9 6 12].map { |label| pattern.find { |one| one.label == label } }
    ours = Sequence.cross(pattern)
    (1..12).each { |count| assert_in_delta uneven(star.first(count)), uneven(ours.first(count)), 1e-6, "after #{count}" }
  end

  # The first two harmonics of where bolts are: none where they are spread evenly about the middle.
  def uneven(order) = [1, 2].sum { |power| order.sum { |one| (Complex(one.x_mm, one.y_mm) / 100)**power }.abs }

  # A star of five skips one each time: 1 3 5 2 4 or the other way round. Common practice, no source.
  def test_five_bolts_are_a_star
    order = Sequence.cross(points(circle(5, 60, 0.3))).map { |one| one.label.to_i }
    steps = order.each_cons(2).map { |one, two| (two - one) % 5 }.uniq
    assert_includes [[2], [3]], steps
  end

  # Three over four, as some covers have them: the first two lie across the face, whatever it is tall.
  def test_uneven_rows_do_not_begin_with_neighbours
    [[3, 4], [4, 3], [2, 3], [3, 2], [4, 5]].product([20.0, 50.0, 80.0]).each do |(above, below), height|
      rows = [[above, height], [below, 0.0]].flat_map { |count, y| Array.new(count) { |at| [(at - ((count - 1) / 2.0)) * 30, y] } }
      order = Sequence.cross(points(rows))
      refute_equal order[0].y_mm, order[1].y_mm, "#{above} over #{below}, #{height} mm"
    end
  end

  # Shop practice for two rows of bolts, no source: the middle pair, then outwards, always across.
  def test_heads_with_two_rows
    [4, 6, 8, 10, 12, 14].each do |count|
      rows = points([*0...(count / 2)].product([0, 80]).map { |column, y| [column * 30, y] })
      order = Sequence.cross(rows)
      assert_equal rows.map(&:label).sort, order.map(&:label).sort
      middle = ((count / 2) - 1) * 15.0
      order.each_slice(2) { |one, two| assert_equal [2 * middle, 80.0], [one.x_mm + two.x_mm, one.y_mm + two.y_mm].map(&:to_f), "#{count} bolts" }
      from_middle = order.map { |one| (one.x_mm - middle).abs }
      assert_equal from_middle.sort, from_middle
    end
  end

  PATTERNS = {
    rectangle: ->(random) { (0...random.rand(2..7)).to_a.product([0, random.rand(30.0..120)]).map { |column, y| [column * 25.0, y] } },
    round: ->(random, test) { test.circle(random.rand(4..16), random.rand(20.0..100), random.rand * FULL) },
    two_rings: lambda do |random, test|
      test.circle(random.rand(3..8), 30.0, random.rand * FULL) + test.circle(random.rand(3..12), 80.0, random.rand * FULL)
    end,
    frame: lambda do |random|
      columns, rows = random.rand(3..5), random.rand(3..4)
      [*0...columns].product([*0...rows]).reject { |x, y| x.between?(1, columns - 2) && y.between?(1, rows - 2) }.map { |x, y| [x * 30.0, y * 30.0] }
    end,
    opposite: lambda do |random|
      half = Array.new(random.rand(2..6)) { [random.rand(-80.0..80), random.rand(1.0..60)] }
      half + half.map { |x, y| [-x, -y] }
    end
  }.freeze

  def mean_distance(order, centre)
    order.each_index.sum do |last|
      middle = order[0..last].sum { |one| Complex(one.x_mm, one.y_mm) } / (last + 1.0)
      (middle - centre).abs
    end / order.size
  end

  # Every bolt once, an inner ring done before the next, and the middle of what is tight nearer to the face's middle than row by row or
  # round the clock.
  def test_a_thousand_random_patterns
    random = Random.new(Minitest.seed)
    1000.times do
      name, make = PATTERNS.to_a.sample(random: random)
      pattern = points(make.call(*[random, self].first(make.arity)))
      order = Sequence.cross(pattern)
      assert_equal pattern.map(&:label).sort, order.map(&:label).sort
      centre = pattern.sum { |one| Complex(one.x_mm, one.y_mm) } / pattern.size.to_f
      radii = order.map { |one| (Complex(one.x_mm, one.y_mm) - centre).abs }
      radii.each_cons(2) { |one, two| assert_operator two, :>=, one - (Sequence::SAME_RING_MM * pattern.size), name }
      ours = mean_distance(order, centre)
      by_rows = pattern.sort_by { |one| [one.y_mm.round(6), one.x_mm] }
      clockwise = pattern.sort_by { |one| -(Complex(one.x_mm, one.y_mm) - centre).arg }
      [by_rows, clockwise].each { |other| assert_operator ours, :<=, mean_distance(other, centre) + 1e-9, "#{name} #{pattern.map(&:to_a)}" }
    end
  end
end
