# frozen_string_literal: true

require_relative "../../value"

module Gimlet
  module Core
    module Identification
      # A side of a pump to look at: `points` are the head bolts on it, `marked` what the eye should go to ("bolts" or the
      # kind of a feature), nil for nothing in particular.
      Picture = Value.of(:variant, :face, :points, :marked)

      # Where on the pump a trait is seen, drawn from the catalogue's own geometry.
      module Pictures
        module_function

        # @param trait [Readings::Trait] its `look` says what to look at
        # @return [Picture, nil] of the place where this trait is seen on this pump
        def of_trait(variant, trait)
          marked = trait.look or return
          face = variant.series.faces.find { |one| marked == "bolts" ? bolts(variant.series, one).any? : kinds(one).include?(marked) }
          picture(variant, face, marked) if face
        end

        # @param variants [Array<Variant>] the leaders
        # @return [Array<Picture>] one front for each series among them
        def fronts(variants)
          variants.uniq(&:series).filter_map { |variant| picture(variant, variant.series.faces.first, nil) if variant.series.faces.any? }
        end

        def picture(variant, face, marked)
          Picture.new(variant: variant, face: face, points: bolts(variant.series, face), marked: marked)
        end

        # Bolts that hold the face on: those with an order, not the single ones inside it.
        def bolts(series, face)
          series.fasteners.select { |fastener| fastener.face == face.id && fastener.pattern != :each }.flat_map(&:points)
        end

        def kinds(face) = (face.features || []).map(&:first)
      end
    end
  end
end
