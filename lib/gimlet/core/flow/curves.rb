# frozen_string_literal: true

require_relative "../value"
require_relative "figures"

module Gimlet::Core
  module Flow
    # What the pump gives and what the nozzle takes, over the pressure: [bar, L/min] points, and the point where they meet.
    Curves = Value.of(:pump, :nozzle, :working, :most_bar)

    # Drawing the two curves.
    module Curve
      POINTS = 32
      # Beyond what is looked at.
      ROOM = 1.3

      module_function

      # @param flow [Numeric] L/min that the pump gives, whatever the pressure: a plunger pump pushes what it sweeps
      # @param nozzle [Numeric] its number
      # @param bar [Numeric, nil] that must be in sight
      # @return [Curves]
      def call(flow, nozzle, bar)
        factor = nozzle * EQUATIONS.find { |equation| equation.id == "nozzle" }.constant
        working = (flow / factor)**2
        most = [working, bar].compact.max * ROOM
        points = (0..POINTS).map { |at| most * ((at / POINTS.to_f)**2) }
        Curves.new(pump: [[0, flow], [most, flow]], nozzle: points.map do |point|
          [point, factor * Math.sqrt(point)]
        end, working: [working, flow], most_bar: most)
      end
    end
  end
end
