# frozen_string_literal: true

require_relative "../../1_catalogue/in_hand"
require_relative "../../desk/learning"
require_relative "../hypothesis"

module Gimlet
  module Core
    module Identification
      # The pumps of a catalogue as hypotheses. What an edit of another series cannot have changed stays the same object.
      module Hypotheses
        # @param snapshot [Catalogue::Snapshot]
        # @param counts [Hash{String=>Integer}] tickets by id of the variant, that this counter has learned from
        # @param before [Array(Catalogue::Snapshot, Array<Hypothesis>), nil] the catalogue before, and what was made of it
        # @return [Array<Hypothesis>] one for each variant, in the same order
        def self.of(snapshot, counts = {}, before: nil)
          weights = counts.empty? ? practice(snapshot) : learned(snapshot, counts)
          in_hand = Catalogue::InHand.new(snapshot)
          kept = before ? Unchanged.new(*before, snapshot) : {}
          snapshot.variants.map do |variant|
            weight = weights[variant.id]
            known = kept[variant] or next hypothesis(variant, in_hand, weight)
            known.weight == weight ? known : known.with(weight: weight)
          end
        end

        # @param counts [Hash{String=>Integer}]
        # @return [Hash{String=>Float}] how often each variant comes over this counter
        def self.learned(snapshot, counts)
          Desk::Learning.weights(counts, practice(snapshot), snapshot.variants.to_h { |variant| [variant.id, variant.series.id] })
        end

        # @return [Hash{String=>Numeric}] how often each variant comes over a counter, wherever it is
        def self.practice(snapshot) = snapshot.variants.to_h { |variant| [variant.id, variant.model.popularity * variant.share] }

        def self.hypothesis(variant, in_hand, weight)
          own = { "plate" => variant.spellings, "serial" => (variant.first_serial...variant.end_serial),
                  "stroke_mm" => variant.model.stroke_mm }
          Hypothesis.new(id: variant.id, weight: weight, family: variant.series.id,
                         traits: with_whole(variant.traits.merge(in_hand.of(variant), own), variant).freeze)
        end

        # A valve is sold whole too, by a number of its own.
        def self.with_whole(traits, variant)
          number = variant.model.service&.fetch("sold_as", nil)
          number ? traits.merge("part_number" => [*traits["part_number"], number]) : traits
        end
        private_class_method :hypothesis, :with_whole

        # Hypotheses of series that are the same, and speak of no number that a series which came, went or changed speaks of: numbers are replaced
        # and sold together across series.
        class Unchanged
          # @param before [Catalogue::Snapshot]
          # @param hypotheses [Array<Hypothesis>] of it
          # @param snapshot [Catalogue::Snapshot] the next
          def initialize(before, hypotheses, snapshot)
            @before = before
            @known = {}.compare_by_identity
            before.variants.each_with_index { |variant, at| @known[variant] = hypotheses[at] }
            @numbers = (differing(@before, snapshot) + differing(snapshot, @before)).flat_map { |series| numbers(series) }.to_set
            @same = {}.compare_by_identity
            snapshot.series.each { |series| @same[series] = !before.of(series).nil? && !spoken_of?(series) }
          end

          # @param variant [Catalogue::Variant]
          # @return [Hypothesis, nil]
          def [](variant) = @same[variant.series] ? @known[variant] : nil

          private

          def differing(one, other) = one.series.reject { |series| other.of(series) }

          def numbers(series)
            parts = series.parts.flat_map { |part| [part.number, part.superseded_by, *part.interchange] }
            (parts + series.fits.map(&:part) + series.kits.flat_map { |kit| [kit.number, *kit.contents.keys] }).compact
          end

          def spoken_of?(series)
            lists = @before.of(series).map { |variant| @known[variant].traits["part_number"] }.uniq(&:object_id)
            numbers(series).any? { |number| @numbers.include?(number) } || lists.any? { |list| list.any? { |number| @numbers.include?(number) } }
          end
        end
        private_constant :Unchanged
      end
    end
  end
end
