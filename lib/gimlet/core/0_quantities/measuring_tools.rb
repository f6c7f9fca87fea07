# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  # What sizes are taken with.
  module MeasuringTools
    # Finest mark in mm (or kg). Common practice, no source.
    RESOLUTION = { "eye" => 3.0, "tape" => 1.0, "rule" => 0.5, "caliper" => 0.05, "papers" => 0.2 }.freeze
    # No size of a used part is truer than that.
    FINEST_ERROR = 0.05

    # @return [Float] standard error: half the finest mark
    def self.error(tool) = [RESOLUTION.fetch(tool) / 2, FINEST_ERROR].max
  end
end
