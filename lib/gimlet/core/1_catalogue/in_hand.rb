# frozen_string_literal: true

require_relative "shapes"

module Gimlet::Core
  module Catalogue
    # What someone with only old parts in hand can measure or read, for each pump: every object of a slot that it has, and every number
    # that such a part may carry.
    class InHand
      # slot => keys of the part's spec in the order of the slot's axes. Which shapes are measured as such is said in Shapes.
      SLOTS = { "seal" => %w[id_mm od_mm height_mm shape], "oring" => %w[id_mm section_mm], "valve" => %w[od_mm],
                "spring" => %w[turns colour] }.freeze

      # What a counter calls the shape of a seal.
      SEAL_SHAPES = { "u_seal" => "U-cup", "v_ring" => "V-ring", "lip_seal" => "lip seal", "cup" => "cup" }.freeze

      # @param snapshot [Snapshot]
      def initialize(snapshot)
        @snapshot = snapshot
        @older = snapshot.parts.select(&:superseded_by).group_by(&:superseded_by)
        @kits = snapshot.kits.each_with_object({}) { |kit, all| kit.contents.each_key { |part| (all[part] ||= []) << kit } }
        @known = {}.compare_by_identity
      end

      # @param variant [Variant]
      # @return [Hash{String=>Array}] slot => objects (arrays of sizes by axis), "part_number" => numbers
      def of(variant)
        by_key = @known[variant.series] ||= {}
        by_key[[variant.traits.values_at(*keys(variant.series)), variant.sides]] ||= describe(variant)
      end

      private

      def keys(series) = (@keys ||= {}.compare_by_identity)[series] ||= series.condition_keys

      def describe(variant)
        fitted = layers(variant).to_h { |layer| [layer, parts(layer, variant)] }
        objects = SLOTS.to_h { |slot, keys| [slot, objects(fitted, Shapes.in_hand(slot), keys)] }
        objects.merge("part_number" => numbers(variant, fitted.values.flatten.uniq)).freeze
      end

      def parts(layer, variant)
        variant.series.parts_for(layer.slot, variant).filter_map { |number| @snapshot.part(number) }
      end

      def objects(fitted, shapes, keys)
        fitting = fitted.flat_map { |layer, parts| shapes.include?(layer.shape) ? parts.map { |part| [layer, part] } : [] }
        fitting.map do |layer, part|
          { **part.spec, "shape" => SEAL_SHAPES[layer.shape] }.values_at(*keys)
        end.reject(&:none?).uniq.sort_by(&:to_s).freeze
      end

      def layers(variant)
        variant.series.stacks.flat_map(&:layers).select { |layer| Condition.met?(layer.condition, variant) }
      end

      def numbers(variant, parts)
        family = parts.flat_map { |part| [*@snapshot.serving(part.number), *older(part.number)] }.uniq
        kits = family.flat_map { |number| @kits.fetch(number, []) }.select { |kit| Condition.met?(kit.condition, variant) }
        (family + kits.map(&:number)).uniq
      end

      def older(number, seen = [])
        @older.fetch(number, []).map(&:number).reject { |one| seen.include?(one) }
              .flat_map { |one| [one, *older(one, [*seen, one])] }
      end
    end
  end
end
