# frozen_string_literal: true

# The drawings of docs/constructions.md: which pump shows a construction, and which of its stacks.
module Constructions
  # Name of the picture => designation, stacks.
  DRAWN = {
    "top-plate" => ["TK4L20", %w[discharge_valve packing]], "bolted-covers" => ["VA-20", %w[inlet_valve packing]],
    "six-caps" => ["DK420", %w[packing plunger]], "caps-above-and-front" => ["RPL15", %w[inlet_valve packing]],
    "long-and-short-caps" => ["NDL20", %w[inlet_valve discharge_valve]], "plugs-two-stage" => ["HBL20", %w[inlet_valve packing]],
    "seal-cases" => ["SC325L", %w[packing plunger]], "brass-retainers" => ["LT14", %w[packing]], "brass-retainers-cup" => ["LC15", %w[packing]],
    "two-manifolds" => ["SV20", %w[inlet_valve packing adapter]], "two-frames" => ["GT2-25", %w[retainer plunger]],
    "small-frame" => ["TJ14L", %w[plunger packing]], "heavy" => ["MGL40", %w[packing retainer plunger]],
    "cam-piston" => ["CB36-12", %w[piston inlet_valve outlet_valve]], "twin-head-loose" => ["OB214", %w[inlet_valve discharge_valve packing]],
    "twin-head-one-piece" => ["OB214C", %w[inlet_valve discharge_valve packing]],
    "double-acting" => ["DW50", %w[piston suction_valve pressure_valve]],
    "intensifier" => ["UX3800", %w[packing check_valve]], "packing-nut" => ["PG50L", %w[packing packing_retainer]],
    "regulating-valve" => ["WX20", %w[piston bottom]]
  }.freeze

  module_function

  # @param snapshot [Gimlet::Core::Catalogue::Snapshot]
  # @return [Hash{String=>String}] name => SVG
  def pictures(snapshot)
    DRAWN.each_with_object({}) do |(name, (designation, stacks)), drawn|
      pump = snapshot.variants_of(designation).last
      drawn[name] = Gimlet::Exchange::SectionSvg.call(pump, stacks, snapshot)
      drawn["#{name}-outside"] = Gimlet::Exchange::OutsideSvg.call(Gimlet::Core::Outside::Pump.new(pump).views)
    end
  end
end
