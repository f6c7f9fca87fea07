# frozen_string_literal: true

require "digest"
require_relative "signature"

module Gimlet
  module Core
    module Identification
      # The order that each pump of a catalogue needs, as a short id: the same id, the same order.
      #
      # Only what a series' conditions ask for can change its orders, so pumps that agree on that are worked out once, and what was worked
      # out for a series is kept for as long as the series itself does not change.
      class OrderIds
        LENGTH = 12

        def initialize
          @series = {}.compare_by_identity
          @lock = Mutex.new
        end

        # @param snapshot [Catalogue::Snapshot]
        # @param scope [Array<String>]
        # @return [Array<String>] one for each variant; the same on every machine and run
        def call(snapshot, scope)
          snapshot.variants.map { |variant| of(variant, scope, snapshot) }
        end

        # Forgets series that are not in the catalogue any more.
        def keep(series)
          @lock.synchronize { @series = @series.slice(*series).compare_by_identity }
        end

        private

        def of(variant, scope, snapshot)
          keys, known = @series[variant.series] || @lock.synchronize { @series[variant.series] ||= [variant.series.condition_keys, {}] }
          key = [scope, variant.traits.values_at(*keys), variant.sides, *crank(variant)]
          known[key] || @lock.synchronize { known[key] ||= id(Signature.of(variant, scope, snapshot)) }
        end

        # A crank position is the model's own.
        def crank(variant) = variant.series.refit ? [variant.model.stroke_mm, variant.model.rod_mm] : []

        def id(signature) = Digest::SHA256.hexdigest(signature.inspect)[0, LENGTH]
      end
    end
  end
end
