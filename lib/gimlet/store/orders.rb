# frozen_string_literal: true

require "json"

module Gimlet
  module Store
    # Agreed orders, kept whole with the catalogue version they were computed on.
    class Orders
      # @param read [Proc] brings a kept document to the present version of its format
      def initialize(database, read: :itself.to_proc)
        @database = database
        @read = read
      end

      # @return [Integer] its id; to be called inside the transaction that has checked the ticket
      def create(ticket_id:, customer_id:, catalogue_version:, document:, now: Time.now.utc)
        @database[:orders].insert(ticket_id: ticket_id, customer_id: customer_id, created_at: now,
                                  catalogue_version: catalogue_version, document: JSON.generate(document))
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

      def present(row) = row.except(:document).merge(record: @read.call(JSON.parse(row[:document])))
    end
  end
end
