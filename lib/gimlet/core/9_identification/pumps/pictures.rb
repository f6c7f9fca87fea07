# frozen_string_literal: true

require_relative "../../outside/drawings"
require_relative "../../value"

module Gimlet::Core
  module Identification
    # Sides of a pump to look at; `marked` are the kinds of marks that the eye should go to, `differs` what the pumps beside it do not have alike.
    Picture = Value.of(:variant, :views, :marked, :differs)

    # What a trait looks like on a pump, drawn from the catalogue's own geometry.
    class Pictures
      SIDES = %w[front side].freeze
      # What covers most of a drawing is not filled: a colour is told beneath.
      SURFACES = %w[body head].freeze

      # @param drawings [Outside::Drawings]
      def initialize(drawings)
        @drawings = drawings
      end

      # @param trait [Readings::Trait] its `view` and `look` say where it is seen
      # @return [Picture, nil] of the place where this trait is seen on this pump
      def of_trait(variant, trait, value = nil)
        return if trait.view.nil?

        view = drawn(variant, trait, value)
        marked = [*trait.look].select { |kind| view.of(kind).any? }
        Picture.new(variant: variant, views: [view], marked: marked, differs: []) if view.marks.any?
      end

      # What each answer looks like, on the likeliest pump that has it.
      # @param answers [Array<Answer>]
      # @param variants [Array<Variant>] the likeliest first
      # @return [Array<Picture, nil>] for each answer; nothing but nil where they do not differ to the eye
      def of_answers(answers, trait, variants)
        pictures = answers.map { |answer| trait.pictured ? of_answer(answer.reading.value, trait, variants) : nil }
        pictures.compact.size < 2 ? pictures.map { nil } : pictures
      end

      # @param variants [Array<Variant>] the leaders
      # @param vocabulary [Readings::Vocabulary]
      # @return [Array<Picture>] one for each series among them, with what is not alike on all of them
      def beside(variants, vocabulary)
        shown = variants.uniq(&:series)
        differing = vocabulary.traits.values.select { |trait| trait.view && !trait.slot && shown.map { |one| one.trait(trait.id) }.uniq.size > 1 }
        shown.map do |variant|
          views = SIDES.map { |side| @drawings.view(variant, side) }
          Picture.new(variant: variant, views: views, marked: differing.flat_map { |trait| [*trait.look] }.uniq - SURFACES, differs: differing)
        end
      end

      private

      def of_answer(value, trait, variants)
        return of_trait(variants.first, trait, value) if trait.slot

        having = variants.find { |variant| variant.trait(trait.id) == value }
        having && of_trait(having, trait)
      end

      def drawn(variant, trait, value)
        return @drawings.view(variant, trait.view, value) if Outside::Detail::NAMES.key?(trait.view)

        sides(variant, trait).find { |view| view.of(*trait.look).any? } || @drawings.view(variant, trait.view)
      end

      # Where it usually is first; a port may be on another side.
      def sides(variant, trait)
        [trait.view, *Outside::Pump::NAMES.keys].uniq.lazy.map { |side| @drawings.view(variant, side) }
      end
    end
  end
end
