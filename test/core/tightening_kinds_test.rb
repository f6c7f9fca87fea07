# frozen_string_literal: true

require_relative "../support/core"

# Every way of tightening by an example written by hand: its sentence, and the rounds that follow those of the torque wrench.
class TighteningKindsTest < Minitest::Test
  Tightening = Gimlet::Core::Tightening
  Kinds = Tightening::Kinds

  TORQUE = { "value" => 40, "unit" => "N·m", "source" => "sheet 1" }.freeze
  # Kind => [fields, sentence, rounds after the torque]
  EXAMPLES = {
    "torque" => [TORQUE, "40 N·m", []],
    "snug_then_angle" => [{ **TORQUE, "angles_deg" => [60, 30] }, "40 N·m, then 60° on, then 30° on", ["60° on", "30° on"]],
    "finger_then_turn" => [{ "turns" => 0.25 }, "finger-tight, then a quarter turn", ["finger-tight", "a quarter turn on"]],
    "torque_to_next_slot" => [{ **TORQUE, "slots" => 12 }, "40 N·m, then on to the next slot for the split pin (less than 30°), never back",
                              ["on to the next slot, never back"]],
    "back_off" => [{ "turns" => 0.5, "then_turns" => 0.25 }, "tight, back off half a turn; later tight again, and a quarter turn beyond",
                   ["tight", "back off half a turn"]],
    "tight_then_turn" => [{ "turns" => 0.125 }, "tight, and one eighth turn beyond", ["tight", "one eighth turn beyond"]],
    "firm" => [{}, "firm; the sheet gives no figure", ["firm; the sheet gives no figure"]],
    "sets" => [{}, Gimlet::Core::Tightening::Kinds::Sets::SETS, ["in by the turns that were counted",
                                                                 "set with a gauge, never above the weakest of pump, hose and gun",
                                                                 "the lock tight, the screw held"]],
    "none" => [{}, "no value on file: look in the manual", []]
  }.freeze

  def kind(id, fields) = Kinds.of(Tightening.from({ "kind" => id, **fields }))

  def test_there_is_an_example_of_each
    assert_equal Kinds::ALL.keys.sort, EXAMPLES.keys.sort
  end

  EXAMPLES.each do |id, (fields, sentence, after)|
    define_method(:"test_#{id}") do
      way = kind(id, fields)
      told = fields["value"] && "40 N·m"
      assert_equal [sentence, after, id != "none", []], [way.text(told, "the manual"), way.after, way.on_file?, way.faults]
      assert_empty way.class.required.keys - fields.keys
      assert_empty fields.keys - way.class.schema["properties"].keys
    end
  end

  def test_what_cannot_be_is_said
    { { "steps" => [20, 30] } => /the steps end at 30, not at the value 40 N·m/, { "step" => 40 } => /a step of 40 is no less/,
      { "tolerance" => 40 } => /must be less/, { "fractions" => [50, 90] } => /end at 90, not at 100/, { "steps" => [30, 20, 40] } => /must rise/,
      { "step" => 10, "fractions" => [100] } => /give one of/ }.each do |more, words|
      assert_match words, kind("torque", { **TORQUE, **more }).faults.join(" "), more
    end
  end

  def test_what_has_no_value_has_no_rounds_either
    none = Tightening.from("kind" => "none", "snug_first" => true)
    fastener = Gimlet::Core::Catalogue::Fastener.new(pattern: :star, draw_in: %w[a b])
    assert_empty Tightening::Rounds.of(fastener, none, "N·m")
  end
end
