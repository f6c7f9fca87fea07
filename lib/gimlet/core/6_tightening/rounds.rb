# frozen_string_literal: true

require_relative "../0_quantities/quantity"
require_relative "../1_catalogue/tightening"
require_relative "../value"
require_relative "kinds"
require_relative "passes"
require_relative "words"

module Gimlet::Core
  class Tightening
    # What is done to the bolts of a group before the next thing is. `torque` is what a wrench is set to, nil where none is; `only` are
    # labels of the bolts that it is for, nil for all of them.
    Round = Value.of(:text, :torque, :only)

    # The rounds of one fastener group, in the customer's unit.
    class Rounds
      # Bolts that hold each other well enough with one round at the value. Common practice, no source.
      FEW = 4
      # A pass on the way below this is done by feel, in N·m: no wrench is fetched for it. Common practice, no source.
      BY_FEEL_NM = 3

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

      # What comes after the torque is a round of its own.
      def call
        kind = Kinds.of(@tightening)
        kind.on_file? ? [*first, *torques, *kind.after.map { |text| Round.new(text: text) }] : []
      end

      private

      def first
        [(Round.new(text: "draw in, these by turns", only: @fastener.draw_in.map(&:to_s)) if @fastener.draw_in),
         (Round.new(text: "snug, by hand") if @tightening.snug_first)].compact
      end

      def torques
        passes = Passes.of(@tightening, @fastener.pattern)
        all = passes.map { |pass| by_feel?(pass, passes) ? felt(pass) : Round.new(text: Words.torque(pass.to(@unit)), torque: pass) }
        again? ? [*all, Round.new(text: "#{all.last.text} again, all round", torque: passes.last)] : all
      end

      def by_feel?(pass, passes) = !pass.equal?(passes.last) && pass.to("N·m").value < BY_FEEL_NM
      def felt(pass) = Round.new(text: "by feel, about #{Words.torque(pass.to(@unit))}")

      # Each bolt that is drawn down slackens those before it: a last round finds them (ASME PCC-1, from memory).
      def again?
        @tightening.kind == "torque" && @fastener.pattern != :each && @fastener.sets.map { |set| set.points.size }.max > FEW
      end
    end
  end
end
