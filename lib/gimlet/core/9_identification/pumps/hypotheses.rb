# frozen_string_literal: true

require "set"
require_relative "../../1_catalogue/in_hand"
require_relative "../../desk/learning"
require_relative "../hypothesis"

module Gimlet::Core
  module Identification
    # The pumps of a catalogue as hypotheses. What an edit of another series cannot have changed stays the same object.
    #
    #   all = Hypotheses.new(snapshot)
    #   Hypotheses.new(edited, {}, all).all # one for each variant, in the same order
    class Hypotheses
      # Those of one series, and every number that they speak of.
      Block = Value.of(:hypotheses, :numbers)

      # @return [Array<Hypothesis>]
      def self.of(...) = new(...).all

      # @param counts [Hash{String=>Integer}]
      # @return [Hash{String=>Float}] how often each variant comes over this counter
      def self.learned(snapshot, counts)
        Desk::Learning.weights(counts, practice(snapshot), snapshot.variants.to_h { |variant| [variant.id, variant.series.id] })
      end

      # @return [Hash{String=>Numeric}] how often each variant comes over a counter, wherever it is
      def self.practice(snapshot) = snapshot.variants.to_h { |variant| [variant.id, variant.usual_weight] }

      # @return [Array<Hypothesis>]
      attr_reader :all

      # @param snapshot [Catalogue::Snapshot]
      # @param counts [Hash{String=>Integer}] tickets by id of the variant, that this counter has learned from
      # @param before [Hypotheses, nil] of the catalogue before
      def initialize(snapshot, counts = {}, before = nil)
        @snapshot = snapshot
        @learned = self.class.learned(snapshot, counts) unless counts.empty?
        @in_hand = Catalogue::InHand.new(snapshot)
        kept = before ? before.kept_in(snapshot) : {}
        kept = kept.to_h { |series, block| [series, weighed(block, series)] }.compare_by_identity if @learned || before&.learned?
        @blocks = snapshot.series.to_h { |series| [series, kept[series] || block(series)] }.compare_by_identity
        @all = @blocks.each_value.flat_map(&:hypotheses).freeze
      end

      # @return [Boolean] whether they weigh otherwise than practice has it
      def learned? = !@learned.nil?

      # Blocks of series that are the same, and speak of no number that a series which came, went or changed speaks of: numbers are replaced and
      # sold together across series.
      # @param snapshot [Catalogue::Snapshot] the next
      # @return [Hash{Catalogue::Series=>Block}] by identity
      def kept_in(snapshot)
        gone, come = @blocks.keys.reject { |series| snapshot.of(series) }, snapshot.series.reject { |series| @blocks.key?(series) }
        touched = [*gone.map { |series| @blocks[series].numbers }, *come.map { |series| numbers(series) }].reduce(Set.new, :|)
        @blocks.select { |series, block| snapshot.of(series) && !block.numbers.intersect?(touched) }
      end

      private

      def block(series)
        hypotheses = @snapshot.of(series).map { |variant| hypothesis(variant) }
        lists = hypotheses.map { |one| one.traits["part_number"] }.uniq(&:object_id)
        Block.new(hypotheses: hypotheses.freeze, numbers: lists.reduce(numbers(series), :merge).freeze)
      end

      def numbers(series)
        parts = series.parts.flat_map { |part| [part.number, part.superseded_by, *part.interchange] }
        (parts + series.fits.map(&:part) + series.kits.flat_map { |kit| [kit.number, *kit.contents.keys] }).compact.to_set
      end

      def weighed(block, series)
        weights = @snapshot.of(series).map { |variant| weight(variant) }
        block.with(hypotheses: block.hypotheses.zip(weights).map { |one, weight| one.weight == weight ? one : one.with(weight: weight) }.freeze)
      end

      def weight(variant) = @learned ? @learned[variant.id] : variant.usual_weight

      def hypothesis(variant)
        own = { "plate" => variant.spellings, "serial" => (variant.first_serial...variant.end_serial),
                "stroke_mm" => variant.model.stroke_mm }
        Hypothesis.new(id: variant.id, weight: weight(variant), family: variant.series.id,
                       traits: with_whole(variant.traits.merge(@in_hand.of(variant), own), variant).freeze)
      end

      # A valve is sold whole too, by a number of its own.
      def with_whole(traits, variant)
        number = variant.model.service&.fetch("sold_as", nil)
        number ? traits.merge("part_number" => [*traits["part_number"], number]) : traits
      end
    end
  end
end
