# frozen_string_literal: true

require_relative "../plain"
require_relative "../0_quantities/units"

module Gimlet::Core
  module Flow
    # Figures as a customer reads them.
    #
    #   Words.new("L/min" => "US gpm").figure(15, "L/min") # => "3.96 US gpm"
    class Words
      # From so much on, so many digits after the point are worth saying.
      DIGITS = { 100 => 0, 10 => 1, 0 => 2 }.freeze

      # @param units [Hash{String=>String}] what a sum works in => what the customer has
      def initialize(units = {})
        @units = units
      end

      # @param unit [String, nil] nil for a bare number
      # @return [String]
      def figure(value, unit)
        own = @units.fetch(unit, unit)
        own_value = own == unit ? value : value * Units.factor(unit) / Units.factor(own)
        [self.class.plain(own_value), own].compact.join(" ")
      end

      # @return [String]
      def self.plain(value)
        Plain.number(value, DIGITS.find { |least, _| value.abs >= least }.last)
      end
    end
  end
end
