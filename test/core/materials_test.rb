# frozen_string_literal: true

require_relative "../support/core"
require_relative "../../lib/gimlet/core/materials/service"
require_relative "../../lib/gimlet/exchange/reference_files"

# Rubber against what it meets.
class MaterialsTest < Minitest::Test
  include DemoCatalogue

  TABLE = Gimlet::Exchange::ReferenceFiles::TABLES.elastomers

  # Compatibility tables of O-ring handbooks (Parker ORD 5700, section VII), from memory: what everybody agrees on.
  KNOWN = { %w[EPDM mineral_oil] => "no", %w[EPDM diesel] => "no", %w[EPDM brake_fluid] => "fits", %w[NBR mineral_oil] => "fits",
            %w[NBR brake_fluid] => "no",
            %w[NBR ozone] => "no", %w[FKM petrol] => "fits", %w[FKM steam] => "no", %w[FKM acetic_acid] => "no", %w[EPDM steam] => "fits",
            %w[PTFE steam] => "fits",
            %w[AU hypochlorite] => "no", %w[EPDM vegetable_oil] => "no", %w[FKM biodiesel] => "fits", %w[FKM acetone] => "no",
            %w[EPDM acetone] => "fits", %w[FKM ammonia] => "no", %w[EPDM ammonia] => "fits", %w[FFKM acetone] => "fits", %w[FEPM steam] => "fits",
            %w[POM mineral_acid] => "no", %w[NBR chlorine] => "no", %w[NBR milk] => "fits", %w[EPDM cip_caustic] => "fits",
            %w[FKM cip_caustic] => "no", %w[EPDM urea] => "fits" }.freeze

  def verdict(material, **asked) = TABLE.call(TABLE.find(material), **asked).map(&:verdict)

  def test_the_table
    KNOWN.each { |(material, medium), told| assert_equal [told], verdict(material, medium: medium), "#{material} #{medium}" }
    assert_equal %w[no], verdict("EPDM", lubricant: "lithium grease"), "common practice: never mineral grease on EPDM"
    assert_equal %w[no], verdict("EPDM", lubricant: "petroleum jelly")
    assert_equal %w[fits], verdict("EPDM", lubricant: "silicone grease")
    assert_equal %w[fits], verdict("nitrile", lubricant: "lithium grease")
    assert_equal %w[no], verdict("silicone", lubricant: "silicone grease")
    assert_equal %w[fits fits], verdict("NBR", medium: "water", temperature_c: 60)
    assert_equal %w[fits no], verdict("NBR", medium: "water", temperature_c: 95)
    assert_equal %w[fits fits], verdict("NBR", medium: "mineral_oil", temperature_c: 95), "oil is kinder than water"
    assert_equal %w[fits no], verdict("NBR", medium: "alkaline_wash", temperature_c: 95), "detergent is water"
    assert_equal %w[fits fits], verdict("EPDM", medium: "cip_caustic", temperature_c: 95)
    assert_nil TABLE.find("brass")
  end

  def test_what_a_catalogue_may_set_a_piece_in_with_is_rated
    assert_equal Gimlet::Core::Catalogue::LUBRICANTS.sort, TABLE.lubricants.sort
  end

  def test_every_pair_is_rated
    TABLE.media.each_key do |medium|
      TABLE.elastomers.each do |elastomer|
        assert_includes %w[fits temporary no], verdict(elastomer.id, medium: medium).first
      end
    end
  end

  def cautions(pump, work, **service)
    told = Gimlet::Core::Materials::Service.new(table: TABLE, **service)
    Gimlet::Core::Plan::Rebuild.new(snapshot, STOCK).call(variant(pump), scope: [work], service: told).cautions.map(&:text)
  end

  def test_an_order_says_what_its_seals_do_not_bear
    assert_includes cautions("HV18", "unloader", medium: "brake_fluid"),
                    "shaped soft ring 9 × 14 HG-9: NBR (nitrile) does not bear brake fluid (glycol ether)."
    assert_empty(cautions("HV18", "unloader", medium: "water", temperature_c: 60).grep(/bear|swell/))
    assert_match(/90 °C is beyond that/, cautions("HV18", "unloader", medium: "water", temperature_c: 90).grep(/bears/).first)
  end

  # Double-acting, packings: 10 g of petroleum jelly go onto all of it, and its O-rings are made EPDM here.
  def test_a_consumable_of_the_work_is_held_against_all_that_sits_there
    told = document("brackenholt-dw")
    told["parts"].find { |part| part["number"] == "BW-1" }["spec"]["material"] = "EPDM"
    told["stacks"].flat_map { |stack| stack["layers"] }.each { |layer| layer["lube"] = "dry" }
    other = Gimlet::Core::Catalogue::Snapshot.new([Gimlet::Core::Catalogue::Build.call(told)], version: "x")
    service = Gimlet::Core::Materials::Service.new(table: TABLE)
    found = Gimlet::Core::Plan::Rebuild.new(other, STOCK).call(other.variants.first, scope: ["packings"], service: service).cautions.map(&:text)
    assert_includes found, "flange O-ring 26 × 3 BW-1: Never petroleum jelly on EPDM: it swells. Use silicone grease or water."
    assert_equal(["lithium grease", "silicone grease", nil], ["Lithium grease, tube", "silicone grease 50 g", "thread adhesive"].map do |one|
      TABLE.lubricant(one)
    end)
  end

  def test_the_worst_of_several_answers_is_the_verdict
    epdm = TABLE.find("EPDM")
    { { medium: "water" } => "They go together.", { medium: "water", lubricant: "oil" } => "They do not go together." }.each do |asked, words|
      assert_equal words, TABLE.class.together(TABLE.call(epdm, **asked))
    end
    assert_equal "For a while only.", TABLE.class.together(TABLE.call(TABLE.find("AU"), medium: "water", temperature_c: 20))
    assert_nil TABLE.class.together([])
  end
end
