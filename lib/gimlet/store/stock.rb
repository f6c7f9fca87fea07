# frozen_string_literal: true

require_relative "../core/6_kit_plan/offers"
require_relative "history"
require_relative "paging"
require_relative "settings"

module Gimlet
  module Store
    # Prices and what lies on the shelf.
    class Stock
      REVISION = "stock revision"

      def initialize(database)
        @database = database
        @settings = Settings.new(database)
        @lock = Mutex.new
      end

      # @return [String, nil] changes with every change
      def revision = @settings[REVISION]

      # Read again only when it was changed, by this process or another.
      # @return [Hash{String=>Core::KitPlan::Stock}]
      def all
        revision = self.revision
        @lock.synchronize do
          @all = nil unless @revision == revision
          @revision = revision
          @all ||= read
        end
      end

      # @param words [String, nil] that numbers are found by
      # @return [Paging::Page] of rows
      def page(words, page) = Paging.call(@database[:stock], Sequel.function(:lower, :number), words, page) { |rows| rows.order(:number).all }

      # @param rows [Array<Hash>] number, price_cents, on_hand, pack; numbers already there are overwritten
      # @param who [String]
      def put(rows, who: History.at_the_keyboard)
        @database.transaction(mode: :immediate) do
          note(rows, who)
          rows.each { |row| @database[:stock].insert_conflict(:replace).insert(row) }
          @settings[REVISION] = (@settings[REVISION].to_i + 1).to_s
        end
      end

      private

      # Number => [what it was, what it is], of those that change.
      def note(rows, who)
        before = @database[:stock].as_hash(:number)
        changes = rows.reject { |row| before[row[:number]] == row }.to_h do |row|
          [row[:number], [before[row[:number]], row].map do |one|
            one&.except(:number)
          end]
        end
        History.new(@database).note("prices", changes, who: who) if changes.any?
      end

      def read
        @database[:stock].to_h do |row|
          [row[:number], Core::KitPlan::Stock.new(price_cents: row[:price_cents], on_hand: row[:on_hand], pack: row[:pack])]
        end.freeze
      end
    end
  end
end
