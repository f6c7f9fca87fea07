# frozen_string_literal: true

require_relative "../../core/1_catalogue/condition"
require_relative "../../core/plain"

module Gimlet
  module Present
    # Pages of the catalogue.
    module Lookup
      # What several of them show alike.
      module Shown
        module_function

        # @param entry [Core::Lookup::Entry]
        # @param stock [Hash{String=>Core::KitPlan::Stock}]
        # @return [Hash] of the OpenAPI schema FoundEntry
        def entry(entry, stock)
          there = stock[entry.key]
          { **entry.to_h, price_cents: there&.price_cents, free: there&.free }
        end

        # @param part [Core::Catalogue::Part, Core::Catalogue::Kit]
        # @param stock [Hash{String=>Core::KitPlan::Stock}]
        # @return [Hash] of the OpenAPI schema NumberShown
        def number(part, stock)
          there = stock[part.number]
          { number: part.number, name: part.name, price_cents: there&.price_cents, free: there&.free }
        end

        # @return [Hash] which series something belongs to
        def of_series(series) = { series: series.id, maker: series.maker.name, series_name: series.name }

        # @return [Array<Hash>] label and value of each size or look
        def spec(part)
          part.spec.map { |key, value| { name: spec_name(key), value: value.is_a?(Numeric) ? Core::Plain.number(value) : value } }
        end

        SPEC = { "id_mm" => "inside, mm", "od_mm" => "outside, mm", "section_mm" => "section, mm", "height_mm" => "height, mm",
                 "length_mm" => "length, mm" }.freeze

        def spec_name(key) = SPEC.fetch(key) { Core::Plain.name(key) }

        # @param variants [Array<Core::Catalogue::Variant>] of one series
        # @return [String] "all of TK4", or which
        def pumps(variants)
          series = variants.first.series
          all = Core::Catalogue::Variant.of_series(series)
          return "all of #{series.name}" if all.size == variants.size

          whole = all.group_by(&:designation)
          variants.group_by(&:designation).map { |designation, some| some.size == whole[designation].size ? designation : some.map(&:id).join(", ") }
                  .join(", ")
        end
      end
    end
  end
end
