# frozen_string_literal: true

require_relative "../support/core"

# What can hurt in a change of a series is named, and stands first.
class DangerTest < Minitest::Test
  include DemoCatalogue

  def row(one, list, name) = one[list].find { |entry| [entry["id"], entry["number"], entry["slot"]].include?(name) }
  def layer(one, stack, slot) = row(row(one, "stacks", stack), "layers", slot)

  def effects(series = "pellwick-tk4")
    before = document(series)
    after = document(series)
    yield after
    Gimlet::Core::Drafting::Effects.of(*[before, after].map { |one| Gimlet::Core::Catalogue::Build.call(one) })
  end

  def dangers(...) = effects(...).filter_map(&:danger).uniq

  def test_each_danger_by_its_name
    { "a torque goes up" => ->(one) { row(one, "fasteners", "head_bolts")["tightenings"][0]["value"] = 210 },
      "a torque goes down" => ->(one) { row(one, "fasteners", "head_bolts")["tightenings"][0]["value"] = 160 },
      "a tightening is another" => ->(one) { row(one, "fasteners", "plate_bolts")["tightenings"] = [{ "kind" => "none" }] },
      "a direction is turned" => ->(one) { layer(one, "packing", "hp_seal")["opens_to"] = "towards" },
      "a piece is no longer renewed" => ->(one) { layer(one, "packing", "hp_seal").merge!("reuse" => "keep") },
      "a part is renewed less often" => ->(one) { row(one, "stacks", "packing")["positions"].pop },
      "a caution is gone" => ->(one) { one["cautions"].shift },
      "the crank stands otherwise" => ->(one) { one["refit"]["school"] = "centre_out" },
      "a pump is gone" => ->(one) { one["models"].pop } }.each { |danger, change| assert_includes dangers(&change), danger }
  end

  # What a caution is worked out from on the pump itself changes that pump's caution, and no sister's that shares all its parts.
  def test_a_rating_or_a_mass_changes_the_caution_of_that_pump_alone
    { "pressure_bar" => 440, "mass_kg" => 61 }.each do |trait, figure|
      last = nil
      told = effects("nordmoy-nd") do |one|
        last = one["models"].last
        last["traits"][trait] = figure
      end
      cautions = told.select { |one| one.kind == "caution" }
      refute_empty cautions, trait
      assert_equal [last["designation"]], cautions.flat_map(&:pumps).map { |pump| pump[/\S+/] }.uniq, trait
      assert(cautions.any? { |one| one.is.to_s.include?(figure.to_s) }, trait)
    end
  end

  def test_what_hurts_stands_first_and_names_pumps_and_areas
    told = effects do |one|
      one["tools"].each { |tool| tool["name"] = "#{tool['name']}, new" }
      row(one, "fasteners", "head_bolts")["tightenings"][0]["value"] = 210
    end
    assert_equal ["a torque goes up", 14, %w[inlet_valves packings plungers oil_seals]], [told.first.danger, told.first.pumps.size, told.first.areas]
    assert_nil told.last.danger
    assert_match(/22 ± 1 N·m \(published 195 lbf·in\)/, told.first.was)
    assert_match(/23.7 ± 1 N·m \(published 210 lbf·in\)/, told.first.is)
  end

  # Two pumps whose work is the same may look otherwise: one that leaves the other's company looks as it did.
  def test_looks_are_compared_pump_by_pump
    told = effects("silverow-sv") { |one| one["models"].find { |model| model["designation"] == "SV24X" }["stroke_mm"] += 2 }
    refute_includes told.map(&:kind), "drawn"
  end

  def test_nothing_changed_is_nothing_told
    assert_empty(effects { |one| one["sources"].rotate! })
  end

  def test_a_new_series_is_new_pumps
    series = Gimlet::Core::Catalogue::Build.call(document("quellby-va"))
    assert_equal [["pump", nil, "on file"]], Gimlet::Core::Drafting::Effects.of(nil, series).map { |one| [one.kind, one.was, one.is] }.uniq
    assert_equal ["a pump is gone"], Gimlet::Core::Drafting::Effects.of(series, nil).map(&:danger).uniq
  end
end
