# frozen_string_literal: true

require_relative "../core/order/changes"
require_relative "../core/order/order"
require_relative "../core/order/steps"
require_relative "bench_summary"
require_relative "lent_tool"

module Gimlet
  module Present
    # An order as it was agreed, where it stands, and what may be done with it.
    #
    #   OrderView.call(order, life, steps, tax: "21", role: "counter")[:may] # => ["amend", "name", "pick", "cancel"]
    module OrderView
      module_function

      # @param order [Core::Order]
      # @param life [Core::Order::Life]
      # @param steps [Array<Core::Entry>]
      # @param tax [String] percent
      # @param role [String, nil] of who asks
      # @param log [Core::Bench::Log] what was done at the bench
      # @param before [Core::Order, nil] the version before it
      # @return [Hash] of the OpenAPI schema Order
      def call(order, life, steps, tax:, role:, log:, before: nil)
        { **order.to_h, may: order.superseded? ? [] : Core::Order::Steps.may(life, role), state: life.state,
                        goods: life.goods.map { |good| good(good) }, total: life.total(order.discount, tax).to_h,
                        life: steps.map { |step| step(step) }, bench: BenchSummary.call(order, log),
          changes: before ? Core::Order::Changes.of(before.record, order.record).map(&:to_h) : [],
          tools: life.loans.map { |tool| LentTool.call(tool, life.today) } }
      end

      def good(good) = { **good.to_h, open: good.open, short: good.short, out: good.out }

      def step(step) = { at: step.at, who: step.who, kind: step.kind, words: Core::Order::Steps::ALL.fetch(step.kind).words(step.body) }
    end
  end
end
