# frozen_string_literal: true

require_relative "../../1_catalogue/in_hand"
require_relative "../hypothesis"

module Gimlet
  module Core
    module Identification
      # The pumps of a catalogue as hypotheses.
      module Hypotheses
        module_function

        # @param snapshot [Catalogue::Snapshot]
        # @return [Array<Identification::Hypothesis>] one for each variant, in the same order
        def of(snapshot)
          in_hand = Catalogue::InHand.new(snapshot)
          snapshot.variants.map { |variant| hypothesis(variant, in_hand) }
        end

        def hypothesis(variant, in_hand)
          own = { "plate" => variant.spellings, "serial" => (variant.first_serial...variant.end_serial),
                  "stroke_mm" => variant.model.stroke_mm }
          Identification::Hypothesis.new(id: variant.id, weight: variant.model.popularity * variant.share, family: variant.series.id,
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
