# frozen_string_literal: true

require "json"

module Gimlet
  module Store
    # Live jobs at the counter. The state is the specialist's own words and choices; everything else is computed.
    class Tickets
      # Someone else saved this ticket in between.
      class Stale < StandardError; end

      def initialize(database)
        @database = database
      end

      # @return [Hash] id, version, state, created_at, updated_at, order_id
      def create(state, now: Time.now.utc)
        id = @database[:tickets].insert(state: JSON.generate(state), created_at: now, updated_at: now)
        find(id)
      end

      # @return [Hash, nil]
      def find(id) = rows.where(Sequel[:tickets][:id] => id).map { |row| present(row) }.first

      # @return [Array<Hash>] those without an order, the latest first
      def open = rows.where(Sequel[:orders][:id] => nil).reverse(Sequel[:tickets][:updated_at]).limit(50).map { |row| present(row) }

      # @param version [Integer] the version the changes were made on
      # @return [Hash, nil] nil when there is no such ticket
      # @raise [Stale]
      def update(id, version:, state:, now: Time.now.utc)
        changed = @database[:tickets].where(id: id, version: version)
                                     .update(state: JSON.generate(state), version: version + 1, updated_at: now)
        found = find(id)
        raise Stale if changed.zero? && found

        found
      end

      private

      def rows
        @database[:tickets].left_join(:orders, ticket_id: :id).select_all(:tickets)
                           .select_append(Sequel[:orders][:id].as(:order_id))
      end

      def present(row) = row.merge(state: JSON.parse(row[:state]))
    end
  end
end
