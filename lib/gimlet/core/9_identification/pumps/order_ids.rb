# frozen_string_literal: true

require "digest"
require_relative "../../1_catalogue/by_series"
require_relative "signature"

module Gimlet::Core
  module Identification
    # The order that each pump of a catalogue needs, as a short id: the same id, the same order; and which pumps have none of the work.
    #
    # Only what a series' conditions ask for can change its orders, so pumps that agree on that are worked out once.
    class OrderIds
      LENGTH = 12

      def initialize
        @known = Catalogue::BySeries.new { {} }
        @lock = Mutex.new
      end

      # @param snapshot [Catalogue::Snapshot]
      # @param scope [Array<String>]
      # @return [Array<String>] one for each variant; the same on every machine and run
      def call(snapshot, scope)
        snapshot.series.flat_map { |series| once(series, scope) { ids(series, snapshot.of(series), scope, snapshot) } }
      end

      # @param snapshot [Catalogue::Snapshot]
      # @param scope [Array<String>]
      # @return [Array<Integer>] places of the variants that have none of that work on file
      def lacking(snapshot, scope)
        has = snapshot.series.flat_map do |series|
          once(series, [:has, scope]) { snapshot.of(series).map { |variant| series.areas_of(variant).map(&:id).intersect?(scope) } }
        end
        has.each_index.reject { |at| has[at] }
      end

      # Forgets series that are not in the catalogue any more.
      def keep(series) = @known.keep(series)

      private

      def once(series, key)
        known = @known[series]
        known[key] || @lock.synchronize { known[key] ||= yield }
      end

      def ids(series, variants, scope, snapshot)
        keys = series.condition_keys
        alike = {}
        variants.map do |variant|
          alike[[variant.traits.values_at(*keys), variant.sides, *crank(variant)]] ||= id(Signature.of(variant, scope, snapshot))
        end
      end

      # A crank position is the model's own.
      def crank(variant) = variant.series.refit ? [variant.model.stroke_mm, variant.model.rod_mm] : []

      def id(signature) = Digest::SHA256.hexdigest(signature.inspect)[0, LENGTH]
    end
  end
end
