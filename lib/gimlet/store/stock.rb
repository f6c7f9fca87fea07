# frozen_string_literal: true

require_relative "../core/5_kit_plan/offers"
require_relative "../core/desk/movements"
require_relative "clock"
require_relative "history"
require_relative "ledger"
require_relative "lives"
require_relative "paging"
require_relative "settings"

module Gimlet
  module Store
    # Prices and what lies on the shelf. What lies there is a sum of the ledger; a price list that says otherwise is booked as a count.
    #
    #   stock.all["PW-K220"].free # => 3
    class Stock
      REVISION = "stock revision"

      def initialize(database)
        @database = database
        @settings = Settings.new(database)
        @lock = Mutex.new
      end

      # @return [String] changes with every price, and with every movement
      def revision = "#{prices_revision}-#{@database[:movements].max(:id) || 0}"

      # @return [String, nil] changes with every price
      def prices_revision = @settings[REVISION]

      # Only what moved is read again, unless prices were changed, by this process or another.
      # @return [Hash{String=>Core::KitPlan::Stock}]
      def all
        prices, moved = prices_revision, @database[:movements].max(:id) || 0
        @lock.synchronize do
          @all = @moved = nil unless @prices == prices
          @all = (@all || {}).merge(read(@moved)).freeze unless @moved == moved
          @prices, @moved = prices, moved
          @all
        end
      end

      # As it looks to an order that is changed: what is promised to it, or in its bag, is free for it.
      # @return [Hash{String=>Core::KitPlan::Stock}]
      def for_order(id)
        own = @database[:goods].where(order_id: id).select_map(%i[number reserved bagged])
        known = [revision, id]
        return @for_order.last if @for_order&.first == known

        freed = own.to_h do |number, reserved, bagged|
          [number, all[number].with(on_hand: all[number].on_hand + bagged, reserved: all[number].reserved - reserved)]
        end
        (@for_order = [known, all.merge(freed).freeze]).last
      end

      # @param words [String, nil] that numbers are found by
      # @param named [Array<String>] numbers whose names have the words
      # @return [Paging::Page] of rows
      def page(words, page, named = [])
        return Paging.call(@database[:stock], Sequel.function(:lower, :number), words, page) { |rows| rows.order(:number).all } if named.empty?

        found = @database[:stock].where(Sequel.|({ number: named }, Sequel.ilike(:number, "%#{@database[:stock].escape_like(words)}%")))
        Paging.call(found, :number, nil, page) { |rows| rows.order(:number).all }
      end

      # @return [Hash, nil] of one number
      def row(number) = @database[:stock].where(number: number).first

      # @param fields [Hash] shelf, level
      def change(number, fields) = @database[:stock].where(number: number).update(fields)

      # @return [Hash{String=>Integer}] by hand
      def levels = @database[:stock].exclude(level: nil).select_hash(:number, :level)

      # @param days [Integer]
      # @return [Hash{String=>Integer}] number => sale units that went over the counter, less what came back
      def sold(days)
        since = @database[:movements].where(kind: Core::Desk::Movements::SALES).where do
          at >= Clock.now - (days * 86_400)
        end
        since.group(:number).select_hash(:number, Sequel.function(:sum, Sequel[:handed] - :returned).as(:units)).select { |_, units| units.positive? }
      end

      # @return [Integer] the order that was placed last, 0 while there is none
      def last_order = @database[:orders].max(:id) || 0

      # @param before [Integer, nil] an order: those that are served before it alone
      # @return [Hash{String=>Integer}] number => what open orders want and have not
      def waiting(before: nil)
        open = Sequel[:wanted] - :bagged - :handed - Sequel[:goods][:reserved]
        orders = turn_before(before) || @database[:orders]
        @database[:goods].join(orders.as(:orders), id: :order_id).where(stage: Ledger::OPEN).where(open >= 1)
                         .group(:number).select_hash(Sequel[:goods][:number], Sequel.function(:sum, open).as(:units))
      end

      # @return [Array<Hash>] at, who, was_cents, now_cents, the latest first
      def prices_of(number) = @database[:price_changes].where(number: number).reverse(:id).limit(50).all

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
            next false unless [:any, prices_revision].include?(on)

            price(who, changes)
            count(who)
            true
          end
        end
      end

      private

      # A quote has no turn yet: all others come before it.
      def turn_before(id)
        turn = id && @database[:orders].where(id: id).get(:ordered_at) or return
        @database[:orders].where((Sequel[:ordered_at] < turn) | (Sequel.expr(ordered_at: turn) & (Sequel[:id] < id)))
      end

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

      def price(who, changes)
        note_prices(who)
        told = { price_cents: Sequel[:excluded][:price_cents], pack: Sequel[:excluded][:pack] }
        @database[:stock].insert_conflict(target: :number, update: told)
                         .insert(%i[number price_cents pack], @database[STAGED].where(true).select(:number, :price_cents, :pack))
        changes.each { |some| History.new(@database).note("prices", some, who: who) }
        @settings[REVISION] = (@settings[REVISION].to_i + 1).to_s
      end

      # Before they are overwritten.
      def note_prices(who)
        was, now = Sequel[:stock][:price_cents], Sequel[:staged][:price_cents]
        changed = @database[Sequel.as(STAGED, :staged)].left_join(:stock, number: :number).where((was =~ nil) | (was !~ now))
        @database[:price_changes].insert(%i[at who number was_cents now_cents], changed.select(Clock.now, who, Sequel[:staged][:number], was, now))
      end

      # Most of a list lies there as it says, or is promised to nobody and waited for by nobody: that is booked at once.
      def count(who)
        differing = @database[:stock].join(Sequel.as(STAGED, :staged), number: :number)
                                     .exclude(Sequel[:staged][:on_hand] => nil).exclude(Sequel[:staged][:on_hand] => Sequel[:stock][:on_hand])
        waiting = waited_for
        one_by_one(differing.where { (Sequel[:staged][:on_hand] < Sequel[:stock][:reserved]) | Sequel.expr(Sequel[:stock][:number] => waiting) }, who)
        change = Sequel[:staged][:on_hand] - Sequel[:stock][:on_hand]
        @database[:movements].insert(%i[at who kind number quantity on_hand why],
                                     differing.select(Clock.now, who, "counted", Sequel[:stock][:number], change, change, "price list"))
      end

      # Numbers that open orders want and have not.
      def waited_for
        @database[:goods].join(:orders, id: :order_id).where(stage: Ledger::OPEN).where { Sequel[:reserved] < Sequel[:wanted] - :bagged - :handed }
                         .select(Sequel[:goods][:number])
      end

      def one_by_one(rows, who)
        counts = rows.select_map([Sequel[:stock][:number], (Sequel[:staged][:on_hand] - Sequel[:stock][:on_hand]).as(:change)])
        counts.each do |number, change|
          lives.book([Core::Desk::Movement.new(kind: "counted", number: number, quantity: change, why: "price list")], who: who)
        end
      end

      def lives = @lives ||= Lives.new(@database)

      # @return [Array<Hash>] number => [what it was, what it is], of those that change; many are several entries of the history
      def changes(rows)
        before = @database[:stock].select(*COLUMNS).as_hash(:number)
        told = rows.map { |row| row[:on_hand] ? row : row.merge(on_hand: before.dig(row[:number], :on_hand) || 0) }
        changed = told.reject { |row| before[row[:number]] == row }
        changed.map { |row| [row[:number], [before[row[:number]]&.except(:number), row.except(:number)]] }.each_slice(NOTED).map(&:to_h)
      end

      # @param since [Integer, nil] the last movement that is known
      def read(since)
        rows = since ? @database[:stock].where { moved > since } : @database[:stock]
        rows.to_h do |row|
          [row[:number], Core::KitPlan::Stock.new(**row.slice(:price_cents, :on_hand, :pack, :reserved))]
        end
      end
    end
  end
end
