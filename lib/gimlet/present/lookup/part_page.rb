# frozen_string_literal: true

require_relative "../../core/1_catalogue/inspection"
require_relative "../../core/1_catalogue/layer"
require_relative "../plan"
require_relative "shown"

module Gimlet
  module Present
    module Lookup
      # A part: its sizes, its picture to scale, where it sits, what holds it, what serves for it.
      class PartPage
        # What becomes of it, said of the piece.
        REUSE = { **Core::Catalogue::REUSE_RULES, "replace_always" => "renewed", "replace_if_removed" => "renewed when it comes out",
                                                  "keep" => "kept" }.freeze

        # @param snapshot [Core::Catalogue::Snapshot]
        # @param stock [Hash{String=>Core::KitPlan::Stock}]
        def initialize(snapshot, stock)
          @snapshot = snapshot
          @stock = stock
        end

        # @param used [Core::Lookup::WhereUsed]
        # @param orders [Array<Hash>] id, pump and when of those that had it
        # @return [Hash] of the OpenAPI schema PartPage
        def call(used, orders)
          { **Shown.number(used.part, @stock), **Shown.of_series(used.series),
            spec: Shown.spec(used.part), newer: numbers(used.newer), older: numbers(used.older), interchange: numbers(used.interchange),
            stand_ins: used.stand_ins.map { |one| { **number(one.part), note: one.note } }, stands_in_for: numbers(used.stands_in_for),
            places: used.places.map { |use| place(use) }, kits: used.kits.map { |kit| held(kit, used.part.number) }, orders: orders,
            source: used.series.source_of("parts", used.part.number)&.to_s }
        end

        private

        def number(number) = Shown.number(@snapshot.part(number), @stock)
        def numbers(parts) = parts.map { |part| Shown.number(part, @stock) }

        def held(kit, number) = { **Shown.number(kit, @stock), quantity: kit.contents.fetch(number), per: kit.per }

        # @return [Hash] of the OpenAPI schema PartPlace: the stack drawn, and which of its layers it is
        def place(use)
          variant = use.variants.first
          layers = use.stack.layers_of(variant)
          { stack: use.stack.name, slot: use.layer.slot, name: use.layer.name, positions: use.stack.positions, quantity: use.quantity,
            pumps: Shown.pumps(use.variants), from: use.stack.from, towards: use.stack.towards, reuse: REUSE.fetch(use.layer.reuse),
            told: Core::Catalogue::LayerFields.in_words(use.layer), at: layers.index(use.layer), layers: layers.map(&:name),
            drawing: Plan.section(use.stack, variant, @snapshot) }
        end
      end
    end
  end
end
