# frozen_string_literal: true

require_relative "../../0_quantities/hydraulics"
require_relative "../../2_readings/reading"
require_relative "../../value"

module Gimlet::Core
  module Identification
    # A flow that the pump cannot make, or makes too easily; `arithmetic` is the sum to check by hand.
    FlowFinding = Value.of(:verdict, :text, :arithmetic)

    # Flow, speed, bore and stroke must agree: Q = n · π/4 · d² · s · rpm / 10⁶ is all that a pump can sweep.
    module FlowCheck
      # Rounding and conversion on plates. Common practice, no source.
      SLACK = 1.03
      # Below this share of the swept flow a pump is worn or the plate is another's. Common practice, no source.
      POOR = 0.75

      module_function

      # @param readings [Array<Reading>]
      # @param leader [Hypothesis] with "stroke_mm" among its traits
      # @return [FlowFinding, nil] nil when all agree or too little is known
      def call(readings, leader)
        flow, speed, bore = %w[flow_l_min speed_rpm plunger_mm].map { |trait| value(readings, trait) }
        on_file = leader.traits
        sizes = { plungers: on_file["cylinders"], bore_mm: bore || on_file["plunger_mm"],
                  stroke_mm: on_file["stroke_mm"], speed_rpm: speed || on_file["speed_rpm"] }
        return unless flow && sizes.values.all?

        judge(flow, Hydraulics.flow_l_min(**sizes), sizes, on_file["plate"].first)
      end

      def value(readings, trait)
        readings.find { |reading| reading.trait == trait && reading.value && !reading.denied }&.value
      end

      def judge(flow, swept, sizes, name)
        sum = format("%d × π/4 × %g² mm² × %g mm × %g rpm / 10⁶ = %.1f L/min swept", *sizes.values, swept)
        told, most = Readings::Reading.plain(flow.round(1)), swept.round(1)
        if flow > swept * SLACK
          FlowFinding.new(verdict: "too_much", arithmetic: sum,
                          text: "#{told} L/min is more than #{name} can sweep (#{most}): " \
                                "wrong plate, wrong pulley, or not this pump.")
        elsif flow < swept * POOR
          FlowFinding.new(verdict: "too_little", arithmetic: sum,
                          text: "#{told} L/min is little for #{name} (sweeps #{most}): " \
                                "worn pump, starved inlet, or a slower drive.")
        end
      end
    end
  end
end
