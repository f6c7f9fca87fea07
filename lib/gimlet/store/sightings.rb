# frozen_string_literal: true

require "json"
require_relative "clock"

module Gimlet
  module Store
    # What was seen of pumps that no catalogue has, for whoever writes the next document.
    #
    #   Sightings.new(database).all.first # => {id: 1, ticket_id: 7, readings: [...], ...}
    class Sightings
      def initialize(database)
        @database = database
      end

      # The latest readings of a ticket replace its earlier ones.
      # @param readings [Array<Hash>]
      # @return [Hash] id, ticket_id, readings, created_at
      def record(ticket_id, readings, now: Clock.now)
        @database[:sightings].insert_conflict(target: :ticket_id, update: { readings: JSON.generate(readings) })
                             .insert(ticket_id: ticket_id, readings: JSON.generate(readings), created_at: now)
        all.find { |row| row[:ticket_id] == ticket_id }
      end

      # @return [Array<Hash>] the latest first
      def all = @database[:sightings].reverse(:id).map { |row| row.merge(readings: JSON.parse(row[:readings])) }
    end
  end
end
