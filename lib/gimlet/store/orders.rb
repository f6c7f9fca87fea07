# frozen_string_literal: true

require "json"

module Gimlet
  module Store
    # Agreed orders, kept whole with the catalogue version they were computed on.
    class Orders
      def initialize(database)
        @database = database
      end

      # Saving a ticket twice gives the order that it already has.
      # @return [Array(Hash, Boolean)] the order, and whether it is new
      def create(ticket_id:, customer_id:, catalogue_version:, document:, now: Time.now.utc)
        @database.transaction(mode: :immediate) do
          existing = of_ticket(ticket_id)
          next [existing, false] if existing

          @database[:orders].insert(ticket_id: ticket_id, customer_id: customer_id, created_at: now,
                                    catalogue_version: catalogue_version, document: JSON.generate(document))
          [of_ticket(ticket_id), true]
        end
      end

      # @return [Hash, nil]
      def of_ticket(ticket_id) = rows.where(ticket_id: ticket_id).map { |row| present(row) }.first

      # @return [Hash, nil]
      def find(id) = rows.where(Sequel[:orders][:id] => id).map { |row| present(row) }.first

      # @return [Array<Hash>] the latest first
      def all = rows.reverse(Sequel[:orders][:id]).map { |row| present(row) }

      private

      def rows
        @database[:orders].left_join(:customers, id: :customer_id).select_all(:orders)
                          .select_append(Sequel[:customers][:name].as(:customer))
      end

      def present(row) = row.merge(document: JSON.parse(row[:document]))
    end
  end
end
