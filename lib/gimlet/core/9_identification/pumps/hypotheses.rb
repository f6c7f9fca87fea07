# frozen_string_literal: true

require_relative "../../1_catalogue/in_hand"
require_relative "../../desk/learning"
require_relative "../hypothesis"

module Gimlet
  module Core
    module Identification
      # The pumps of a catalogue as hypotheses.
      module Hypotheses
        module_function

        # @param snapshot [Catalogue::Snapshot]
        # @param counts [Hash{String=>Integer}] tickets by id of the variant, that this counter has learned from
        # @return [Array<Identification::Hypothesis>] one for each variant, in the same order
        def of(snapshot, counts = {})
          in_hand = Catalogue::InHand.new(snapshot)
          weights = counts.empty? ? practice(snapshot) : learned(snapshot, counts)
          snapshot.variants.map { |variant| hypothesis(variant, in_hand, weights[variant.id]) }
        end

        # @param counts [Hash{String=>Integer}]
        # @return [Hash{String=>Float}] how often each variant comes over this counter
        def learned(snapshot, counts)
          Desk::Learning.weights(counts, practice(snapshot), snapshot.variants.to_h { |variant| [variant.id, variant.series.id] })
        end

        # @return [Hash{String=>Numeric}] how often each variant comes over a counter, wherever it is
        def practice(snapshot) = snapshot.variants.to_h { |variant| [variant.id, variant.model.popularity * variant.share] }

        def hypothesis(variant, in_hand, weight)
          own = { "plate" => variant.spellings, "serial" => (variant.first_serial...variant.end_serial),
                  "stroke_mm" => variant.model.stroke_mm }
          Identification::Hypothesis.new(id: variant.id, weight: weight, family: variant.series.id,
                                         traits: with_whole(variant.traits.merge(in_hand.of(variant), own), variant).freeze)
        end

        # A valve is sold whole too, by a number of its own.
        def with_whole(traits, variant)
          number = variant.model.service&.fetch("sold_as", nil)
          number ? traits.merge("part_number" => [*traits["part_number"], number]) : traits
        end
      end
    end
  end
end
