# frozen_string_literal: true

require_relative "../0_quantities/quantity"
require_relative "../1_catalogue/tightening"
require_relative "../input_error"
require_relative "../value"

module Gimlet::Core
  class Tightening
    # Something between wrench and bolt that changes the lever, such as a crow's foot. `angle_deg` is how far it is turned from the line
    # of the handle: 0 lengthens the lever by all of it, 90 by none, 180 (folded back under the handle) shortens it.
    Extension = Value.of(:lever_mm, :extension_mm, :angle_deg) do
      # Setting = T · L / (L + E · cos φ), L from the middle of the grip to the middle of the drive. Source: ASME B107.300 and the handbooks
      # of torque tools (from memory).
      # @param torque [Quantity] wanted at the bolt
      # @return [Quantity] to be set
      def setting(torque)
        Quantity.new(value: torque.value * lever_mm.to_r / (lever_mm.to_r + along_mm), unit: torque.unit)
      end

      # @param torque_nm [Numeric] wanted at the bolt
      # @return [Numeric] to be set, N·m: what the wrench itself must reach
      def setting_nm(torque_nm) = setting(Quantity.new(value: torque_nm, unit: "N·m")).value

      # @return [String]
      def to_s
        "#{extension_mm} mm#{" turned #{angle_deg}°" unless angle_deg.zero?} on a lever of #{lever_mm} mm"
      end

      private

      def along_mm
        extension_mm.to_r * { 0 => 1, 90 => 0, 180 => -1 }.fetch(angle_deg) { Math.cos(angle_deg * Math::PI / 180).to_r }
      end
    end

    # Checking what was measured.
    class Extension
      # @param lever_mm [Numeric]
      # @param extension_mm [Numeric]
      # @param angle_deg [Numeric]
      # @raise [InputError]
      def self.of(lever_mm, extension_mm, angle_deg = 0)
        InputError.reject("lever_mm", "not_positive", "The lever of a wrench is above zero: measure grip to drive in mm.") unless lever_mm.positive?
        unless angle_deg.between?(0, 180)
          InputError.reject("angle_deg", "out_of_range", "An extension turned by #{angle_deg}° cannot be: 0° is in line, 90° at a right angle, " \
                                                         "180° folded back.")
        end
        return new(lever_mm: lever_mm, extension_mm: extension_mm, angle_deg: angle_deg) if extension_mm.positive? && extension_mm < lever_mm

        InputError.reject("extension_mm", "out_of_range", "An extension of #{extension_mm} mm does not go with a lever of #{lever_mm} mm: " \
                                                          "it is above zero and shorter than the lever.")
      end
    end
  end
end
