# frozen_string_literal: true

require_relative "../value"
require_relative "figures"

module Gimlet
  module Core
    module Flow
      # Nozzles that are sold: the nearest to what flow and pressure ask for, one smaller and one larger, with what each gives.
      #
      #   NozzleSizes.call(15, 200).map(&:number) # => [4.5, 5, 5.5]
      module NozzleSizes
        # Common practice, no source: numbers that lists of nozzles have.
        SIZES = [*(2..12).map { |half| half / 2.0 }, 6.5, 7, 7.5, 8, 8.5, 9, 10, 11, 12, 12.5, 15, 20, 25, 30, 40].freeze
        FACTOR = EQUATIONS.find { |equation| equation.id == "nozzle" }.constant
        # `bar` behind it at this flow, `nearest` whether it is the one.
        Size = Value.of(:number, :bar, :nearest)

        module_function

        # @param flow [Numeric] L/min
        # @param bar [Numeric] wanted
        # @return [Float] the number that gives it
        def right(flow, bar) = flow / FACTOR / Math.sqrt(bar)

        # @return [Array<Size>] smaller, nearest, larger
        def call(flow, bar)
          at = SIZES.each_index.min_by { |index| ((SIZES[index] / right(flow, bar)) - 1).abs }
          SIZES[([at - 1, 0].max)..(at + 1)].map { |size| Size.new(number: size, bar: (flow / FACTOR / size)**2, nearest: size == SIZES[at]) }
        end
      end
    end
  end
end
