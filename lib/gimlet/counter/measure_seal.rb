# frozen_string_literal: true

require_relative "../core/verdicts"
require_relative "../core/0_quantities/quantity"
require_relative "../core/sizes/lip"
require_relative "../core/sizes/ring_search"
require_relative "../core/value"

module Gimlet
  module Counter
    # A ring or lip seal matched by its sizes: what the shop has first, then the standard sizes; and what pumps and valves such a part sits in.
    #
    #   MeasureSeal.new(snapshot, stock, tables).call("inner_mm" => "14", "section_mm" => "2").on_file.first.part.number
    class MeasureSeal
      # A part of the catalogue as a ring of its own.
      OwnRing = Core::Value.of(:part, :inner_mm, :section_mm, :inner_tolerance_mm, :section_tolerance_mm)
      # `part` with its `verdict` and `sums`; `used_in` are { series:, slots:, models: }, `for_a_while` what it may stand in for.
      OnFile = Core::Value.of(:part, :candidate, :stock, :used_in, :for_a_while)
      Found = Core::Value.of(:measured, :gland, :on_file, :standard, :lip)
      LENGTH = "mm"

      # @param snapshot [Core::Catalogue::Snapshot]
      # @param stock [Hash{String=>Core::KitPlan::Stock}]
      # @param tables [Exchange::ReferenceFiles::Tables]
      def initialize(snapshot, stock, tables)
        @snapshot = snapshot
        @stock = stock
        @standards = tables.rings
        @fit = tables.fit
      end

      # @param request [Hash{String=>Object}] of the OpenAPI schema MeasureSeal; sizes as typed, with or without a unit
      # @return [Found]
      # @raise [Core::InputError]
      def call(request)
        return lip(request) if request["kind"] == "lip"

        measured = measured(request)
        gland = request["gland"] && gland(request["gland"])
        measured || gland || Core::InputError.reject("inner_mm", "too_few", "Give the ring's sizes, its dash number, or the groove's.")
        Found.new(measured: measured, gland: gland, on_file: on_file(measured, gland),
                  standard: Core::Sizes::RingSearch.new(@standards.rings, @fit).call(measured, gland))
      end

      private

      def measured(request)
        return dash(request["dash"]) if request["dash"].to_s.strip != ""

        sizes = sizes(request, "inner_mm", "outer_mm", "section_mm")
        return if sizes.empty?

        Core::Sizes::Measured.new(**sizes.transform_keys(&:to_sym), tool: request["tool"] || "caliper", old: request["old"] || false)
      end

      # A dash number is a size that nobody need measure.
      def dash(told)
        ring = @standards.as568_ring(told.strip.delete_prefix("-").rjust(3, "0")) ||
               Core::InputError.reject("dash", "unknown_dash", "AS568 has no dash number “#{told.strip[0, 20]}”.")
        Core::Sizes::Measured.new(inner_mm: ring.inner_mm, section_mm: ring.section_mm, tool: "dash number")
      end

      def gland(told)
        sizes = sizes(told, "inner_mm", "outer_mm", "width_mm", "gap_mm")
        missing = %w[inner_mm outer_mm width_mm].find { |name| sizes[name].nil? }
        Core::InputError.reject("gland.#{missing}", "missing", "A groove needs its inner and outer diameter and its width.") if missing

        pressure = told["pressure"].to_s.strip
        how = { moving: told["moving"] || false, seat: told["seat"] || "piston", hardness: told["hardness"] }
        Core::Sizes::Gland.new(**sizes.transform_keys(&:to_sym), **how, pressure_bar: (in_bar(pressure) unless pressure.empty?)).check
      end

      def in_bar(text) = quantity(text, "bar", "gland.pressure")

      def sizes(told, *names)
        typed = names.to_h { |name| [name, told[name].to_s.strip] }.reject { |_, text| text.empty? }
        typed.to_h { |name, text| [name, quantity(text, LENGTH, name)] }
      end

      def quantity(text, unit, field) = Core::Quantity.parse(text, default_unit: unit, field: field).to(unit).value.to_f

      def lip(request)
        names = { "id_mm" => "inner_mm", "od_mm" => "outer_mm", "height_mm" => "height_mm" }
        told = sizes(request, *names.values)
        measured = names.filter_map { |spec, name| [spec, told[name]] if told[name] }.to_h
        Core::Sizes::Lip.check(measured)
        Found.new(lip: measured, on_file: lips(measured, request), standard: [])
      end

      def lips(measured, request)
        resolution = Core::Sizes::Measured::RESOLUTION.fetch(request["tool"] || "caliper")
        fitting = @snapshot.parts.select { |part| Core::Sizes::Lip::SIZES.all? { |name| part.spec[name] } && !part.spec["section_mm"] }
        found = fitting.filter_map do |part|
          verdict, sums = Core::Sizes::Lip.compare(measured, part.spec, resolution, request["old"] || false)
          next if verdict == "no"

          filed(part, Core::Sizes::Candidate.new(ring: nil, verdict: verdict, sums: sums, share: 0, nearness: sums.sum { |sum| sum.percent.abs }))
        end
        shelf_first(found)
      end

      def on_file(measured, gland)
        own = @snapshot.parts.select { |part| part.spec["id_mm"] && part.spec["section_mm"] }.map { |part| own_ring(part) }
        shelf_first(Core::Sizes::RingSearch.new(own, @fit).call(measured, gland).map { |one| filed(one.ring.part, one) })
      end

      def own_ring(part)
        inner, section = part.spec.values_at("id_mm", "section_mm")
        OwnRing.new(part: part, inner_mm: inner, section_mm: section, inner_tolerance_mm: @standards.inner_tolerance(inner),
                    section_tolerance_mm: @standards.section_tolerance(section) || (section * 0.02))
      end

      # Of one verdict what lies here comes first.
      def shelf_first(found)
        found.sort_by { |one| [Core::Verdicts::ALL.index(one.candidate.verdict), one.stock&.free.to_i.positive? ? 0 : 1, one.candidate.nearness] }
      end

      def filed(part, candidate)
        OnFile.new(part: part, candidate: candidate, stock: @stock[part.number], used_in: used_in(part), for_a_while: stands_in(part))
      end

      def used_in(part)
        @snapshot.series.filter_map do |series|
          fits = series.fits.select { |fit| fit.part == part.number }
          next if fits.empty?

          fitted = series.models.map(&:designation).select { |name| @snapshot.variants_of(name).any? { |variant| fitted?(variant, fits) } }
          { series: series.name, item: series.item, slots: fits.map { |fit| series.piece(fit.slot) }.uniq, models: fitted } if fitted.any?
        end
      end

      def fitted?(variant, fits) = fits.any? { |fit| Core::Catalogue::Condition.met?(fit.condition, variant) }

      def stands_in(part)
        @snapshot.parts.flat_map do |other|
          (other.stand_ins || []).select { |one| one.part == part.number }.map { |one| { number: other.number, name: other.name, note: one.note } }
        end
      end
    end
  end
end
