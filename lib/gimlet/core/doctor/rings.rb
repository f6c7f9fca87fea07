# frozen_string_literal: true

require_relative "directions"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # O-rings and their backup rings, and faces that must stay dry.
    class Rings
      include Saying

      # A pair in a valve has the pressure on the side of the poppet.
      CLOSING = [*Directions::CLOSING, "valve"].freeze
      # Words that put an anti-seize or grease on one face only, or on none.
      ONE_FACE = /\b(?:one face|back only)\b/
      NOT = /\bno (grease|anti-seize|oil)\b/

      FIRST = /\bmeets the pressure first\b/

      # @param series [Catalogue::Series]
      # @param known [Known] its sentences
      def initialize(series, known)
        @stacks = series.stacks
        @sentences = known&.sentences || []
      end

      # @return [Array<Remark>]
      def call = @stacks.flat_map { |stack| backed(stack) + cupped(stack) + stack.layers.flat_map { |layer| dry(stack, layer) } } + told

      private

      # Whoever says which ring meets the pressure first names no backup ring.
      def told
        said = @sentences.flat_map { |sentence| sentence.named.map { |named| [sentence.place, named.layer, named.words[/\A[^.;,]*/]] } }
        own = @stacks.flat_map { |stack| stack.layers.map { |layer| [place(stack, layer), layer, layer.facing.to_s] } }
        wrong = (said + own).select { |_, layer, words| layer.shape == "backup" && words.match?(FIRST) }
        wrong.map { |place, layer,| warning(place, "says that #{layer.name} meets the pressure first: the ring that it backs does.") }
      end

      # The ring that seals meets the pressure first, its backup is behind it.
      def backed(stack)
        pairs(stack).filter_map do |oring, backup|
          way = pressure(stack, oring) or next
          next if (oring < backup) == (way == "from")

          warning(place(stack, stack.layers[backup]), "meets the pressure before #{stack.layers[oring].name}: the O-ring lies on the pressure " \
                                                      "side (#{stack[way]}), its backup ring behind it. Change their places.")
        end
      end

      # A backup ring has its hollow to the ring that it backs, its flat away from it.
      def cupped(stack)
        pairs(stack).filter_map do |oring, backup|
          layer = stack.layers[backup]
          next if [nil, oring < backup ? "from" : "towards"].include?(layer.opens_to)

          warning(place(stack, layer), "opens to #{layer.opens_to}, away from #{stack.layers[oring].name}, which it backs: turn opens_to.")
        end
      end

      # @return [Array<Array(Integer, Integer)>] O-ring and backup that lie beside each other; not one with a backup on both sides
      def pairs(stack)
        beside(stack).group_by(&:first).values.select { |same| same.size == 1 }.flatten(1)
      end

      def beside(stack)
        (0...(stack.layers.size - 1)).filter_map do |at|
          shapes = stack.layers[at, 2].map(&:shape)
          next unless shapes.sort == %w[backup oring] && stack.layers[at, 2].map(&:inside).uniq.size == 1

          shapes.first == "oring" ? [at, at + 1] : [at + 1, at]
        end
      end

      def pressure(stack, at)
        poppets = stack.layers.each_index.select { |other| CLOSING.include?(stack.layers[other].shape) }
        return (poppets.first < at ? "from" : "towards") if poppets.any?

        ends = %w[from towards].select { |way| stack[way].downcase.match?(Directions::PRESSURE) }
        ends.first if ends.one?
      end

      def dry(stack, layer)
        [*smeared(layer), *denied(layer), *faces(layer)].map { |text| error(place(stack, layer), text) }
      end

      def smeared(layer)
        return unless layer.lube == "dry" && layer.consumables.any?

        "is set in dry, and takes #{layer.consumables.map(&:consumable).join(', ')}: one is wrong."
      end

      def denied(layer)
        word = layer.facing.to_s[NOT, 1]
        "“#{layer.facing}”, and it is set in with #{layer.lube}: one is wrong." if word && layer.lube.to_s.include?(word)
      end

      def faces(layer)
        return unless layer.facing.to_s.match?(ONE_FACE) && (layer.contact_faces || 1) > 1

        "“#{layer.facing}”, and it takes that on #{layer.contact_faces} faces: one is wrong."
      end

      def place(stack, layer) = "stacks.#{stack.id}.#{layer.slot}"
    end
  end
end
