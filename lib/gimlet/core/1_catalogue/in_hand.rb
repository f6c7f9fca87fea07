# frozen_string_literal: true

module Gimlet
  module Core
    module Catalogue
      # What someone with only old parts in hand can measure or read, for each pump: every value that some part of it has.
      class InHand
        # trait => [layer shapes, key of the part's spec]
        SIZES = {
          "seal_id_mm" => [%w[u_seal lip_seal v_ring], "id_mm"], "seal_od_mm" => [%w[u_seal lip_seal v_ring], "od_mm"],
          "seal_height_mm" => [%w[u_seal lip_seal v_ring], "height_mm"], "oring_id_mm" => [%w[oring], "id_mm"],
          "oring_section_mm" => [%w[oring], "section_mm"], "valve_od_mm" => [%w[valve seat poppet], "od_mm"],
          "spring_turns" => [%w[spring], "turns"], "spring_colour" => [%w[spring], "colour"]
        }.freeze
        TRAITS = [*SIZES.keys, "part_number"].freeze

        # @param number [String] as read from a bag or an invoice
        # @return [String] comparable: case, spaces, dots and dashes do not count
        def self.plain(number) = number.upcase.gsub(/[^A-Z0-9]/, "")

        # @param snapshot [Snapshot]
        def initialize(snapshot)
          @snapshot = snapshot
          @older = snapshot.parts.select(&:superseded_by).group_by(&:superseded_by)
          @kits = snapshot.kits.each_with_object({}) { |kit, all| kit.contents.each_key { |part| (all[part] ||= []) << kit } }
          @known = {}.compare_by_identity
        end

        # @param variant [Variant]
        # @return [Hash{String=>Array}] trait => values
        def of(variant)
          by_key = @known[variant.series] ||= {}
          by_key[[variant.traits.values_at(*keys(variant.series)), variant.sides]] ||= describe(variant)
        end

        private

        def keys(series) = (@keys ||= {}.compare_by_identity)[series] ||= series.condition_keys

        def describe(variant)
          fitted = layers(variant).to_h { |layer| [layer, parts(layer, variant)] }
          sizes = SIZES.transform_values { |shapes, key| values(fitted, shapes, key) }
          sizes.merge("part_number" => numbers(variant, fitted.values.flatten.uniq)).freeze
        end

        def parts(layer, variant)
          variant.series.parts_for(layer.slot, variant).filter_map { |number| @snapshot.part(number) }
        end

        def values(fitted, shapes, key)
          fitting = fitted.flat_map { |layer, parts| shapes.include?(layer.shape) ? parts : [] }
          fitting.filter_map { |part| part.spec[key] }.uniq.sort_by(&:to_s)
        end

        def layers(variant)
          variant.series.stacks.flat_map(&:layers).select { |layer| Condition.met?(layer.condition, variant) }
        end

        def numbers(variant, parts)
          family = parts.flat_map { |part| [*@snapshot.serving(part.number), *older(part.number)] }.uniq
          kits = family.flat_map { |number| @kits.fetch(number, []) }.select { |kit| Condition.met?(kit.condition, variant) }
          (family + kits.map(&:number)).map { |number| self.class.plain(number) }.uniq
        end

        def older(number, seen = [])
          @older.fetch(number, []).map(&:number).reject { |one| seen.include?(one) }
                .flat_map { |one| [one, *older(one, [*seen, one])] }
        end
      end
    end
  end
end
