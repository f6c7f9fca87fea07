# frozen_string_literal: true

require_relative "../0_quantities/quantity"
require_relative "../1_catalogue/tightening"
require_relative "../input_error"
require_relative "../value"

module Gimlet
  module Core
    class Tightening
      # Something between wrench and bolt that lengthens the lever, such as a crow's foot in line with the handle. One at a right angle
      # changes nothing, and needs none of this.
      Extension = Value.of(:lever_mm, :extension_mm) do
        # Setting = T · L / (L + E), L from the middle of the grip to the middle of the drive. Source: ASME B107.300 and the handbooks of
        # torque tools (from memory).
        # @param torque [Quantity] wanted at the bolt
        # @return [Quantity] to be set
        def setting(torque)
          lever, extension = lever_mm.to_r, extension_mm.to_r
          Quantity.new(value: torque.value * lever / (lever + extension), unit: torque.unit)
        end
      end

      # Checking what was measured.
      class Extension
        # @param lever_mm [Numeric]
        # @param extension_mm [Numeric]
        # @raise [InputError]
        def self.of(lever_mm, extension_mm)
          InputError.reject("lever_mm", "not_positive", "The lever of a wrench is above zero: measure grip to drive in mm.") unless lever_mm.positive?
          return new(lever_mm: lever_mm, extension_mm: extension_mm) if extension_mm.positive? && extension_mm < lever_mm

          InputError.reject("extension_mm", "out_of_range", "An extension of #{extension_mm} mm does not go with a lever of #{lever_mm} mm: " \
                                                            "it is above zero and shorter than the lever.")
        end
      end
    end
  end
end
