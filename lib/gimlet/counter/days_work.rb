# frozen_string_literal: true

require "json"
require_relative "../core/value"

module Gimlet
  module Counter
    # What the day waits for, by what is to be done next.
    #
    #   DaysWork.new(tickets: tickets, orders: orders).call.map(&:id) # => ["to_answer", "to_pick", ...]
    class DaysWork
      # `total` counts all, `rows` are the first that wait.
      Pile = Core::Value.of(:id, :name, :total, :rows)
      # `to` is where it is done; `since` when it began to wait.
      Row = Core::Value.of(:to, :what, :detail, :since)

      # State of an order => what is to be done with it.
      ORDERS = { "ordered" => ["to_pick", "To pick"], "picked" => ["to_check", "To check"], "checked" => ["to_fetch", "Ready to fetch"],
                 "waiting" => ["to_come", "Waiting for parts"], "handed_over" => ["to_close", "Handed over, to be closed"],
                 "quoted" => ["to_follow", "Quotes to follow up"] }.freeze
      # Rows of a pile.
      SHOWN = 12

      # @param tickets [Store::Tickets]
      # @param orders [Store::Orders]
      def initialize(tickets:, orders:)
        @tickets = tickets
        @orders = orders
      end

      # @return [Array<Pile>] also those in which nothing waits
      def call = [calls, *ORDERS.map { |state, (id, name)| orders(state, id, name) }]

      private

      def calls
        page = @tickets.page("open", nil, 1)
        rows = page.rows.first(SHOWN).map do |row|
          Row.new(to: "/tickets/#{row[:id]}", what: "ticket #{row[:id]}", detail: row[:words] || "nothing said yet", since: row[:updated_at])
        end
        Pile.new(id: "to_answer", name: "To answer", total: page.total, rows: rows)
      end

      def orders(state, id, name)
        rows, total = @orders.in_state(state, SHOWN)
        Pile.new(id: id, name: name, total: total, rows: rows.map { |row| order(row) })
      end

      def order(row)
        Row.new(to: "/orders/#{row['id']}", what: "order #{row['id']} · #{row['customer'] || 'nobody named'}",
                detail: "#{row['model']}: #{row['work'].join(', ')}", since: row["since"])
      end
    end
  end
end
