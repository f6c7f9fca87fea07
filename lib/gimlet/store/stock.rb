# frozen_string_literal: true

require_relative "../core/5_kit_plan/offers"
require_relative "history"
require_relative "paging"
require_relative "settings"

module Gimlet
  module Store
    # Prices and what lies on the shelf.
    #
    #   stock.all["PW-K220"].on_hand # => 3
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

      # What takes long is done before the database is held: others wait for the last moment only.
      # @param rows [Array<Hash>] number, price_cents, on_hand, pack; numbers already there are overwritten
      # @param who [String]
      # @param on [String, nil] revision that the rows were held against, where they were
      # @return [Boolean] whether they are in; not when prices were changed since that revision
      def upsert(rows, who: History.at_the_keyboard, on: :any)
        changes = changes(rows)
        @database.synchronize do
          stage(rows)
          @database.transaction(mode: :immediate) do
            next false unless [:any, revision].include?(on)

            @database[:stock].insert_conflict(:replace).insert(@database[STAGED])
            changes.each { |some| History.new(@database).note("prices", some, who: who) }
            @settings[REVISION] = (@settings[REVISION].to_i + 1).to_s
            true
          end
        end
      end

      private

      # Of this connection alone, so that filling it holds up nobody.
      STAGED = Sequel[:temp][:staged]
      COLUMNS = %i[number price_cents on_hand pack].freeze
      SLICE = 200
      # Changes of one entry of the history.
      NOTED = 1000
      private_constant :STAGED, :COLUMNS, :SLICE, :NOTED

      def stage(rows)
        @database.run("CREATE TEMP TABLE IF NOT EXISTS staged (number TEXT, price_cents INTEGER, on_hand INTEGER, pack INTEGER)")
        @database[STAGED].delete
        rows.each_slice(SLICE) { |some| @database[STAGED].import(COLUMNS, some.map { |row| row.values_at(*COLUMNS) }) }
      end

      # @return [Array<Hash>] number => [what it was, what it is], of those that change; many are several entries of the history
      def changes(rows)
        before = @database[:stock].as_hash(:number)
        changed = rows.reject { |row| before[row[:number]] == row }
        changed.map { |row| [row[:number], [before[row[:number]]&.except(:number), row.except(:number)]] }.each_slice(NOTED).map(&:to_h)
      end

      def read
        @database[:stock].to_h do |row|
          [row[:number], Core::KitPlan::Stock.new(price_cents: row[:price_cents], on_hand: row[:on_hand], pack: row[:pack])]
        end.freeze
      end
    end
  end
end
