# frozen_string_literal: true

require "set"
require_relative "series"

module Gimlet::Core
  module Catalogue
    # The whole catalogue, frozen, as computations see it.
    class Snapshot
      # @return [String] names the contents; kept on every order
      attr_reader :version
      attr_reader :series, :variants

      # @param series [Array<Series>]
      # @param version [String]
      # @param before [Snapshot, nil] the one that it takes the place of: variants of the same series stay the same objects
      def initialize(series, version:, before: nil)
        @series = series.freeze
        @version = version
        @of = {}.compare_by_identity
        series.each { |one| @of[one] = before&.of(one) || Ractor.make_shareable(Variant.of_series(one)) }
        @variants = @of.values.flatten(1).freeze
        @parts = series.flat_map(&:parts).to_h { |part| [part.number, part] }.freeze
        @kits = series.flat_map(&:kits).to_h { |kit| [kit.number, kit] }.freeze
        @others = series.flat_map { |one| one.tools + one.consumables }.filter_map(&:number).to_set.freeze
        @grouped = {}
        @areas = WORK_AREAS.merge(named_by_series).freeze
        freeze
      end

      # @return [Array<Variant>, nil] of this very series, nil where it is not among them
      def of(series) = @of[series]

      def part(number) = @parts[number]
      def kit(number) = @kits[number]
      def kits = @kits.values
      def parts = @parts.values

      # @return [Boolean] whether anything is sold under this number: part, kit, tool or consumable
      def sold?(number) = @parts.key?(number) || @kits.key?(number) || @others.include?(number)

      # @return [Array<Variant>] of one designation, oldest first
      def variants_of(designation) = by_designation.fetch(designation, [])

      # Numbers that may be sold for `number`: itself, what replaced it, and what each of those is equal to.
      # @return [Array<String>] the newest first
      def serving(number)
        chain = [number]
        while (newer = @parts[chain.last]&.superseded_by) && !chain.include?(newer)
          chain << newer
        end
        chain.reverse.flat_map { |one| [one, *@parts[one]&.interchange] }.uniq
      end

      # @return [Hash{String=>String}] work area id => name: what most pumps have, then what some series name themselves
      attr_reader :areas

      # @return [Hash] how much is in it
      def counts
        { series: series.size, models: series.sum { |series| series.models.size }, variants: variants.size,
          parts: @parts.size, kits: @kits.size }
      end

      private

      # Grouped when first asked for: it takes longer than all the rest.
      def by_designation = @grouped[:designation] ||= variants.group_by(&:designation)

      def named_by_series
        series.flat_map(&:areas).reject { |area| WORK_AREAS.key?(area.id) }.to_h { |area| [area.id, area.name] }
      end
    end
  end
end
