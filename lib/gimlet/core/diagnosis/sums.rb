# frozen_string_literal: true

require_relative "../plain"
require_relative "../flow/bucket"
require_relative "../flow/solve"

module Gimlet::Core
  module Diagnosis
    # The arithmetic that tells a worn pump from what is not the pump. From a pump's rated flow (L/min) and pressure (bar).
    module Sums
      # A nozzle one step worn, as a share of its flow. Common practice, no source.
      WORN = 1.15

      module_function

      # @param flow [Numeric, nil] L/min
      # @param pressure [Numeric, nil] bar
      # @return [Hash{String=>String}] sign id => sum in words; empty where the ratings are not known
      def call(flow, pressure)
        return {} unless flow.is_a?(Numeric)

        sums = { "bucket_short" => "The pump should put #{Plain.number(flow)} litres into the bucket in a minute.",
                 "inlet_weak" => "The pump takes #{Plain.number(flow)} L/min: the supply alone should give #{Plain.number((flow * Flow::BucketTest::SUPPLY).ceil)} or more." }
        pressure.is_a?(Numeric) ? sums.merge("nozzle_big" => nozzle(flow, pressure)) : sums
      end

      # The pressure behind a nozzle goes with the square of the flow through it, so a nozzle worn by a share loses that share squared.
      def nozzle(flow, pressure)
        size = Flow::Solve.new.call("flow" => flow.to_f, "pressure" => pressure.to_f).worked.fetch("nozzle").value
        "#{Plain.number(flow)} L/min at #{Plain.number(pressure)} bar is a nozzle of size #{size.round(1)} (Q = N·√(p/4000), in US gpm and psi). " \
          "Worn to #{(size * WORN).round(1)} it leaves #{(pressure / (WORN**2)).round} bar, with a sound pump."
      end
    end
  end
end
