# frozen_string_literal: true

require_relative "../support/core"

class ReadingTest < Minitest::Test
  include DemoCatalogue

  def test_takes_any_unit_and_keeps_the_trait_s_own
    assert_in_delta 19.05, reading("plunger_mm", '3/4"').value
    assert_in_delta 20.0, reading("plunger_mm", 2 * 10, unit: "mm").value
    assert_equal "plunger diameter 18 to 20 mm", reading("plunger_mm", range: [18, 20]).to_s
    assert_equal "shaft side not sure", reading("shaft_side", unknown: true).to_s
    assert_equal "head material not brass", reading("manifold_material", "brass", denied: true).to_s
    assert_equal "cylinders 3, not certain", reading("cylinders", 3, hedged: true).to_s
  end

  def test_names_the_field_and_the_mistake
    [[{ trait: "colour" }, "trait", "unknown_trait"], [{ trait: "plunger_mm" }, "value", "missing_value"],
     [{ trait: "plunger_mm", value: 900 }, "value", "out_of_range"], [{ trait: "plunger_mm", value: -2 }, "value", "not_positive"],
     [{ trait: "plunger_mm", value: "3 bar" }, "unit", "unit_mismatch"], [{ trait: "head_bolts", value: "some" }, "value", "not_a_count"],
     [{ trait: "plunger_mm", range: [20, 18] }, "range", "bad_range"], [{ trait: "plate", value: "K" * 61 }, "value", "too_long"],
     [{ trait: "cylinders", value: 3, observer: "dog" }, "observer", "unknown_observer"]].each do |fields, field, code|
      error = assert_raises(Gimlet::Core::InputError) { Gimlet::Core::Readings::Reading.from(fields, vocabulary) }
      assert_equal [field, code], [error.field, error.code], fields.inspect
      assert_match(/[.:]/, error.message)
    end
  end
end
