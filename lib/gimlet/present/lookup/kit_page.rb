# frozen_string_literal: true

require_relative "../../core/1_catalogue/checked"
require_relative "shown"

module Gimlet
  module Present
    module Lookup
      # A kit: its contents against what each pump needs, as a matrix, and what it leaves open.
      module KitPage
        module_function

        # @param sheet [Core::Lookup::KitSheet]
        # @param stock [Hash{String=>Core::KitPlan::Stock}]
        # @return [Hash] of the OpenAPI schema KitPage
        def call(sheet, stock)
          parts = sheet.columns.flat_map { |column| column.rows.map(&:part) }.uniq
          kit, series = sheet.kit, sheet.series
          head = { per: kit.per, source: series.source_of("kits", kit.number)&.to_s, checked: Core::Catalogue::Checked.in_words(kit.checked) }
          table = { columns: sheet.columns.map { |column| column(column) }, rows: parts.map { |part| row(part, sheet, stock) } }
          [Shown.number(kit, stock), Shown.of_series(series), head, { loose_cents: loose(kit, stock) }, table].reduce(:merge)
        end

        def column(column) = { pumps: Shown.pumps(column.variants), areas: column.areas, kits: column.kits }

        # @return [Integer, nil] what its contents cost one by one; nil where some have no price
        def loose(kit, stock)
          prices = kit.contents.map { |number, quantity| stock[number]&.price_cents&.then { |cents| cents * quantity } }
          prices.sum if prices.all?
        end

        def row(part, sheet, stock)
          { **Shown.number(part, stock), held: sheet.columns.map { |column| held(column, part) }.max,
                                         cells: sheet.columns.map { |column| cell(column, part) } }
        end

        def held(column, part) = column.rows.find { |row| row.part == part }&.held || 0

        def cell(column, part)
          row = column.rows.find { |one| one.part == part } or return { needed: 0, open: 0 }
          { needed: row.needed, open: row.open(column.kits) }
        end
      end
    end
  end
end
