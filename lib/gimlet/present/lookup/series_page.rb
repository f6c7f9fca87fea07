# frozen_string_literal: true

require_relative "../../core/8_plan/section"
require_relative "../../core/plain"
require_relative "../plan"
require_relative "shown"

module Gimlet
  module Present
    module Lookup
      # A series: its models and what tells them apart, each stack drawn whole and exploded, faces, tightening, tools, cautions, finish.
      class SeriesPage
        # @param vocabulary [Core::Readings::Vocabulary]
        # @param stock [Hash{String=>Core::KitPlan::Stock}]
        def initialize(snapshot, vocabulary, stock)
          @snapshot = snapshot
          @vocabulary = vocabulary
          @stock = stock
        end

        # @param page [Counter::LookUp::Page]
        # @param health [Hash] of the OpenAPI schema SeriesHealth
        # @return [Hash] of the OpenAPI schema SeriesPage
        def call(page, health)
          series = page.series
          { id: series.id, name: series.name, maker: series.maker.name, construction: series.construction.tr("-_", "  "), manual: series.manual,
            item: series.item, shown: page.variant.id, variants: variants(series), traits: traits(series), apart: apart(series),
            breaks: breaks(series), kits: series.kits.map { |kit| { **Shown.number(kit, @stock), per: kit.per } }, plan: Plan.call(page.plan),
            exploded: exploded(page.variant), health: health }
        end

        # @param health [Core::Lookup::SeriesHealth]
        # @return [Hash] of the OpenAPI schema Unsourced
        def self.unsourced(series, health)
          once = series.fasteners.select { |one| one.tightenings.any? { |how| how.torque && how.checked.map(&:who).uniq.size < 2 } }
          { id: series.id, name: "#{series.maker.name} #{series.name}", places: health.unsourced, entries: health.entries,
            torques_read_once: once.map(&:id) }
        end

        # @param health [Core::Lookup::SeriesHealth]
        # @param remarks [Array<Hash>]
        # @return [Hash] of the OpenAPI schema SeriesHealth
        def self.health(health, remarks)
          { **health.to_h.slice(:entries, :sourced, :read_twice, :to_read_twice, :unsourced), figure: health.figure, remarks: remarks }
        end

        private

        def variants(series) = @snapshot.variants.select { |one| one.series == series }.map(&:id)

        # What all of them have alike. What there is none of is not counted out.
        def traits(series)
          series.traits.reject { |_, value| value.is_a?(Numeric) && value.zero? }.map { |id, value| { name: name(id), value: told(id, value) } }
        end

        # One row for each trait in which they differ, one column for each model.
        def apart(series)
          ids = series.models.flat_map { |model| model.traits.keys }.uniq.select { |id| series.models.map { |model| model.traits[id] }.uniq.size > 1 }
          { models: series.models.map(&:designation),
            rows: ids.map { |id| { name: name(id), values: series.models.map { |model| model.traits[id] && told(id, model.traits[id]) } } } }
        end

        def breaks(series) = series.serial_breaks.map { |one| { from: one.from, note: one.note } }

        # In the order in which the work comes to them.
        def exploded(variant)
          variant.series.stacks.select { |stack| Core::Catalogue::Condition.met?(stack.condition, variant) }.map do |stack|
            drawing = Core::Plan::Section.of(stack, variant, @snapshot, apart: true)
            layers = stack.layers_of(variant)
            { id: stack.id, name: stack.name, from: stack.from, towards: stack.towards, times: stack.positions.size,
              drawing: { length_mm: drawing.length_mm, radius_mm: drawing.radius_mm, pieces: drawing.pieces.map { |piece| piece.to_h.except(:at) } },
              built: Core::Assembly::BuildUp.order(variant.series, stack, layers), pieces: layers.map { |layer| piece(layer, variant) } }
          end
        end

        def piece(layer, variant)
          numbers = variant.series.parts_for(layer.slot, variant)
          { slot: layer.slot, name: layer.name, part: numbers.one? ? numbers.first : nil }
        end

        def name(id) = @vocabulary.traits[id]&.name || Core::Plain.name(id)

        def told(id, value)
          unit = @vocabulary.traits[id]&.unit
          figure = case value
                   when Range then "#{Core::Plain.number(value.begin)} to #{Core::Plain.number(value.end)}"
                   when Numeric then Core::Plain.number(value)
                   else value
                   end
          [figure, unit].compact.join(" ")
        end
      end
    end
  end
end
