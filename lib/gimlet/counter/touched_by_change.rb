# frozen_string_literal: true

require_relative "../core/order/states"
require_relative "../core/value"

module Gimlet
  module Counter
    # Whom a change of a series meets: open tickets, quotes and orders that are not handed over, pumps that are due.
    #
    #   TouchedByChange.new(orders: orders, tickets: tickets, pumps: pumps, pump_of: pump_of).call(effects)
    class TouchedByChange
      # `kind` is "ticket", "order" or "pump"; `id` its number, `words` what it is.
      One = Core::Value.of(:kind, :id, :words)
      MOST = 100

      # @param orders [Store::Orders]
      # @param pumps [Store::Pumps]
      # @param tickets [Store::Tickets]
      # @param pump_of [#call] id of a ticket => the pump that it leads to, or nil
      def initialize(orders:, pumps:, tickets:, pump_of:)
        @orders = orders
        @pumps = pumps
        @tickets = tickets
        @pump_of = pump_of
      end

      # @param effects [Array<Core::Drafting::Effect>] of the change
      # @return [Array<One>]
      def call(effects)
        models = effects.flat_map(&:pumps).map { |id| id.split.first }.uniq
        tickets(models) + orders(models) + pumps(models)
      end

      private

      def tickets(models)
        first = @tickets.page("open", nil, 1)
        ids = (1..first.pages).flat_map { |page| @tickets.page("open", nil, page).rows.map { |row| row[:id] } }
        ids.to_h { |id| [id, @pump_of.call(id)&.designation] }.select { |_, model| models.include?(model) }
           .map { |id, model| One.new(kind: "ticket", id: id, words: "open ticket, #{model}") }
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
