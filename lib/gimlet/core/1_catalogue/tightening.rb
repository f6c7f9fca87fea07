# frozen_string_literal: true

require_relative "../0_quantities/quantity"
require_relative "../value"

module Gimlet
  module Core
    # How tight, as the series sheet publishes it. `kind` as the catalogue schema lists them; `torque` is a Quantity in the published
    # unit and `tolerance` how far it may be off either way; passes go up by a `step`, through `steps` (both absolute, in that unit) or
    # `fractions` (per cent). `angles_deg` follow the torque one by one. `slots` are those of a nut for a split pin. `snug_first`
    # says that all are snug before any is tight. `source` is where it stands.
    Tightening = Value.of(:kind, :torque, :tolerance, :step, :steps, :fractions, :angles_deg, :turns, :then_turns, :slots, :snug_first,
                          :treatment, :source, :condition)

    # Reading catalogue entries.
    class Tightening
      AS_WRITTEN = %i[kind step steps fractions angles_deg turns then_turns slots snug_first treatment source].freeze

      # @param row [Hash] one of a fastener's `tightenings`
      # @return [Tightening]
      def self.from(row)
        torque, tolerance = row.values_at("value", "tolerance").map { |number| number && Quantity.of(number, row["unit"]) }
        new(torque: torque, tolerance: tolerance, condition: row["for"], **AS_WRITTEN.to_h { |field| [field, row[field.to_s]] })
      end

      # @param torque [Quantity]
      # @param source [String] where the specialist took it from
      # @return [Tightening] in place of this one, where the series sheet has no value
      def entered(torque, source) = with(kind: "torque", torque: torque, source: source)
    end
  end
end
