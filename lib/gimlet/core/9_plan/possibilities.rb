# frozen_string_literal: true

require_relative "../1_catalogue/in_hand"
require_relative "../3_candidates/possibility"

module Gimlet
  module Core
    module Plan
      # The pumps of a catalogue as possibilities.
      module Possibilities
        module_function

        # @param snapshot [Catalogue::Snapshot]
        # @return [Array<Candidates::Possibility>] one for each variant, in the same order
        def of(snapshot)
          in_hand = Catalogue::InHand.new(snapshot)
          snapshot.variants.map { |variant| possibility(variant, in_hand) }
        end

        def possibility(variant, in_hand)
          own = { "plate" => variant.spellings, "serial" => (variant.first_serial...variant.end_serial),
                  "stroke_mm" => variant.model.stroke_mm }
          Candidates::Possibility.new(id: variant.id, weight: variant.model.popularity * variant.share, family: variant.series.id,
                                      traits: variant.traits.merge(in_hand.of(variant), own).freeze)
        end
      end
    end
  end
end
