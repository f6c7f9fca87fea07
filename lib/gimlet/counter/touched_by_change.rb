# frozen_string_literal: true

require_relative "../core/order/states"
require_relative "../core/value"

module Gimlet
  module Counter
    # Whom a change of a series meets: open tickets, quotes and orders that are not handed over, pumps that are due.
    #
    #   TouchedByChange.new(orders: orders, tickets: tickets, pumps: pumps).call(series, ["TK4L20 from 31000"])
    class TouchedByChange
      # `kind` is "ticket", "order" or "pump"; `id` its number, `words` what it is.
      One = Core::Value.of(:kind, :id, :words)
      MOST = 100

      # @param tickets [#call] answers [id, designation of the pump that it leads to] of every open ticket
      def initialize(orders:, pumps:, tickets:)
        @orders = orders
        @pumps = pumps
        @tickets = tickets
      end

      # @param models [Array<String>] designations that change
      # @return [Array<One>]
      def call(models)
        tickets(models) + orders(models) + pumps(models)
      end

      private

      def tickets(models)
        @tickets.call.select { |_, model| models.include?(model) }.map { |id, model| One.new(kind: "ticket", id: id, words: "open ticket, #{model}") }
      end

      def orders(models)
        Core::Order::States.open.flat_map { |state| @orders.in_state(state, MOST).first.map { |row| [state, row] } }
                           .select { |_, row| models.include?(row["model"].split.first) }
                           .map do |state, row|
          One.new(kind: "order", id: row["id"],
                  words: "#{state}, #{row['model']}, #{row['customer'] || 'no customer'}")
        end
      end

      def pumps(models)
        @pumps.of_models(models, MOST).map do |row|
          One.new(kind: "pump", id: row[:customer_id], words: "#{row[:name]}: #{row[:designation]}, due #{row[:due_on]}")
        end
      end
    end
  end
end
