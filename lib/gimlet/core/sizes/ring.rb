# frozen_string_literal: true

require_relative "../plain"
require_relative "../value"

module Gimlet::Core
  module Sizes
    # An O-ring of a standard. Sizes in mm; tolerances are plus or minus.
    #
    #   Ring.new(name: "016", standard: "AS568", inner_mm: 15.5956, section_mm: 1.778, inner_tolerance_mm: 0.2286, section_tolerance_mm: 0.0762)
    Ring = Value.of(:name, :standard, :inner_mm, :section_mm, :inner_tolerance_mm, :section_tolerance_mm) do
      def outer_mm = inner_mm + (2 * section_mm)
      def label = standard == Standards::METRIC ? "#{name} mm" : "#{standard}-#{name}"
    end

    # The standard sizes, as data/reference/o_rings.yml has them.
    class Standards
      AS568 = "AS568"
      METRIC = "metric"
      MM = 25.4

      # @param rows [Hash] string keys
      def initialize(rows)
        @class_b = rows["iso3601_class_b"]
        @rings = (as568(rows["as568"]) + metric(rows["metric"])).freeze
        @by_name = @rings.to_h { |ring| [[ring.standard, ring.name], ring] }.freeze
      end

      # @return [Array<Ring>]
      attr_reader :rings

      # @return [Ring, nil]
      def as568_ring(dash) = @by_name[[AS568, dash]]

      # ISO 3601-1 class B: Δd1 = ±(factor · d1^power + plus).
      # @return [Float] mm
      def inner_tolerance(inner_mm)
        @class_b["inner"].then { |row| (row["factor"] * (inner_mm**row["power"])) + row["plus"] }
      end

      # @return [Float, nil] mm; nil beyond the standard
      def section_tolerance(section_mm) = @class_b["section"].find { |most, _| section_mm <= most }&.last

      private

      def as568(groups)
        groups.flat_map do |group|
          section, tolerance = group.values_at("section_in", "tolerance_in")
          group["sizes"].map do |name, inner, inner_tolerance|
            Ring.new(name: name, standard: AS568, inner_mm: inner * MM, section_mm: section * MM,
                     inner_tolerance_mm: inner_tolerance * MM, section_tolerance_mm: tolerance * MM)
          end
        end
      end

      def metric(groups)
        groups.flat_map do |group|
          section = group["section_mm"]
          group["inner_mm"].flat_map { |from, to, step| (from..to).step(step).map { |inner| inner.round(2) } }.map do |inner|
            Ring.new(name: "#{Plain.number(inner)} × #{Plain.number(section)}", standard: METRIC, inner_mm: inner.to_f, section_mm: section,
                     inner_tolerance_mm: inner_tolerance(inner), section_tolerance_mm: section_tolerance(section))
          end
        end
      end
    end
  end
end
