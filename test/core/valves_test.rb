# frozen_string_literal: true

require_relative "../support/core"
require_relative "../../lib/gimlet/core/valves/valve_search"

# Which unloader serves a pump, and what is otherwise on one that takes another's place.
class ValvesTest < Minitest::Test
  include DemoCatalogue

  Valves = Gimlet::Core::Valves

  def match(instead_of = nil, **need) = Valves::ValveSearch.new(snapshot.variants).call(Valves::Need.new(**need), instead_of && variant(instead_of))
  def verdicts(...) = match(...).to_h { |one| [one.variant.designation, one.verdict] }

  # By hand from the leaflets: WX20 8 to 20 L/min up to 220 bar, WX30 12 to 30 up to 250, HV18 6 to 18 up to 200, WU25 6 to 25 up to 180 ...
  def test_by_flow_and_pressure
    assert_equal({ "WX20" => "exact", "WX30" => "exact", "HV18" => "exact", "HV34" => "exact", "WU25" => "exact", "WU40" => "exact", "WX12" => "no" },
                 verdicts(flow: 16, pressure: 150))
    assert_equal %w[HV34 WU40 WX30], verdicts(flow: 27, pressure: 150).select { |_, one| one == "exact" }.keys.sort
    assert_equal({ "fits" => 1, "no" => 6 }, verdicts(flow: 25, pressure: 245).values.tally, "WX30 alone, at its end")
    assert_equal ["no"], verdicts(flow: 500).values.uniq
  end

  def test_by_ports_and_heat_and_what_it_does_when_the_gun_shuts
    found = verdicts(flow: 16, pressure: 150, inlet_port: "G 3/8\"", temperature_c: 80)
    assert_equal "exact", found["HV18"]
    assert_equal "no", found["WX20"], "60 °C at most"
    assert_equal "fits", found["HV34"], "an adapter"
    shut = match(flow: 16, pressure: 150, on_shut: "unloads").find { |one| one.variant.designation == "WU25" }
    assert_equal "fits", shut.verdict
    assert_includes shut.points.last.says, "bypasses at full pressure"
  end

  def test_in_the_place_of_another
    choices = match("WX20", flow: 16, pressure: 150)
    assert_equal "WX20", choices.first.variant.designation
    hv = choices.find { |choice| choice.variant.designation == "HV18" }
    assert_equal "fits", hv.verdict
    assert_includes hv.differs, "outlet: M22 x 1.5 instead of G 3/8"
    assert_includes hv.differs, "setting spring: green instead of blue"
    assert_includes hv.differs, "water at most, °C: 85 instead of 60"
    refute(hv.differs.any? { |differ| differ.start_with?("inlet", "when the gun") }, "the same is not said")
    assert_equal "fits", verdicts("WX20")["WX12"], "another range, and nobody said the flow"
    assert_equal "too_few", assert_raises(Gimlet::Core::InputError) { match }.code
  end

  # A valve is sold whole too: its number leads to it.
  def test_the_number_of_a_whole_valve_leads_to_it
    whole = SNAPSHOT.variants.select { |variant| variant.model.service&.key?("sold_as") }
    refute_empty whole
    whole.each do |variant|
      at = SNAPSHOT.variants.index(variant)
      assert_includes FIELD.column("part_number").values[FIELD.column("part_number").places[at]], variant.model.service["sold_as"]
    end
  end
end
