# frozen_string_literal: true

require_relative "../0_quantities/quantity"

module Gimlet
  module Core
    module Diagnosis
      # The arithmetic that tells a worn pump from what is not the pump. From a pump's rated flow (L/min) and pressure (bar).
      module Sums
        # A nozzle of size N gives N US gpm at this pressure: Q = N · √(p / 4000 psi). Common practice of nozzle tables, no single source.
        NOZZLE_PSI = 4000
        # A nozzle one step worn, as a share of its flow. Common practice, no source.
        WORN = 1.15
        # The supply should give this much more than the pump takes. Common practice, no source.
        SUPPLY = 1.2

        module_function

        # @param flow [Numeric, nil] L/min
        # @param pressure [Numeric, nil] bar
        # @return [Hash{String=>String}] sign id => sum in words; empty where the ratings are not known
        def call(flow, pressure)
          return {} unless flow.is_a?(Numeric)

          sums = { "bucket_short" => "The pump should put #{plain(flow)} litres into the bucket in a minute.",
                   "inlet_weak" => "The pump takes #{plain(flow)} L/min: the supply alone should give #{plain((flow * SUPPLY).ceil)} or more." }
          pressure.is_a?(Numeric) ? sums.merge("nozzle_big" => nozzle(flow, pressure)) : sums
        end

        # The pressure behind a nozzle goes with the square of the flow through it, so a nozzle worn by a share loses that share squared.
        def nozzle(flow, pressure)
          gpm = Quantity.of(flow, "L/min").to("US gpm").value.to_f
          psi = Quantity.of(pressure, "bar").to("psi").value.to_f
          size = gpm * Math.sqrt(NOZZLE_PSI / psi)
          "#{plain(flow)} L/min at #{plain(pressure)} bar is a nozzle of size #{size.round(1)} (Q = N·√(p/4000), in US gpm and psi). " \
            "Worn to #{(size * WORN).round(1)} it leaves #{(pressure / (WORN**2)).round} bar, with a sound pump."
        end

        def plain(value) = value == value.to_i ? value.to_i : value
      end
    end
  end
end
