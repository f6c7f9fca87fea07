# frozen_string_literal: true

require_relative "../plain"
require_relative "../1_catalogue/shapes"
require_relative "../1_catalogue/snapshot"
require_relative "../8_plan/rebuild"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # Trial plans: every area of every sort of pump is worked out before a document is taken.
    class Orders
      include Saying

      # @param series [Catalogue::Series]
      def initialize(series, _known)
        @series = series
      end

      # @return [Array<Remark>]
      def call = looked_over + facing + figures + trials

      private

      def looked_over
        @series.stacks.flat_map { |stack| stack.layers.map { |layer| [stack, layer] } }.filter_map do |stack, layer|
          next unless layer.reuse == "inspect" && layer.criteria.empty?

          warning("stacks.#{stack.id}.#{layer.slot}", "is looked over, but no criteria say what for.")
        end
      end

      # A seal that is drawn to no side tells nobody how it goes in.
      def facing
        @series.stacks.flat_map { |stack| stack.layers.map { |layer| [stack, layer] } }.filter_map do |stack, layer|
          next unless Catalogue::Shapes.of(layer.shape).lips && layer.opens_to.nil?

          warning("stacks.#{stack.id}.#{layer.slot}", "is a #{Plain.name(layer.shape)}: say in opens_to which end its lips look to.")
        end
      end

      def figures
        @series.finish.filter_map do |entry|
          figure = entry.figure
          next if figure.nil? ? !entry.text.include?("{figure}") : known?(entry, figure)

          error("finish", "“#{entry.text[0, 40]}”: {figure} and figure go together, and some pump has the trait “#{figure && figure['trait']}”.")
        end
      end

      def known?(one, figure)
        one.text.include?("{figure}") && Catalogue::Variant.of_series(@series).any? { |variant| variant.trait(figure["trait"]).then { |value| value.is_a?(Numeric) || value.is_a?(Range) } }
      end

      def trials
        snapshot = Catalogue::Snapshot.new([@series], version: "trial")
        keys = @series.condition_keys
        sorts = snapshot.variants.uniq { |variant| [variant.traits.values_at(*keys), variant.sides] }
        remarks = sorts.flat_map { |variant| @series.areas_of(variant).flat_map { |area| trial(snapshot, variant, area) } }
        remarks.uniq { |remark| [remark.place, remark.text] }
      end

      def trial(snapshot, variant, area)
        found = Plan::Rebuild.new(snapshot, {}).call(variant, scope: [area.id])
        return gaps(area, found) if found.demand.fates.any? || found.teardown.groups.any?

        [error("areas.#{area.id}", "is no work on #{variant.id}: it renews nothing and opens nothing.")]
      rescue StandardError => e
        [error("areas.#{area.id}", "cannot be worked out on #{variant.id}: #{e.message.lines.first.strip}")]
      end

      # Done by hand in the head, step by step.
      def gaps(area, found)
        found.gaps.map do |gap|
          next warning(gap.place, gap.text) if gap.place.include?(".")

          at = @series.areas.find { |one| one.name == gap.place } || area
          warning("areas.#{at.id}", "#{gap.place}: #{gap.text}")
        end
      end
    end
  end
end
