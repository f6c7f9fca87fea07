# frozen_string_literal: true

require_relative "../core/6_tightening/extension"
require_relative "../core/8_plan/intervals"
require_relative "../core/8_plan/rebuild"
require_relative "../core/materials/service"
require_relative "../core/9_identification/pumps/signature"
require_relative "../core/0_quantities/units"
require_relative "../core/input_error"
require_relative "../core/value"

module Gimlet
  module Counter
    # Request in, everything about the order out.
    #
    #   PlanRebuild.new(snapshot, stock, tables).call(model: "TK4R20", serial: 31_500, scope: ["packings"]).workup.demand.lines
    class PlanRebuild
      # `assumptions` are sentences about what was not known.
      Result = Core::Value.of(:workup, :request, :assumptions, :snapshot) do
        def catalogue_version = snapshot.version
      end

      # @param snapshot [Core::Catalogue::Snapshot]
      # @param stock [Hash{String=>Core::KitPlan::Stock}]
      # @param tables [Exchange::ReferenceFiles::Tables]
      # @param solved [Hash] parts of kit plans that were solved before
      def initialize(snapshot, stock, tables, solved = {})
        @snapshot = snapshot
        @stock = stock
        @tables = tables
        @solved = solved
      end

      # @param request [Hash{Symbol=>Object}] of the OpenAPI schema PlanRequest
      # @return [Result]
      # @raise [Core::InputError]
      def call(request)
        request = { pumps: 1 }.merge(request.compact).merge(units: unit(request[:units]))
        Core::InputError.reject("scope", "empty_scope", "Agree at least one work area first.") if request[:scope].empty?
        variant, assumptions = variant(request)
        scope = Core::Scope.of(request[:scope], at: request[:positions], extent: request[:extent]).check(variant, @snapshot.areas.keys)
        job = { scope: scope, unit: request[:units], **request.slice(:policy, :pumps, :deadline), **particulars(request) }
        workup = Core::Plan::Rebuild.new(@snapshot, @stock, @solved).call(variant, **job)
        asked = Core::Plan::Intervals.passed(workup.teardown, workup.demand.fates)
        Result.new(workup: workup, request: request, assumptions: assumptions + asked, snapshot: @snapshot)
      end

      private

      # What is particular to this job: found, at hand already, set by hand.
      def particulars(request)
        { findings: (request[:findings] || []).map { |one| Core::Finding.from(one.transform_keys(&:to_sym)) }, had: request[:had] || {},
          wrenches: (request[:wrenches] || []).map { |one| wrench(one) }, extension: request[:extension] && extension(request[:extension]),
          service: service(request[:service] || {}), entered: (request[:entered] || {}).to_h { |id, one| [id.to_s, entered(one)] },
          fixed: by_hand(request[:fixed]), also: by_hand(request[:also]) }
      end

      def by_hand(rows)
        (rows || []).map { |one| Core::KitPlan::Fixed.new(**one.transform_keys(&:to_sym).slice(:number, :quantity, :reason)) }
      end

      def service(told)
        medium, temperature = told.transform_keys(&:to_s).values_at("medium", "temperature_c")
        Core::Materials::Service.new(table: @tables.elastomers, medium: medium, temperature_c: temperature)
      end

      def wrench(row) = Core::Tools::Wrench.customer(*row.transform_keys(&:to_sym).values_at(:from, :to, :unit, :mark))
      def extension(row) = Core::Tightening::Extension.of(*row.transform_keys(&:to_sym).values_at(:lever_mm, :extension_mm, :angle_deg).compact)
      def entered(row) = Core::Tightening::Entered.of(*row.transform_keys(&:to_sym).values_at(:value, :unit, :source))

      def unit(text)
        return "N·m" unless text

        symbol = Core::Units.symbol(text)
        return symbol if Core::Units::KIND_OF[symbol] == :torque

        Core::InputError.reject("units", "unknown_unit",
                                "“#{text}” is not a torque unit: use #{Core::Units::FACTORS[:torque].keys.join(', ')}.")
      end

      def variant(request)
        variants = @snapshot.variants_of(request[:model])
        Core::InputError.reject("model", "unknown_model", "“#{request[:model]}” is not in the catalogue.") if variants.empty?
        serial = request[:serial]
        return [by_serial(variants, serial), []] if serial

        likeliest(variants, request[:scope] & @snapshot.areas.keys)
      end

      def by_serial(variants, serial)
        text = serial.to_s.strip
        return variants.find { |variant| variant.covers_serial?(text.to_i) } if text.match?(/\A\d{1,12}\z/)

        variants.find { |variant| variant.serial_range == text } ||
          Core::InputError.reject("serial", "unknown_serial", "“#{serial}” is not a serial number: type its figures only.")
      end

      # Without a serial the commoner side of a break is taken, and said so where it matters.
      def likeliest(variants, scope)
        chosen = variants.max_by(&:share)
        signatures = variants.map { |variant| Core::Identification::Signature.of(variant, scope, @snapshot) }
        return [chosen, []] if signatures.uniq.one?

        notes = chosen.series.serial_breaks.map(&:note).join(" ")
        [chosen, ["No serial number was given: this is for serials #{chosen.serial_range}. #{notes} Read the serial before ordering."]]
      end
    end
  end
end
