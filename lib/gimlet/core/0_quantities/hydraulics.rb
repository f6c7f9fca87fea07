# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  # What a plunger pump delivers and draws.
  module Hydraulics
    # π/4 · d² · s in mm³ to litres, hence 10⁶.
    SWEPT = Math::PI / 4e6

    module_function

    # Q = n · π/4 · d² · s · rpm · η_v / 10⁶
    # Source: the displacement formula of any reciprocating-pump handbook, with lengths in mm (hence 10⁶).
    # @param volumetric_efficiency [Float] 0..1
    # @return [Float] L/min
    def flow_l_min(plungers:, bore_mm:, stroke_mm:, speed_rpm:, volumetric_efficiency: 1.0)
      SWEPT * plungers * (bore_mm**2) * stroke_mm * speed_rpm * volumetric_efficiency
    end
  end
end
