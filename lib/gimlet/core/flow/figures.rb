# frozen_string_literal: true

require_relative "../0_quantities/hydraulics"
require_relative "../0_quantities/units"
require_relative "../value"

module Gimlet::Core
  module Flow
    # One of the figures that flow and pressure hang together by. `unit` is nil for a bare number, `least` and `most` bound what it can be,
    # `usual` is taken where neither it nor anything that says it is known; `step` is what it goes up by, nil where it may be anything.
    Figure = Value.of(:id, :name, :unit, :least, :most, :usual, :usual_because, :step)

    # An equation as a product of powers: Π figure^power = constant. `text` is how it is written.
    Equation = Value.of(:id, :text, :powers, :constant)

    FIGURES = [
      Figure.new(id: "plungers", name: "plungers", least: 1, most: 12, step: 1),
      Figure.new(id: "bore_mm", name: "plunger diameter", unit: "mm", least: 3, most: 300),
      Figure.new(id: "stroke_mm", name: "stroke", unit: "mm", least: 1, most: 500),
      Figure.new(id: "pump_rpm", name: "pump speed", unit: "rpm", least: 1, most: 6000),
      Figure.new(id: "ratio", name: "pulley ratio, motor to pump", least: 0.1, most: 20),
      Figure.new(id: "motor_rpm", name: "motor speed", unit: "rpm", least: 10, most: 12_000),
      Figure.new(id: "poles", name: "poles of the motor", least: 2, most: 24, step: 2),
      Figure.new(id: "mains_hz", name: "mains frequency", unit: "Hz", least: 10, most: 400),
      Figure.new(id: "speed_share", name: "speed under load, of the field's", least: 0.9, most: 1, usual: 0.97,
                 usual_because: "a motor slips about 3 % under load"),
      Figure.new(id: "volumetric", name: "volumetric efficiency", least: 0.02, most: 1, usual: 0.95,
                 usual_because: "a sound pump gives about 95 %"),
      Figure.new(id: "flow", name: "flow", unit: "L/min", least: 0.05, most: 20_000),
      Figure.new(id: "pressure", name: "pressure", unit: "bar", least: 0.1, most: 7000),
      Figure.new(id: "nozzle", name: "nozzle number", least: 0.2, most: 300),
      Figure.new(id: "orifice_mm", name: "orifice", unit: "mm", least: 0.05, most: 60),
      Figure.new(id: "discharge", name: "discharge coefficient", least: 0.4, most: 1, usual: 0.8,
                 usual_because: "nozzle charts give orifices of about 0.8"),
      Figure.new(id: "hydraulic_kw", name: "hydraulic power", unit: "kW", least: 0.001, most: 5000),
      Figure.new(id: "efficiency", name: "efficiency of pump and drive", least: 0.2, most: 0.98, usual: 0.85,
                 usual_because: "pump and drive give about 85 %"),
      Figure.new(id: "shaft_kw", name: "motor power", unit: "kW", least: 0.001, most: 5000)
    ].to_h { |one| [one.id, one] }.freeze

    # Nozzle tables: size N gives N US gpm at 4000 psi. Common practice of nozzle tables, no single source.
    NOZZLE_BAR = 4000 * Units::PSI_BAR
    # Of water at room temperature, kg/m³; the orifice equation Q = C·A·√(2p/ρ) stands in any fluid mechanics handbook (Bernoulli).
    DENSITY = 1000.0

    EQUATIONS = [
      # The displacement formula of any reciprocating-pump handbook, lengths in mm.
      Equation.new(id: "displacement", text: "Q = n · π/4 · d² · s · rpm · ηv / 10⁶", constant: Hydraulics::SWEPT,
                   powers: { "flow" => 1r, "plungers" => -1r, "bore_mm" => -2r, "stroke_mm" => -1r, "pump_rpm" => -1r, "volumetric" => -1r }),
      Equation.new(id: "belt", text: "pump rpm = motor rpm / ratio", constant: 1.0,
                   powers: { "pump_rpm" => 1r, "ratio" => 1r, "motor_rpm" => -1r }),
      # Synchronous speed: IEC 60034-1 motors; 120 = 2 poles a pair · 60 s.
      Equation.new(id: "motor", text: "motor rpm = 120 · Hz / poles · share", constant: 120.0,
                   powers: { "motor_rpm" => 1r, "poles" => 1r, "mains_hz" => -1r, "speed_share" => -1r }),
      Equation.new(id: "nozzle", text: "Q = N · √(p / 4000), in US gpm and psi", constant: Units::GALLON_L.to_f / Math.sqrt(NOZZLE_BAR),
                   powers: { "flow" => 1r, "nozzle" => -1r, "pressure" => -1/2r }),
      Equation.new(id: "orifice", text: "Q = C · π/4 · d² · √(2p/ρ)", constant: Math::PI / 4 * 1e-6 * Math.sqrt(2e5 / DENSITY) * 60_000,
                   powers: { "flow" => 1r, "discharge" => -1r, "orifice_mm" => -2r, "pressure" => -1/2r }),
      Equation.new(id: "power", text: "P = Q · p / 600", constant: 1 / 600.0, powers: { "hydraulic_kw" => 1r, "flow" => -1r, "pressure" => -1r }),
      Equation.new(id: "drive", text: "motor power = P / η", constant: 1.0, powers: { "shaft_kw" => 1r, "efficiency" => 1r, "hydraulic_kw" => -1r })
    ].freeze
  end
end
