# frozen_string_literal: true

require_relative "../0_quantities/quantity"
require_relative "../value"

module Gimlet
  module Core
    # How tight, as the series sheet publishes it. `kind` as the catalogue schema lists them; `torque` is a Quantity in the published
    # unit; `steps` are absolute values in that unit, `fractions` per cent; `source` is where it stands.
    Tightening = Value.of(:kind, :torque, :steps, :fractions, :angle_deg, :turns, :then_turns, :treatment, :source,
                          :condition)

    # Reading catalogue entries.
    class Tightening
      # @param row [Hash] one of a fastener's `tightenings`
      # @return [Tightening]
      def self.from(row)
        torque = Quantity.of(row["value"], row["unit"]) if row["value"]
        new(kind: row["kind"], torque: torque, steps: row["steps"], fractions: row["fractions"],
            angle_deg: row["angle_deg"], turns: row["turns"], then_turns: row["then_turns"],
            treatment: row["treatment"], source: row["source"], condition: row["for"])
      end
    end
  end
end
