# frozen_string_literal: true

require_relative "../safety/limits"
require_relative "../value"
require_relative "figures"

module Gimlet::Core
  module Flow
    # Nozzles that are sold: the nearest to what flow and pressure ask for that the weakest part bears, one smaller and one larger, with what each
    # gives. Where none is large enough, several side by side.
    #
    #   NozzleSizes.call(15, 200).map(&:number) # => [4.5, 5, 5.5]
    module NozzleSizes
      # Common practice, no source: numbers that lists of nozzles have.
      SIZES = [*(2..12).map { |half| half / 2.0 }, 6.5, 7, 7.5, 8, 8.5, 9, 10, 11, 12, 12.5, 15, 20, 25, 30, 40].freeze
      FACTOR = EQUATIONS.find { |equation| equation.id == "nozzle" }.constant
      # `bar` behind it at this flow, `count` how many of them side by side, `over` by which share that is more than the weakest part bears,
      # `nearest` whether it is the one.
      Size = Value.of(:number, :bar, :count, :over, :nearest) do
        # @return [String, nil] why it is not to be fitted
        def warning = over.zero? ? nil : "#{(over * 100).round(1)} % more than the weakest part bears: not to be fitted."
      end

      module_function

      # @param flow [Numeric] L/min
      # @param bar [Numeric] wanted
      # @return [Float] the number that gives it
      def right(flow, bar) = flow / FACTOR / Math.sqrt(bar)

      # @param limit [Safety::Limit] the weakest part on file; what is wanted, where none is
      # @return [Array<Size>] smaller, nearest, larger
      def call(flow, bar, limit = Safety::Limit.new(of: "what is wanted", bar: bar))
        wanted = [bar, limit.bar].min
        least = (right(flow, limit.bar) / SIZES.last).floor.clamp(1..)
        count = (least..).find { |many| Safety::Limits.over(behind(flow.fdiv(many), SIZES.last), limit).zero? }
        within = SIZES.each_index.select { |index| Safety::Limits.over(behind(flow.fdiv(count), SIZES[index]), limit).zero? }
        at = within.min_by { |index| ((SIZES[index] / right(flow.fdiv(count), wanted)) - 1).abs }
        SIZES[([at - 1, 0].max)..(at + 1)].map { |size| size(size, flow, count, limit, size == SIZES[at]) }
      end

      # @return [Float] bar
      def behind(flow, number) = (flow / FACTOR / number)**2

      def size(number, flow, count, limit, nearest)
        bar = behind(flow.fdiv(count), number)
        Size.new(number: number, bar: bar, count: count, over: Safety::Limits.over(bar, limit), nearest: nearest)
      end
    end
  end
end
