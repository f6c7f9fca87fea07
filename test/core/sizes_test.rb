# frozen_string_literal: true

require_relative "../support/core"
require_relative "../../lib/gimlet/core/sizes/lip"
require_relative "../../lib/gimlet/core/sizes/ring_search"
require_relative "../../lib/gimlet/core/sizes/slice"
require_relative "../../lib/gimlet/exchange/reference_files"

# Standard rings, grooves and what serves in the place of what.
class SizesTest < Minitest::Test
  Sizes = Gimlet::Core::Sizes
  STANDARDS = Gimlet::Exchange::ReferenceFiles::TABLES.rings
  FIT = Gimlet::Exchange::ReferenceFiles::TABLES.fit
  InputError = Gimlet::Core::InputError

  # Inner diameters as ISO 3601-1 prints its sizes in mm (series G, the same rings as AS568's inches); from memory of that table.
  PUBLISHED = {
    1.78 => { "004" => 1.78, "005" => 2.57, "006" => 2.90, "007" => 3.68, "008" => 4.47, "009" => 5.28, "010" => 6.07, "011" => 7.65, "012" => 9.25,
              "013" => 10.82, "014" => 12.42, "015" => 14.00, "016" => 15.60, "017" => 17.17, "018" => 18.77, "019" => 20.35, "020" => 21.95,
              "021" => 23.52, "022" => 25.12, "026" => 31.47, "028" => 34.65 },
    2.62 => { "102" => 1.24, "104" => 2.84, "106" => 4.42, "108" => 6.02, "109" => 7.59, "110" => 9.19, "111" => 10.77, "112" => 12.37,
              "113" => 13.94,
              "114" => 15.54, "115" => 17.12, "116" => 18.72, "117" => 20.29, "118" => 21.89, "119" => 23.47, "120" => 25.07, "122" => 28.24 },
    3.53 => { "202" => 5.94, "204" => 9.12, "206" => 12.29, "208" => 15.47, "210" => 18.64, "211" => 20.22, "212" => 21.82, "213" => 23.39,
              "214" => 24.99,
              "216" => 28.17, "218" => 31.34, "220" => 34.52, "222" => 37.69, "223" => 40.87, "225" => 47.22 },
    5.33 => { "309" => 10.46, "312" => 15.24, "316" => 21.59, "318" => 24.77, "320" => 27.94, "326" => 40.64, "327" => 43.82, "328" => 46.99,
              "330" => 53.34 },
    6.99 => { "426" => 116.84, "427" => 120.02, "428" => 123.19, "430" => 129.54, "434" => 142.24, "438" => 158.12, "442" => 183.52 }
  }.freeze

  def test_sizes_as_the_standard_prints_them
    rows = PUBLISHED.flat_map { |section, sizes| sizes.map { |dash, inner| [dash, section, inner] } }
    assert_operator rows.size, :>=, 60
    rows.each do |dash, section, inner|
      ring = STANDARDS.as568_ring(dash)
      assert_in_delta inner, ring.inner_mm, 0.0051, dash
      assert_in_delta section, ring.section_mm, 0.006, dash
    end
    assert_equal 369, STANDARDS.rings.count { |ring| ring.standard == "AS568" }, "349 and the 20 of the 900 series"
  end

  # ISO 3601-1:2012, class B: ±(d1^0.95 · 0.009 + 0.11), worked by hand with logarithms (the formula from memory); and its section table.
  TOLERANCES = { 2 => 0.127, 5 => 0.152, 10 => 0.190, 15.6 => 0.232, 20 => 0.265, 30 => 0.338, 50 => 0.480, 75 => 0.654, 100 => 0.825,
                 200 => 1.491 }.freeze

  def test_tolerances_of_the_standard
    TOLERANCES.each { |inner, tolerance| assert_in_delta tolerance, STANDARDS.inner_tolerance(inner), 0.001, inner.to_s }
    { 1.78 => 0.08, 2.62 => 0.09, 3.53 => 0.10, 5.33 => 0.13, 6.99 => 0.15 }.each do |section, told|
      assert_in_delta told, STANDARDS.section_tolerance(section)
    end
    assert_in_delta 0.009, STANDARDS.as568_ring("016").inner_tolerance_mm / 25.4, 1e-9, "AS568: 0.614 ± 0.009 in"
  end

  def gland(inner, depth, width, **more)
    Sizes::Gland.new(inner_mm: inner, outer_mm: inner + (2 * depth), width_mm: width, seat: "piston", **more).check
  end

  # Rows of the Parker O-Ring Handbook's design charts 4-2 (static) and 5-2 (reciprocating), in inches, from memory: each fits its ring,
  # stretched by 2 %.
  CHART = [["016", 0.051, 0.095, false], ["114", 0.082, 0.142, false], ["214", 0.112, 0.190, false], ["325", 0.1715, 0.283, false],
           ["426", 0.2275, 0.378, false], ["114", 0.089, 0.142, true], ["214", 0.122, 0.190, true], ["325", 0.1865, 0.283, true]].freeze

  def test_grooves_of_the_handbook_fit_their_rings
    CHART.each do |dash, depth, width, moving|
      ring = STANDARDS.as568_ring(dash)
      told = FIT.call(ring, gland(ring.inner_mm * 1.02, depth * 25.4, width * 25.4, moving: moving))
      assert_equal "fits", told.verdict, "#{dash} #{moving}: #{told.sums.map(&:sum)}"
    end
  end

  # By hand: a 3 mm ring of 50 mm on a groove of 51 mm, 2.5 mm deep and 4 mm wide. Stretch 1/50 = 2 %; the section is thinned by
  # 0.01 + 1.06·2 − 0.1·4 = 1.73 % to 2.948 mm; squeeze 0.448/2.948 = 15.2 %, fill 6.826/10 = 68.3 %. A tenth deeper, and 11.8 % is too little.
  def test_the_sums_by_hand
    ring = STANDARDS.rings.find { |one| one.label == "50 × 3 mm" }
    told = FIT.call(ring, gland(51, 2.5, 4))
    assert_equal([2.0, 15.2, 68.3], told.sums.map { |sum| sum.percent.round(1) })
    assert_in_delta 2.948, told.seated_mm, 0.0005
    assert_equal %w[fits fits fits], told.sums.map(&:verdict)
    assert_equal %w[fits temporary fits], FIT.call(ring, gland(51, 2.6, 4)).sums.map(&:verdict)
    assert_equal %w[fits fits fits], FIT.call(ring, gland(51, 2.6, 4, moving: true)).sums.map(&:verdict), "what moves is squeezed less"
    assert_equal %w[fits temporary fits], FIT.call(ring, gland(51, 2.6, 4)).sums.map(&:verdict)
    assert_equal %w[fits fits fits], FIT.call(ring, gland(51, 2.6, 4, moving: true)).sums.map(&:verdict), "what moves is squeezed less"
    assert_equal "no", FIT.call(ring, gland(51, 2.9, 4)).verdict
    assert_equal "no", FIT.call(ring, gland(65, 2.2, 4)).verdict, "stretched by 30 %"
  end

  def test_backup_rings_by_pressure_and_gap
    ring = STANDARDS.as568_ring("214")
    { [60, 0.05, 70] => false, [60, 0.1, 70] => true, [100, 0.05, 70] => false, [150, 0.01, 70] => true, [150, 0.05, 90] => false,
      [400, 0.01, 90] => true,
      [60, nil, 70] => nil, [nil, 0.05, 70] => nil }.each do |(bar, gap, hardness), wanted|
      told = FIT.call(ring, gland(25.5, 2.85, 4.8, pressure_bar: bar, gap_mm: gap, hardness: hardness))
      wanted.nil? ? assert_nil(told.backup) : assert_equal(wanted, told.backup, [bar, gap, hardness].inspect)
      refute_empty told.backup_why
    end
  end

  # What is said of it, by the row of the table for sections up to 3.53 mm: at 60 bar 0.08 mm.
  def test_why_a_backup_ring_is_wanted
    why = lambda do |gap|
      FIT.call(STANDARDS.as568_ring("214"), gland(25.5, 2.85, 4.8, pressure_bar: 60, gap_mm: gap, hardness: 70)).backup_why
    end
    assert_equal "A gap of 0.1 mm to one side at 60 bar: 70 Shore bears 0.08 mm, so a backup ring is wanted.", why.call(0.1)
    assert_equal "A gap of 0.08 mm to one side at 60 bar: 70 Shore bears 0.08 mm, so a backup ring is not wanted.", why.call(0.08)
    assert_equal "At 60 bar 70 Shore bears a gap of 0.08 mm to one side without a backup ring: measure the gap.", why.call(nil)
  end

  def best(**sizes) = Sizes::RingSearch.new(STANDARDS.rings, FIT).call(Sizes::Measured.new(**sizes), nil)
  def verdicts(found) = found.to_h { |one| [one.ring.label, one.verdict] }

  # Common practice, no source: a 7 × 11 ring has a section of 2 mm, and a 6 × 10 in its place is temporary.
  # Trelleborg O-rings and back-up rings, from memory: a reciprocating ring stands alone up to 5 MPa, a static one to 10 MPa where the gap is small.
  def test_a_ring_that_moves_wants_its_backup_ring_sooner
    gap = { inner_mm: 20.0, outer_mm: 24.0, width_mm: 3.4, seat: "piston", pressure_bar: 80, gap_mm: 0.02 }
    told = [false, true].map { |moving| FIT.call(Struct.new(:inner_mm, :section_mm).new(19.5, 2.5), Sizes::Gland.new(**gap, moving: moving)).backup }
    assert_equal [false, true], told
  end

  # 13.3 × 2.4 is a size of its own, and no 13.5 × 2.5; what lies between sizes is none of them.
  def test_exact_is_the_size_itself
    assert_equal([["13.3 × 2.4 mm", "exact"]], best(inner_mm: 13.3, section_mm: 2.4).first(1).map { |one| [one.ring.label, one.verdict] })
    refute_includes best(inner_mm: 13.4, section_mm: 2.45).map(&:verdict), "exact"
    assert_equal "exact", best(inner_mm: 13.5, section_mm: 2.5).first.verdict
    { 1.6 => 20.1, 2.4 => 20.3, 5.7 => 54.3, 7.0 => 60 }.each do |section, inner|
      assert_equal "exact", best(inner_mm: inner, section_mm: section).first.verdict, section.to_s
    end
  end

  def test_a_smaller_ring_is_temporary
    found = best(inner_mm: 7, outer_mm: 11)
    assert_equal ["7 × 2 mm", "exact"], [found.first.ring.label, found.first.verdict]
    assert_equal "temporary", verdicts(found)["6 × 2 mm"]
    refute_includes verdicts(found).keys, "5 × 2 mm"
  end

  def test_a_used_ring_is_never_quite_known
    found = best(inner_mm: 16.1, section_mm: 1.7, old: true)
    assert_includes found.first(2).map { |one| one.ring.label }, "AS568-016", "or 16.1 × 1.6, that other standards have"
    refute_equal "exact", found.first.verdict
    shares = found.map(&:share)
    assert_operator shares.sum, :<=, 1.0001
    assert_operator shares.first, :>, 0.2
  end

  def ring(inner)
    Sizes::Ring.new(name: nil, standard: "own", inner_mm: inner, section_mm: 2.0, inner_tolerance_mm: 0.1, section_tolerance_mm: 0.08)
  end

  # By hand: √(0.05² + 0.05²) and √(0.05² + 0.04²); a section that was not measured itself is half as far off; used, 3 % of 10 and 6 % of 2 more.
  def test_how_far_off_a_measured_size_may_be
    off = ->(sizes) { Sizes::Measured.new(**sizes).spread(ring(10.0)).map { |one| one.round(4) } }
    assert_equal [0.0707, 0.064], off.call({ inner_mm: 10, section_mm: 2 })
    assert_equal [0.0707, 0.0472], off.call({ inner_mm: 10, outer_mm: 14 })
    assert_equal [0.3082, 0.1289], off.call({ inner_mm: 10, outer_mm: 14, old: true })
  end

  # By hand, two rings 0.2 mm apart and 10.06 measured: exp(−(0.06 ÷ 0.0707)² ÷ 2) to exp(−(0.14 ÷ 0.0707)² ÷ 2) is 0.698 to 0.141.
  def test_how_likely_each_of_two_neighbours_is
    shares = lambda do |inner, *rings|
      found = Sizes::RingSearch.new(rings.map { |size| ring(size) }, FIT).call(Sizes::Measured.new(inner_mm: inner, outer_mm: inner + 4), nil)
      found.to_h { |one| [one.ring.inner_mm, one.share.round(2)] }
    end
    assert_equal({ 10.0 => 0.83, 10.2 => 0.17 }, shares.call(10.06, 10.0, 10.2))
    assert_equal({ 10.0 => 0.5, 10.2 => 0.5 }, shares.call(10.1, 10.0, 10.2))
    assert_equal({ 10.0 => 0.99, 9.8 => 0.01 }, shares.call(10.01, 10.0, 9.8), "0.21 is not quite three times 0.0707")
    assert_equal({ 10.0 => 1.0, 9.8 => 0.0 }, shares.call(10.015, 10.0, 9.8), "0.215 is more")
  end

  # Half a millimetre either way: several sizes may be it, and none is called the one.
  def test_a_rule_does_not_tell_neighbours_apart
    found = best(inner_mm: 7, outer_mm: 11, tool: "rule")
    assert_operator found.count { |one| one.share > 0.05 }, :>, 3
    refute_includes found.map(&:verdict), "exact"
    assert_equal "exact", best(inner_mm: 7, outer_mm: 11).first.verdict
  end

  # Any ring that is measured new and within its tolerances is found among the first, with its own number printed when it fails.
  def test_whatever_is_measured_is_found_again
    random = Random.new(seed = 20_261)
    lost = Array.new(400) do
      ring = STANDARDS.rings.sample(random: random)
      inner, section = [[ring.inner_mm, ring.inner_tolerance_mm], [ring.section_mm, ring.section_tolerance_mm]].map do |size, off|
        size + (off * 0.4 * random.rand(-1.0..1))
      end
      found = best(inner_mm: inner.round(2), section_mm: section.round(2))
      ring.label if found.none? do |one|
        (one.ring.inner_mm - ring.inner_mm).abs < 0.4 && (one.ring.section_mm - ring.section_mm).abs < 0.12 && %w[exact fits].include?(one.verdict)
      end
    end.compact
    assert_operator lost.size, :<=, 4, "seed #{seed}: #{lost}"
  end

  WRONG = { { inner_mm: 11, outer_mm: 7 } => "inner_wider", { inner_mm: 7, outer_mm: 7 } => "inner_wider", { inner_mm: 7 } => "too_few",
            { inner_mm: 7, outer_mm: 11, section_mm: 3 } => "disagree", { outer_mm: 5, section_mm: 3 } => "too_thick",
            { inner_mm: 0, outer_mm: 3 } => "no_size",
            { inner_mm: 5000, section_mm: 3 } => "no_size" }.freeze

  def test_what_cannot_be_is_said_with_its_sum
    WRONG.each { |sizes, code| assert_equal code, assert_raises(InputError, sizes.to_s) { Sizes::Measured.new(**sizes) }.code }
    error = assert_raises(InputError) { Sizes::Measured.new(inner_mm: 7, outer_mm: 11, section_mm: 3) }
    assert_match(/7 \+ 2 · 3 = 13, not 11/, error.message)
    assert_equal "inner_wider", assert_raises(InputError) { gland(20, -1, 3) }.code
  end

  def test_lip_seals_by_three_sizes
    spec = { "id_mm" => 20, "od_mm" => 30, "height_mm" => 7 }
    { [20.1, 30, 7] => "exact", [20.1, 30, 7.6] => "temporary", [20.1, 31, 7] => "no", [21, 30, 7] => "no" }.each do |sizes, verdict|
      assert_equal verdict, Sizes::Lip.compare(Sizes::Lip::SIZES.zip(sizes).to_h, spec, 0.05, false).first, sizes.to_s
    end
    assert_equal "exact", Sizes::Lip.compare({ "id_mm" => 20.5, "od_mm" => 30, "height_mm" => 6.6 }, spec, 0.05, true).first, "worn"
  end

  # By hand: a circle of 3 mm has 7.069 mm²; squeezed to 2.4 mm it is two half circles (4.524) and 2.545/2.4 = 1.06 mm between them.
  def test_a_squeezed_ring_keeps_its_area
    slice = Sizes::Slice.of(gland(50, 2.4, 4), 3.0, 3.0)
    assert_in_delta 3.46, slice.ring_width_mm, 0.005
    assert_equal [2.4, 4, 3.0], [slice.ring_height_mm.round(6), slice.width_mm, slice.free_mm]
    assert_in_delta 3, Sizes::Slice.of(gland(50, 2.4, 3), 3.0, 3.0).ring_width_mm, 1e-9, "it fills the groove at most"
    loose = Sizes::Slice.of(gland(50, 3.5, 4), 3.0, 3.0)
    assert_equal [3.0, 3.0], [loose.ring_height_mm, loose.ring_width_mm], "where nothing squeezes it, it is round"
  end
end
