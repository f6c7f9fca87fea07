# frozen_string_literal: true

require "json"
require_relative "../core/bench/log"

module Gimlet
  module Store
    # What was done at the bench, an append-only list of entries for each order.
    class Bench
      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
      end

      # @param order_id [Integer]
      # @return [Array<Core::Bench::Entry>] in order
      def entries(order_id)
        @database[:bench_entries].where(order_id: order_id).order(:number).map do |row|
          Core::Bench::Entry.new(number: row[:number], kind: row[:kind], body: JSON.parse(row[:body]), at: row[:at], who: row[:who])
        end
      end

      # The same key twice counts once.
      # @return [Boolean] whether it was added
      def append(order_id, kind:, body:, key:, who:, now: Time.now.utc)
        @database.transaction(mode: :immediate) do
          rows = @database[:bench_entries].where(order_id: order_id)
          next false unless rows.where(key: key).empty?

          @database[:bench_entries].insert(order_id: order_id, number: (rows.max(:number) || 0) + 1, kind: kind, body: JSON.generate(body), key: key,
                                           who: who, at: now)
          true
        end
      end
    end
  end
end
