# frozen_string_literal: true

require_relative "../core/lookup/index"
require_relative "../core/lookup/kit_sheet"
require_relative "../core/lookup/where_used"
require_relative "plan_rebuild"

module Gimlet
  module Counter
    # Pages of the catalogue: what is searched, a part, a kit, a series. A snapshot is laid out once.
    #
    #   look_up = LookUp.new(snapshot, stock, tables)
    #   look_up.part("PW-4220").places   # => [Core::Lookup::Use, ...]
    #   look_up.series("pellwick-tk4", "TK4L18").plan.workup.tightening
    class LookUp
      # One series as a page: `plan` of all the work that `variant`, one of its pumps, can have.
      Page = Core::Value.of(:series, :variant, :plan)
      # Of what is found.
      SHOWN = 60
      INDEXES = ObjectSpace::WeakMap.new

      attr_reader :snapshot

      # @param snapshot [Core::Catalogue::Snapshot]
      # @param stock [Hash{String=>Core::KitPlan::Stock}]
      # @param tables [Exchange::ReferenceFiles::Tables]
      def initialize(snapshot, stock, tables)
        @snapshot = snapshot
        @stock = stock
        @tables = tables
      end

      # @param words [String]
      # @return [Array<Core::Lookup::Entry>]
      def find(words) = (INDEXES[@snapshot] ||= Core::Lookup::Index.new(@snapshot)).find(words)

      # @param number [String]
      # @return [Core::Lookup::WhereUsed, nil]
      def part(number) = Core::Lookup::WhereUsed.of(number, @snapshot)

      # @param number [String]
      # @return [Core::Lookup::KitSheet, nil]
      def kit(number) = Core::Lookup::KitSheet.of(number, @snapshot)

      # @param id [String]
      # @param model [String, nil] one of its designations, with its serials ("TK4L18 from 31000"); the one that is sold most where it is left out
      # @return [Page, nil] nil where there is no such series
      def series(id, model = nil)
        variants = @snapshot.variants.select { |one| one.series.id == id }
        usual = variants.max_by { |one| one.model.popularity * one.share } or return
        variant = variants.find { |one| [one.id, one.designation].include?(model) } || usual
        Page.new(series: variant.series, variant: variant, plan: plan(variant))
      end

      private

      # All areas, everything renewed that is ever renewed.
      def plan(variant)
        scope = variant.series.areas_of(variant).map(&:id)
        PlanRebuild.new(@snapshot, @stock, @tables).call(model: variant.designation, serial: variant.serial_range, scope: scope, extent: "complete")
      end
    end
  end
end
