# frozen_string_literal: true

require_relative "../0_quantities/quantity"
require_relative "../bench/log"
require_relative "../bench/turn"
require_relative "../value"
require_relative "order"

module Gimlet::Core
  class Order
    # Every turn of the wrench that a record asks for on one fastener group, in order. `item` is what it is called where it is ticked, `point` a
    # place in the group's points, `asked` what a reading there is held to, nil where no torque is asked for.
    #
    #   Turns.of(record["tightening"].first).first.asked.verdict(Quantity.of(22, "N·m")).state # => "inside"
    module Turns
      Turn = Value.of(:item, :point, :round, :asked)

      module_function

      # @param fastener [Hash] one of a record's `tightening`
      # @return [Array<Turn>]
      def of(fastener)
        torques = fastener["round_torques"].map { |row| row && torque(row) }
        tolerance = fastener["tolerance"] && torque(fastener["tolerance"])
        fastener["walk"].each_with_index.map do |step, at|
          Turn.new(item: Bench::Log.turn(fastener["fastener"], at), point: step["point"], round: step["round"],
                   asked: Bench::Turn.asked(torques, tolerance, step["round"]))
        end
      end

      # @param row [Hash] value and unit, as kept
      # @return [Quantity]
      def torque(row) = Quantity.of(row["value"], row["unit"])
    end
  end
end
