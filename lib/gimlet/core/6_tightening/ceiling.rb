# frozen_string_literal: true

require_relative "../0_quantities/quantity"
require_relative "words"

module Gimlet::Core
  # How much torque a plain steel bolt of a property class commonly takes. A check on typed-in data, never a value
  # to tighten to.
  module Ceiling
    # Proof stress Sp in N/mm² of coarse threads. Source: ISO 898-1:2013, table 3; of stainless steel the stress at 0.2 % of ISO 3506-1:2009,
    # table 2 (values from memory).
    PROOF_MPA = { "4.6" => 225, "4.8" => 310, "5.6" => 280, "5.8" => 380, "6.8" => 440, "8.8" => 580, "9.8" => 650, "10.9" => 830, "12.9" => 970,
                  "A2-50" => 210, "A2-70" => 450, "A2-80" => 600, "A4-50" => 210, "A4-70" => 450, "A4-80" => 600 }.freeze
    # Above M16 class 8.8 is another steel: the same table.
    THICK = { "8.8" => 600 }.freeze
    THICK_ABOVE_MM = 16
    # Nut factor K by how the thread is treated. Source: Shigley, Mechanical Engineering Design, table of torque factors (from memory).
    NUT_FACTORS = [[/anti-seize/, 0.12], [/oil|lubric|grease|jelly/, 0.18]].freeze
    DRY = 0.20
    # Below this share of what such a bolt commonly takes, foot-pounds were probably typed as inch-pounds. Common practice, no source.
    LOW = Rational(1, 6)

    module_function

    # As = π/4 · (d − 0.9382·P)². Source: ISO 898-1, nominal stress area.
    # @return [Float] mm²
    def stress_area_mm2(diameter_mm, pitch_mm)
      Math::PI / 4 * ((diameter_mm - (0.9382 * pitch_mm))**2)
    end

    # @return [Integer, nil] N/mm²
    def proof_mpa(property_class, diameter_mm)
      (THICK[property_class] if diameter_mm > THICK_ABOVE_MM) || PROOF_MPA[property_class]
    end

    # K by how the threads are treated.
    def nut_factor(treatment)
      NUT_FACTORS.find { |words, _| treatment.to_s.match?(words) }&.last || DRY
    end

    # T = K · d · F, the source of K.
    # @param force_n [Numeric] in the bolt
    # @return [Float] N·m
    def for_force_nm(diameter_mm, force_n, treatment = nil) = nut_factor(treatment) * diameter_mm * force_n / 1000

    # T = K · d · 0.75 · Sp · As
    # @param treatment [String, nil] of the threads, as the sheet has it
    # @return [Float, nil] N·m; nil for a property class not tabled here
    def torque_nm(diameter_mm, pitch_mm, property_class, treatment = nil)
      proof = proof_mpa(property_class, diameter_mm) or return
      for_force_nm(diameter_mm, 0.75 * proof * stress_area_mm2(diameter_mm, pitch_mm), treatment)
    end

    # @param thread [Hash, nil] diameter_mm, pitch_mm and property_class
    # @param torque [Quantity]
    # @return [String, nil] a sentence where the value is not one that such a thread commonly takes
    def odd(thread, torque, treatment = nil)
      ceiling = thread && torque_nm(*thread.values_at("diameter_mm", "pitch_mm", "property_class"), treatment) or return
      value = torque.to("N·m").value
      where = if value > ceiling then "above"
              elsif value < ceiling * LOW then "under a sixth of"
              else return
              end
      most = Quantity.of(ceiling, "N·m").to(torque.unit)
      "#{Tightening::Words.torque(torque)} is #{where} the #{Tightening::Words.torque(most)} that such a bolt commonly takes: check the unit."
    end
  end
end
