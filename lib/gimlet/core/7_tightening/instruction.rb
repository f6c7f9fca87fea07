# frozen_string_literal: true

require_relative "../1_catalogue/condition"
require_relative "../value"
require_relative "sequence"
require_relative "../1_catalogue/tightening"

module Gimlet
  module Core
    class Tightening
      # What the person with the wrench needs for one fastener group. `sequences` has the points of each set in their order, empty where
      # order does not matter; `targets_nm` are all values that a torque wrench is set to. `rounds` is what is done to every bolt, round by
      # round, in the customer's unit; `walk` has [point, round] for every turn of the wrench, one set after the other.
      Instruction = Value.of(:fastener, :tightening, :sequences, :passes, :text, :targets_nm, :rounds, :walk)

      # From a fastener of the catalogue to its instruction.
      class Instruct
        # Per cent of the full value in each pass where the sheet is silent. Common practice, no source.
        USUAL_FRACTIONS = [30, 60, 100].freeze
        # Decimal places that a wrench of this unit is read to.
        DIGITS = { "N·m" => 1, "lbf·in" => 0, "lbf·ft" => 1, "kgf·m" => 2 }.freeze

        # @param quantity [Quantity] a torque
        # @return [String] "50 N·m"
        def self.show(quantity)
          rounded = quantity.round(DIGITS.fetch(quantity.unit))
          "#{rounded == rounded.to_i ? rounded.to_i : rounded} #{quantity.unit}"
        end

        # @param unit [String] the customer's torque unit
        # @return [Instruction]
        def self.call(fastener, variant, unit:) = new(fastener, variant, unit).call

        def initialize(fastener, variant, unit)
          @fastener = fastener
          @unit = unit
          met = fastener.tightenings.select { |one| Catalogue::Condition.met?(one.condition, variant) }
          @tightening = met.one? ? met.first : Tightening.new(kind: "none")
        end

        def call
          Instruction.new(fastener: @fastener, tightening: @tightening, sequences: sequences, passes: passes, text: text,
                          targets_nm: passes.map { |one| one.to("N·m").value }, rounds: rounds, walk: walk)
        end

        private

        def sequences
          case @fastener.pattern
          when :each then []
          when :listed then @fastener.sets.map { |set| Sequence.listed(set.points, @fastener.order) }
          else @fastener.sets.map { |set| Sequence.cross(set.points) }
          end
        end

        # @return [Array<Quantity>] in the published unit
        def passes
          torque = @tightening.torque or return []
          return @tightening.steps.map { |step| Quantity.of(step, torque.unit) } if @tightening.steps

          fractions.map { |percent| Quantity.new(value: torque.value * percent / 100, unit: torque.unit) }
        end

        # What comes after the torque is a round of its own; a later turn is a later step, not a round of this job.
        def rounds
          told = passes.map { |one| show(one.to(@unit)) }
          case @tightening.kind
          when "snug_then_angle" then [*told, "#{@tightening.angle_deg}° on"]
          when "torque_to_next_slot" then [*told, "on to the next slot, never back"]
          when "back_off" then [*(told.empty? ? ["tight"] : told), "back off #{turn(@tightening.turns)} turn"]
          when "finger_then_turn" then ["finger-tight", "#{turn(@tightening.turns)} turn on"]
          when "torque" then told
          else [body]
          end
        end

        def walk
          orders = sequences.empty? ? @fastener.sets.map(&:points) : sequences
          orders.flat_map { |points| rounds.each_index.flat_map { |round| points.map { |point| [point, round] } } }
        end

        def fractions
          @tightening.fractions || (@fastener.pattern == :each ? [100] : USUAL_FRACTIONS)
        end

        def text
          [body, treatment, apart].compact.join("; ")
        end

        def body
          case @tightening.kind
          when "torque" then told
          when "snug_then_angle" then "#{told}, then #{@tightening.angle_deg}° on"
          when "finger_then_turn" then "finger-tight, then #{turn(@tightening.turns)} turn"
          when "torque_to_next_slot" then "#{told}, then on to the next slot for the split pin, never back"
          when "back_off" then "#{tight}, back off #{turn(@tightening.turns)} turn, later #{turn(@tightening.then_turns)} turn on"
          when "firm" then "firm; the sheet gives no figure"
          else "no value on file: take it from the maker's manual"
          end
        end

        def treatment
          "threads: #{@tightening.treatment}" if @tightening.treatment
        end

        def tight = @tightening.torque ? "tight to #{told}" : "tight"

        def apart
          "each of the #{@fastener.sets.size} sets by itself" if @fastener.sets.size > 1
        end

        def told
          torque = @tightening.torque
          return show(torque) if torque.unit == @unit

          "#{show(torque.to(@unit))} (published #{show(torque)})"
        end

        def show(quantity)
          Instruct.show(quantity)
        end

        def turn(turns)
          { 0.125 => "one eighth", 0.25 => "a quarter", 0.5 => "half a" }.fetch(turns, turns.to_s)
        end
      end
    end
  end
end
