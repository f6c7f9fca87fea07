# frozen_string_literal: true

require_relative "../support/core"

class CatalogueTest < Minitest::Test
  include DemoCatalogue

  Catalogue = Gimlet::Core::Catalogue

  def with_breaks(*breaks)
    changed = document("drosselby-dk4")
    changed["serial_breaks"] = breaks
    Catalogue::Variant.of_series(Catalogue::Build.call(changed))
  end

  def test_two_breaks_make_three_variants_of_a_model
    variants = with_breaks({ "id" => "b", "from" => 500, "note" => "n", "share_from" => 0.2, "models" => ["DK420"] },
                           { "id" => "a", "from" => 100, "note" => "n", "share_from" => 0.7, "models" => ["DK420"] })
    cut = variants.select { |variant| variant.designation == "DK420" }
    assert_equal ["before 100", "100 to 499", "from 500"], cut.map(&:serial_range)
    [0.3, 0.5, 0.2].zip(cut) { |share, one| assert_in_delta share, one.share }
    assert_equal [true, false], [cut[1].from?("a"), cut[1].from?("b")]
    assert_equal [nil], variants.select { |variant| variant.designation == "DK418" }.map(&:serial_range)
  end

  def test_each_serial_belongs_to_exactly_one_variant
    variants = snapshot.variants_of("TK4L20")
    [1, 30_999, 31_000, 99_999].each { |serial| assert_equal 1, variants.count { |variant| variant.covers_serial?(serial) }, serial }
  end

  def test_conditions
    from = variant("TK4L20 from 31000")
    { nil => true, { "plunger_mm" => 20 } => true, { "plunger_mm" => [18, 20] } => true, { "plunger_mm" => 18 } => false,
      { "from" => "valve-b" } => true, { "before" => "valve-b" } => false, { "from" => "other" } => false,
      { "plunger_mm" => 20, "shaft_side" => "right" } => false }.each do |condition, met|
      assert_equal met, Catalogue::Condition.met?(condition, from), condition.inspect
    end
  end

  def test_supersession_chains_end_even_when_they_run_in_a_circle
    changed = document("drosselby-dk4")
    changed["parts"][1]["superseded_by"] = "DB 7710"
    changed["parts"][2]["interchange"] = ["DB 7712"]
    circle = Catalogue::Snapshot.new([Catalogue::Build.call(changed)], version: "x")
    assert_equal ["DB 7715", "DB 7710"], circle.serving("DB 7710")
    assert_equal ["DB 7711", "DB 7712"], circle.serving("DB 7711")
  end

  def test_what_is_built_cannot_be_changed
    assert_predicate snapshot, :frozen?
    assert_raises(FrozenError) { snapshot.variants.first.model.designation = "X" }
    assert_raises(FrozenError) { snapshot.variants.first.traits["maker"] = "X" }
    assert_raises(FrozenError) { snapshot.series.first.parts.first.spec["od_mm"] = 1 }
    assert Ractor.shareable?(snapshot.series), "everything inside is frozen"
  end

  # What may be turned over once was perhaps turned before, and what has an interval is perhaps over it: both are asked for.
  def test_what_is_asked_of_a_piece_besides_its_own_criteria
    layer = Gimlet::Core::Catalogue::Layer.new(reuse: "turn_over_once", criteria: [], interval: { "hours" => 800 })
    assert_equal ["turned over before: renew it", "hours since renewed over 800 hours: renew it"], layer.checks.map(&:to_s)
    assert_equal ["hours"], layer.limits.map(&:unit)
    assert_empty layer.with(reuse: "keep", interval: nil).checks
  end
end
