# frozen_string_literal: true

require_relative "../../0_quantities/units"
require_relative "../../1_catalogue/tightening"
require_relative "../words"

module Gimlet::Core
  class Tightening
    # One way of tightening. Each has a file in kinds/ that says all of it:
    #
    #   class FingerThenTurn < Kind
    #     needs "turns" => PART_TURN               # fields of the catalogue format, as JSON Schema
    #
    #     def text(_told, _manual) ...             # one sentence: "finger-tight, then a quarter turn"
    #     def after ...                            # rounds that follow those of a torque wrench: ["finger-tight", "a quarter turn on"]
    #   end
    class Kind
      POSITIVE = { "type" => "number", "exclusiveMinimum" => 0 }.freeze
      PART_TURN = { "type" => "number", "exclusiveMinimum" => 0, "maximum" => 1 }.freeze
      SHORT = { "type" => "string", "minLength" => 1, "maxLength" => 200 }.freeze
      SOURCE = { "source" => SHORT }.freeze
      TORQUE = { "value" => POSITIVE, "unit" => { "enum" => Units::FACTORS.fetch(:torque).keys }, **SOURCE }.freeze
      # Passes up to a torque, and how far it may be off.
      PASSES = { "tolerance" => POSITIVE, "step" => POSITIVE, "steps" => { "type" => "array", "items" => POSITIVE, "minItems" => 1 },
                 "fractions" => { "type" => "array", "items" => { **POSITIVE, "maximum" => 100 }, "minItems" => 1 } }.freeze
      # What any kind may say.
      ALWAYS = { "treatment" => SHORT, "snug_first" => { "type" => "boolean" }, "for" => { "$ref" => "#/$defs/for" },
                 "checked" => { "$ref" => "#/$defs/checked" }, **SOURCE }.freeze

      class << self
        # @return [String] "snug_then_angle" for SnugThenAngle
        def id = name.split("::").last.gsub(/(?<=[a-z])(?=[A-Z])/, "_").downcase

        def needs(fields) = required.merge!(fields)
        def may_have(fields) = optional.merge!(fields)

        # To a value, in passes.
        def needs_torque
          needs TORQUE
          may_have PASSES
        end

        def required = @required ||= {}
        def optional = @optional ||= ALWAYS.dup

        # @return [Hash] JSON Schema of a catalogue entry of this kind
        def schema
          { "type" => "object", "additionalProperties" => false, "required" => ["kind", *required.keys],
            "properties" => { "kind" => { "const" => id }, **optional, **required },
            "dependentRequired" => { "value" => %w[unit source], **(optional.keys & PASSES.keys).to_h { |pass| [pass, ["value"]] } } }
        end
      end

      # @param tightening [Tightening]
      def initialize(tightening)
        @tightening = tightening
      end

      # @param told [String, nil] the torque with its tolerance and source, in the customer's unit; nil without a torque
      # @param manual [String] where what is not on file is looked up
      # @return [String]
      def text(told, _manual) = told

      # @return [Array<String>] rounds that follow those of a torque wrench
      def after = []

      # @return [Tightening, nil] what is done to the same fastener at a later moment of the work; until then it is slack
      def later = nil

      # @return [Boolean] whether it is known what to do
      def on_file? = true

      # @return [Array<String>] what cannot be, in sentences
      def faults = value_faults + pass_faults

      private

      def written(field) = @tightening.written[field]
      def turn(field) = Words.turn(written(field))

      def value_faults
        torque = @tightening.torque or return []
        step, steps, tolerance = written("step"), written("steps"), @tightening.tolerance
        plain = Words.torque(torque)
        [("the steps end at #{steps.last}, not at the value #{plain}." if steps && steps.last != torque.value),
         ("a step of #{step} is no less than the value #{plain}." if step && step >= torque.value),
         ("the tolerance must be less than the value #{plain}." if tolerance && tolerance.value >= torque.value)].compact
      end

      def pass_faults
        lists = [written("steps"), written("fractions")].compact
        [("the fractions end at #{written('fractions').last}, not at 100." if written("fractions") && written("fractions").last != 100),
         ("the passes must rise." if lists.any? { |list| list != list.sort.uniq }),
         ("give one of step, steps and fractions." if (lists + [written("step")].compact).size > 1)].compact
      end
    end
  end
end
