# frozen_string_literal: true

require_relative "../value"
require_relative "wrench"

module Gimlet::Core
  module Tools
    # The fewest torque wrenches that are lent, beside the customer's own, so that every value lies in the good range of one.
    module Wrenches
      # Full scales in N·m that counters commonly lend. Common practice, no source.
      LENT = [5, 10, 25, 50, 100, 200, 340].map { |full| Wrench.lent(full) }.freeze

      # `wrenches` those that are needed, the customer's first; `missing` values in N·m that none reaches.
      Choice = Value.of(:wrenches, :missing) do
        # @return [Wrench, nil] the smallest that reaches a value
        def for(torque_nm) = wrenches.select { |wrench| wrench.reaches?(torque_nm) }.min_by { |wrench| [wrench.own ? 0 : 1, wrench.to_nm] }
      end

      module_function

      # @param values_nm [Array<Numeric>]
      # @param own [Array<Wrench>] the customer's
      # @return [Choice]
      def choose(values_nm, own: [], lent: LENT)
        within, missing = values_nm.uniq.partition { |value| (own + lent).any? { |one| one.reaches?(value) } }
        taken = (0..lent.size).lazy.flat_map { |size| lent.combination(size).to_a }.find { |some| covered?(within, own + some) }
        choice = Choice.new(wrenches: own + taken, missing: missing)
        choice.with(wrenches: within.map { |value| choice.for(value) }.uniq)
      end

      def covered?(values, wrenches) = values.all? { |value| wrenches.any? { |wrench| wrench.reaches?(value) } }
    end
  end
end
