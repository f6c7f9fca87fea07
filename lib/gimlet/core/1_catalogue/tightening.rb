# frozen_string_literal: true

require_relative "../0_quantities/quantity"
require_relative "../value"
require_relative "checked"

module Gimlet::Core
  # How tight, as the series sheet publishes it. `kind` is the id of one of Tightening::Kinds, which reads what is its own in `written`;
  # `torque` is a Quantity in the published unit and `tolerance` how far it may be off either way; `treatment` is that of the threads.
  # `snug_first` says that all are snug before any is tight. `source` is where it stands,
  # `checked` are of Catalogue::Checked.
  Tightening = Value.of(:kind, :torque, :tolerance, :snug_first, :treatment, :source, :checked, :condition, :written)

  # Reading catalogue entries.
  class Tightening
    COMMON = %w[kind value unit tolerance snug_first treatment source checked for].freeze

    # @param row [Hash] one of a fastener's `tightenings`
    # @return [Tightening]
    def self.from(row)
      torque, tolerance = row.values_at("value", "tolerance").map { |number| number && Quantity.of(number, row["unit"]) }
      new(kind: row["kind"], torque: torque, tolerance: tolerance, snug_first: row["snug_first"], treatment: row["treatment"],
          source: row["source"], checked: Catalogue::Checked.from(row["checked"]), condition: row["for"], written: row.except(*COMMON))
    end

    # @return [Tightening] where the series sheet has no value
    def self.none = from("kind" => "none")

    # @param torque [Quantity]
    # @param source [String] where the specialist took it from
    # @return [Tightening] in place of this one, where the series sheet has no value
    def entered(torque, source) = with(kind: "torque", torque: torque, source: source)
  end
end
