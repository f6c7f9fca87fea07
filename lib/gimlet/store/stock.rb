# frozen_string_literal: true

require_relative "../core/6_kit_plan/offers"

module Gimlet
  module Store
    # Prices and what lies on the shelf.
    class Stock
      def initialize(database)
        @database = database
      end

      # @return [Hash{String=>Core::KitPlan::Stock}]
      def all
        @database[:stock].to_h do |row|
          [row[:number], Core::KitPlan::Stock.new(price_cents: row[:price_cents], on_hand: row[:on_hand], pack: row[:pack])]
        end
      end

      # @param rows [Array<Hash>] number, price_cents, on_hand, pack; numbers already there are overwritten
      def put(rows)
        @database.transaction { rows.each { |row| @database[:stock].insert_conflict(:replace).insert(row) } }
      end
    end
  end
end
