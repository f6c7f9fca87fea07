# frozen_string_literal: true

require_relative "../core/order/changes"
require_relative "../core/order/next_step"
require_relative "../core/order/order"
require_relative "../core/order/papers"
require_relative "../core/order/steps"
require_relative "bench_summary"
require_relative "lent_tool"
require_relative "places"

module Gimlet
  module Present
    # An order as it was agreed, where it stands, and what may be done with it.
    #
    #   OrderView.new(order, life, tax: "21", role: "counter", arrivals: arrivals).call(steps, log)[:may] # => ["amend", "name", "pick", "cancel"]
    class OrderView
      # @param order [Core::Order]
      # @param life [Core::Order::Life]
      # @param tax [String] percent
      # @param role [String, nil] of who asks
      # @param arrivals [Core::Desk::Arrivals]
      def initialize(order, life, tax:, role:, arrivals:)
        @arrivals = arrivals
        @order = order
        @life = life
        @tax = tax
        @role = role
      end

      # @param steps [Array<Core::Entry>] of its life
      # @param bench [Array<Core::Entry>] what was done at the bench
      # @param before [Core::Order, nil] the version before it
      # @param ahead [Array<Integer>] orders that have waited longer for the same pieces
      # @return [Hash] of the OpenAPI schema Order
      def call(steps, bench, before = nil, ahead: [])
        { **@order.to_h, **standing(bench.any?), ahead: ahead, way: way(steps), life: steps.map do |step|
          step(step)
        end, bench: BenchSummary.call(@order, bench),
                                                 changes: before ? Core::Order::Changes.of(before.record, @order.record).map(&:to_h) : [] }
      end

      private

      def standing(benched)
        may = @order.superseded? ? [] : Core::Order::Steps.may(@life, @role)
        { may: may, papers: Core::Order::Papers.of(@life.state, benched: benched).map(&:to_h),
          next: Core::Order::NextStep.of(@life, may).to_h, state: @life.state, goods: @life.standing.map { |good| good(good) },
          places: Places.call(Core::Order::Places.of_order(@order.record, (@life unless @order.superseded?), days: days)),
          total: @life.total(@order.discount, @tax).to_h, tools: @life.loans.map { |tool| LentTool.call(tool, @life.today) } }
      end

      def way(steps) = Core::Order::States.way(@life.state, quoted: steps.any? { |step| step.kind == "quote" }).map(&:to_h)

      def days = @life.goods.to_h { |good| [good.number, @arrivals.said(good.number, good.short)] }
      def good(good) = { **good.to_h, comes: @arrivals.said(good.number, good.short), open: good.open, short: good.short, out: good.out }
      def step(step) = { at: step.at, who: step.who, kind: step.kind, words: Core::Order::Steps::ALL.fetch(step.kind).words(step.body) }
    end
  end
end
