# frozen_string_literal: true

require_relative "../1_catalogue/condition"
require_relative "../1_catalogue/tightening"
require_relative "../value"
require_relative "kinds"
require_relative "passes"
require_relative "rounds"
require_relative "sequence"
require_relative "words"

module Gimlet::Core
  class Tightening
    # What the person with the wrench needs for one fastener group. `sequences` has the points of each set in their order, empty where
    # order does not matter; `passes` are all values that a torque wrench is set to. `rounds` are of Round; `walk` has [point, round] for
    # every turn of the wrench, one set after the other. `entered` says that the value is the specialist's, for want of one on file. `again` is
    # true of what is done to a fastener for the second time, when other work lies between.
    Instruction = Value.of(:fastener, :tightening, :sequences, :passes, :text, :rounds, :walk, :entered, :again) do
      def self.id(fastener, again) = again ? "#{fastener}-again" : fastener

      def id = Instruction.id(fastener.id, again)
      def name = again ? "#{fastener.name}, again" : fastener.name
      def targets_nm = passes.map { |pass| pass.to("N·m").value }

      # @param extension [Extension, nil]
      # @return [Array<Numeric>] what the wrench is set to, N·m
      def settings_nm(extension)
        set = rounds.filter_map(&:torque).uniq.map { |pass| pass.to("N·m").value }
        extension ? set.map { |value| extension.setting_nm(value) } : set
      end

      # @return [Boolean] whether a value, or another way, is on file or was entered
      def on_file? = Kinds.of(tightening).on_file?
    end

    # From a fastener of the catalogue to its instruction.
    class Instruct
      # @param unit [String] the customer's torque unit
      # @param entered [Entered, nil] for want of a value on file
      # @return [Array<Instruction>] one for each moment at which it is tightened
      def self.call(fastener, variant, unit:, entered: nil)
        published = published(fastener, variant)
        first = new(fastener, variant, unit, published, (entered unless Kinds.of(published).on_file?)).call
        later = Kinds.of(published).later
        [first, later && new(fastener, variant, unit, later).call.with(again: true)].compact
      end

      # @return [Tightening] what the sheet says for this pump
      def self.published(fastener, variant)
        met = fastener.tightenings.select { |tightening| Catalogue::Condition.met?(tightening.condition, variant) }
        met.one? ? met.first : Tightening.none
      end

      def initialize(fastener, variant, unit, published, entered = nil)
        @fastener = fastener
        @variant = variant
        @unit = unit
        @entered = entered
        @tightening = entered ? published.entered(entered.torque, entered.source) : published
      end

      def call
        Instruction.new(fastener: @fastener, tightening: @tightening, sequences: sequences, passes: Passes.of(@tightening, @fastener.pattern),
                        text: text, rounds: rounds, walk: walk, entered: !@entered.nil?, again: false)
      end

      private

      def sequences
        @sequences ||= case @fastener.pattern
                       when :each then []
                       when :listed then @fastener.sets.map { |set| Sequence.listed(set.points, @fastener.order) }
                       else @fastener.sets.map { |set| Sequence.cross(set.points) }
                       end
      end

      def rounds = @rounds ||= Rounds.of(@fastener, @tightening, @unit)

      def walk
        orders = sequences.empty? ? @fastener.sets.map(&:points) : sequences
        orders.flat_map { |points| rounds.each_with_index.flat_map { |round, at| turned(points, round).map { |point| [point, at] } } }
      end

      def turned(points, round) = round.only ? points.select { |point| round.only.include?(point.label) } : points

      def text = [*first, body, treatment, apart].compact.join("; ")

      def first
        [("draw in with #{drawing_in.join(' and ')} by turns" if @fastener.draw_in), ("snug first" if @tightening.snug_first)].compact
      end

      # As they are numbered where the order is drawn.
      def drawing_in
        labels = @fastener.draw_in.map(&:to_s)
        sequences.empty? ? labels : labels.map { |label| sequences.first.index { |point| point.label == label } + 1 }
      end

      def body = Kinds.of(@tightening).text(@tightening.torque && torque_in_words, @variant.series.manual || "the maker's manual")

      def treatment
        "threads: #{@tightening.treatment}" if @tightening.treatment
      end

      def apart
        "each of the #{@fastener.sets.size} sets by itself" if @fastener.sets.size > 1
      end

      def torque_in_words
        torque, tolerance = @tightening.torque, @tightening.tolerance
        shown = Words.torque(torque.to(@unit))
        shown = shown.sub(" ", " ± #{Words.torque(tolerance.to(@unit)).split.first} ") if tolerance
        published = Words.torque(torque) unless torque.unit == @unit
        whose = "entered at the counter: #{@tightening.source}" if @entered
        notes = [published && "published #{published}", whose].compact
        notes.empty? ? shown : "#{shown} (#{notes.join('; ')})"
      end
    end
  end
end
