# frozen_string_literal: true

require_relative "../support/core"

class DoctorTest < Minitest::Test
  include DemoCatalogue

  def findings(series_id)
    broken = document(series_id)
    yield broken
    Gimlet::Core::Doctor.call(Gimlet::Core::Catalogue::Build.call(broken)).map { |one| [one.level, one.text] }
  end

  def test_the_demo_is_sound
    snapshot.series.each { |series| assert_empty Gimlet::Core::Doctor.call(series), series.id }
  end

  def test_a_flow_that_bore_and_speed_cannot_make
    found = findings("drosselby-dk4") { |one| one["models"][0]["traits"]["flow_l_min"] = 15 }
    assert_equal [["warning", "rated 15 L/min is 139 % of what bore, stroke and speed sweep."]], found
  end

  def test_a_torque_typed_in_the_wrong_unit
    found = findings("drosselby-dk4") { |one| one["fasteners"][2]["tightenings"][0]["unit"] = "lbf·ft" }
    assert_match(/above the 18.8 lbf·ft that such a bolt commonly takes/, found.first.last)
  end

  def test_references_that_lead_nowhere_or_to_two_places
    { ->(one) { one["fits"] << { "slot" => "hp_seal", "part" => "DB 7818" } } => /only one can be right/,
      ->(one) { one["fits"].shift } => /no part on file/,
      ->(one) { one["kits"][0]["contents"] << { "part" => "DB 9999", "quantity" => 1 } } => /not listed under parts/,
      ->(one) { one["areas"][0]["opens"] = ["lid"] } => /no group “lid”/,
      ->(one) { one["groups"][3]["after"] = ["plunger_nuts"] } => /after itself/,
      ->(one) { one["groups"][0]["disturbs"] = { "inlet_valve" => ["lamp"] } } => /no layer “lamp”/ }.each do |harm, said|
      assert(findings("drosselby-dk4", &harm).any? { |_, text| text.match?(said) }, said.source)
    end
  end

  # What one model lacks and the others have was forgotten; what two of three lack may not be printed.
  def test_a_model_without_what_the_others_have
    lacking = lambda do |*places|
      findings("drosselby-dk4") { |one| places.each { |at| one["models"][at]["traits"].delete("flow_l_min") } }
        .count { |level, text| level == "warning" && text == "has no flow_l_min; all the others have one." }
    end
    assert_equal [0, 1, 1, 0], [lacking.call, lacking.call(0), lacking.call(2), lacking.call(0, 1)]
  end

  # Two that are called alike are told apart only by where they are, or where they are for different pumps.
  def test_two_stacks_of_one_name
    like = lambda do |one, other, **for_whom|
      findings("drosselby-dk4") do |broken|
        first, second = broken["stacks"].values_at(one, other)
        second["name"] = first["name"]
        [first, second].zip(for_whom.values) { |stack, size| stack["for"] = { "plunger_mm" => [size] } if size }
      end.count { |_, text| text.include?("call each by its own") }
    end
    valves, cylinders = [0, 1], [2, 3]
    assert_equal 1, like.call(*cylinders)
    assert_equal 0, like.call(*valves), "at other places"
    assert_equal 0, like.call(*cylinders, first: 18, second: 20)
    assert_equal 1, like.call(*cylinders, first: 18, second: 18)
  end
end
