# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  # Degrees as people say them. Source of the factor: NIST SP 811, appendix B.
  module Celsius
    # @param degrees [Numeric]
    # @param unit [String, nil] "F", "fahrenheit" in any case; anything else is Celsius
    # @return [Numeric] °C
    def self.of(degrees, unit) = unit.to_s.downcase.start_with?("f") ? ((degrees - 32) * 5 / 9.0).round(1) : degrees
  end
end
