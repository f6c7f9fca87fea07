# frozen_string_literal: true

require_relative "../1_catalogue/condition"
require_relative "../1_catalogue/tightening"
require_relative "../value"
require_relative "passes"
require_relative "sequence"

module Gimlet
  module Core
    class Tightening
      # What the person with the wrench needs for one fastener group. `sequences` has the points of each set in their order, empty where
      # order does not matter; `targets_nm` are all values that a torque wrench is set to. `rounds` is what is done to every bolt, round by
      # round, in the customer's unit; `walk` has [point, round] for every turn of the wrench, one set after the other. `entered` says that
      # the value is the specialist's, for want of one on file.
      Instruction = Value.of(:fastener, :tightening, :sequences, :passes, :text, :targets_nm, :rounds, :walk, :entered)

      # From a fastener of the catalogue to its instruction.
      class Instruct
        # Decimal places that a wrench of this unit is read to.
        DIGITS = { "N·m" => 1, "lbf·in" => 0, "lbf·ft" => 1, "kgf·m" => 2 }.freeze

        # @param quantity [Quantity] a torque
        # @return [String] "50 N·m"
        def self.show(quantity) = "#{plain(quantity.round(DIGITS.fetch(quantity.unit)))} #{quantity.unit}"

        # @return [String] without a point where there is nothing behind it
        def self.plain(number) = (number == number.to_i ? number.to_i : number).to_s

        # @param unit [String] the customer's torque unit
        # @param entered [Entered, nil] for want of a value on file
        # @return [Instruction]
        def self.call(fastener, variant, unit:, entered: nil) = new(fastener, variant, unit, entered).call

        def initialize(fastener, variant, unit, entered)
          @fastener = fastener
          @variant = variant
          @unit = unit
          met = fastener.tightenings.select { |one| Catalogue::Condition.met?(one.condition, variant) }
          published = met.one? ? met.first : Tightening.new(kind: "none")
          @entered = entered if published.kind == "none"
          @tightening = @entered ? published.entered(@entered.torque, @entered.source) : published
        end

        def call
          Instruction.new(fastener: @fastener, tightening: @tightening, sequences: sequences, passes: passes, text: text,
                          targets_nm: passes.map { |one| one.to("N·m").value }, rounds: rounds, walk: walk, entered: !@entered.nil?)
        end

        private

        def sequences
          case @fastener.pattern
          when :each then []
          when :listed then @fastener.sets.map { |set| Sequence.listed(set.points, @fastener.order) }
          else @fastener.sets.map { |set| Sequence.cross(set.points) }
          end
        end

        def passes = @passes ||= Passes.of(@tightening, @fastener.pattern)

        # What comes after the torque is a round of its own; a later turn is a later step, not a round of this job.
        def rounds
          told = passes.map { |one| show(one.to(@unit)) }
          case @tightening.kind
          when "snug_then_angle" then [*told, *angles]
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

        def text = [body, treatment, apart].compact.join("; ")

        def body
          case @tightening.kind
          when "torque" then told
          when "snug_then_angle" then "#{told}, then #{angles.join(', then ')}"
          when "finger_then_turn" then "finger-tight, then #{turn(@tightening.turns)} turn"
          when "torque_to_next_slot" then "#{told}, then on to the next slot for the split pin#{at_most}, never back"
          when "back_off" then "#{tight}, back off #{turn(@tightening.turns)} turn, later #{turn(@tightening.then_turns)} turn on"
          when "firm" then "firm; the sheet gives no figure"
          else "no value on file: look in #{@variant.series.manual || "the maker's manual"}"
          end
        end

        def treatment
          "threads: #{@tightening.treatment}" if @tightening.treatment
        end

        def angles = @tightening.angles_deg.map { |angle| "#{angle}° on" }

        # The slots of a castle nut stand evenly: one pitch is the most that it is ever turned on.
        def at_most
          " (less than #{Instruct.plain((360.0 / @tightening.slots).round(1))}°)" if @tightening.slots
        end

        def tight = @tightening.torque ? "tight to #{told}" : "tight"

        def apart
          "each of the #{@fastener.sets.size} sets by itself" if @fastener.sets.size > 1
        end

        def told
          torque, tolerance = @tightening.torque, @tightening.tolerance
          shown = show(torque.to(@unit))
          shown = shown.sub(" ", " ± #{show(tolerance.to(@unit)).split.first} ") if tolerance
          published = show(torque) unless torque.unit == @unit
          whose = "entered at the counter: #{@tightening.source}" if @entered
          notes = [published && "published #{published}", whose].compact
          notes.empty? ? shown : "#{shown} (#{notes.join('; ')})"
        end

        def show(quantity) = Instruct.show(quantity)

        def turn(turns)
          { 0.125 => "one eighth", 0.25 => "a quarter", 0.5 => "half a" }.fetch(turns) { Rational(turns.to_s).rationalize(Rational(1, 100)).to_s }
        end
      end
    end
  end
end
