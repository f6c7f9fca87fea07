# frozen_string_literal: true

require_relative "../0_quantities/quantity"
require_relative "../1_catalogue/tightening"
require_relative "../value"
require_relative "passes"
require_relative "words"

module Gimlet
  module Core
    class Tightening
      # What is done to the bolts of a group before the next thing is. `torque` is what a wrench is set to, nil where none is; `only` are
      # labels of the bolts that it is for, nil for all of them.
      Round = Value.of(:text, :torque, :only)

      # The rounds of one fastener group, in the customer's unit.
      class Rounds
        # @param fastener [Catalogue::Fastener]
        # @param tightening [Tightening]
        # @param unit [String] the customer's torque unit
        # @return [Array<Round>]
        def self.of(fastener, tightening, unit) = new(fastener, tightening, unit).call

        def initialize(fastener, tightening, unit)
          @fastener = fastener
          @tightening = tightening
          @unit = unit
        end

        # What comes after the torque is a round of its own; a later turn is a later step, not a round of this job.
        def call
          case @tightening.kind
          when "none" then []
          when "firm" then [*first, Round.new(text: Words::FIRM)]
          when "finger_then_turn" then [Round.new(text: "finger-tight"), after("#{Words.turn(@tightening.turns)} turn on")]
          else [*first, *torques, *last]
          end
        end

        private

        def first
          [(Round.new(text: "draw in, these by turns", only: @fastener.draw_in.map(&:to_s)) if @fastener.draw_in),
           (Round.new(text: "snug, by hand") if @tightening.snug_first)].compact
        end

        def torques
          Passes.of(@tightening, @fastener.pattern).map { |one| Round.new(text: Words.torque(one.to(@unit)), torque: one) }
        end

        def last
          case @tightening.kind
          when "snug_then_angle" then @tightening.angles_deg.map { |angle| after("#{angle}° on") }
          when "torque_to_next_slot" then [after("on to the next slot, never back")]
          when "back_off" then [(after("tight") unless @tightening.torque), after("back off #{Words.turn(@tightening.turns)} turn")].compact
          else []
          end
        end

        def after(text) = Round.new(text: text)
      end
    end
  end
end
