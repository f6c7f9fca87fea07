# frozen_string_literal: true

require_relative "../plain"

module Gimlet::Core
  module Plan
    # Pieces that are renewed at their hours or months, and that the work comes past: whoever has the pump open is asked how long they have run.
    module Intervals
      # Groups that may still be before such a piece.
      NEAR = 1

      module_function

      # @param teardown [Teardown]
      # @param fates [Array<Fates::Fate>]
      # @return [Array<String>]
      def passed(teardown, fates)
        renewed = fates.select { |fate| fate.kind == :replace }.map { |fate| fate.place.layer.slot }
        handled = fates.map { |fate| fate.place.layer }
        (handled + near(teardown)).uniq.select { |layer| layer.interval && !renewed.include?(layer.slot) }.map { |layer| ask(layer) }
      end

      # Layers of areas that are all but open.
      def near(teardown)
        opened = teardown.groups.map(&:id)
        variant = teardown.variant
        areas = (variant.series.areas_of(variant) - teardown.areas).select do |area|
          area.opens.intersect?(opened) && (area.opens - opened).size <= NEAR
        end
        areas.flat_map { |area| area.stacks.flat_map { |id| variant.series.stack(id).layers_of(variant) } }
      end

      def ask(layer)
        every = layer.interval.map { |unit, most| "#{Plain.number(most)} #{unit}" }.join(" or ")
        "The #{layer.name} is renewed after #{every}, and the work comes past it: ask how long it has run, and add it if it is that long."
      end
    end
  end
end
