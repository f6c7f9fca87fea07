# frozen_string_literal: true

require "date"
require_relative "../core/order/life"
require_relative "../core/order/steps"
require_relative "clock"
require_relative "entry_log"
require_relative "ledger"
require_relative "tools"

module Gimlet
  module Store
    # Where orders stand: their goods, their steps, and the state that follows, kept so that lists find it.
    #
    #   lives.of(7).state                                  # => "waiting"
    #   lives.take(7, outcome, kind: "pick", key: "k", who: "Ines")
    class Lives
      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
        @steps = EntryLog.new(database, :order_steps, :order_id)
        @ledger = Ledger.new(database)
        @tools = Tools.new(database)
      end

      # @return [Ledger]
      attr_reader :ledger

      # @param id [Integer]
      # @return [Core::Order::Life]
      def of(id)
        stage, valid_until, discount = @database[:orders].where(id: id).get(%i[stage valid_until discount])
        Core::Order::Life.new(id: id, stage: stage, goods: goods(id), loans: @tools.of_order(id), valid_until: valid_until && Date.parse(valid_until),
                              today: Clock.today, done: steps(id), discount: discount)
      end

      # @return [Array<Integer>] orders that have waited longer for what this one waits for
      def ahead(id)
        wanting = @database[:goods].join(:orders, id: :order_id).where(stage: Ledger::OPEN)
                                   .where { Sequel[:reserved] < Sequel[:wanted] - :bagged - :handed }
        since = @database[:orders].where(id: id).get(:ordered_at)
        wanting.where(number: wanting.where(order_id: id).select(:number)).exclude(order_id: id).where(Sequel[:ordered_at] < since)
               .order(:order_id).distinct.select_map(:order_id)
      end

      # @return [Array<Core::Entry>] its steps, in order
      def steps(id) = @steps.of(id)

      # @return [Boolean] whether a step with this key was taken
      def taken?(id, key) = !@database[:order_steps].where(order_id: id, key: key).empty?

      # Movements that are no order's: received, counted, scrapped. Whoever waits for what came is served.
      # @param movements [Array<Core::Desk::Movement>]
      # @raise [Core::InputError] nothing was booked
      def book(movements, who:)
        @database.transaction(mode: :immediate) do
          settle(@ledger.book(movements, who: who) + @ledger.allocate(movements.map(&:number).uniq, who: who))
        end
      end

      # What comes of a step; to be called inside the transaction that has seen where the order stands.
      # @param outcome [Core::Order::Step::Outcome]
      # @param goods [Array<Core::Order::Good>, nil] what is wanted from here on, where that is another
      def take(id, outcome, kind:, key:, who:, goods: nil)
        numbers = numbers(id)
        moved = @ledger.book(outcome.movements, who: who)
        want(id, goods) if goods
        @steps.append(id, kind: kind, key: key, who: who, now: Clock.now) { outcome.body }
        columns(id, outcome)
        @tools.move(id, outcome.loan) if outcome.loan
        @tools.drop(id) if %w[cancelled quoted].include?(outcome.stage)
        moved += @ledger.allocate(numbers | numbers(id), who: who) if outcome.movements.any? || outcome.stage || goods || outcome.columns.any?
        settle([id, *moved])
      end

      # @param ids [Array<Integer>] of orders whose goods moved
      def settle(ids)
        ids.uniq.each do |id|
          state = of(id).state
          @database[:orders].where(id: id).exclude(state: state).update(state: state, since: Clock.now)
        end
      end

      # @param numbers [Array<String>] tools that are lent with it, as far as one is free
      def promise_tools(id, numbers) = @tools.promise(id, numbers)

      private

      def numbers(id) = @database[:goods].where(order_id: id).select_map(:number)

      def goods(id)
        @database[:goods].where(order_id: id).left_join(:stock, number: :number).order(Sequel.lit("goods.rowid"))
                         .select_all(:goods).select_append(:shelf).map { |row| Core::Order::Good.new(**row.except(:order_id)) }
      end

      # What is not wanted any more has no piece anywhere.
      def want(id, goods)
        rows = @database[:goods].where(order_id: id)
        rows.exclude(number: goods.map(&:number)).delete
        goods.each do |good|
          row = good.to_h.slice(:number, :name, :wanted, :along, :price_cents, :pack)
          @database[:goods].insert_conflict(target: %i[order_id number], update: row.except(:number)).insert(order_id: id, **row)
        end
      end

      def columns(id, outcome)
        change = outcome.columns.merge(stage: outcome.stage).compact
        if outcome.stage == "cancelled" then change[:cancelled_at] = Clock.now
        elsif outcome.stage then change.merge!(cancelled_at: nil, cancelled_because: nil)
        end
        # The day it went out stays when its closing is undone, and goes when its handing over is.
        change[:handed_at] = Sequel.function(:coalesce, :handed_at, Clock.now) if outcome.stage == "handed_over"
        change[:handed_at] = nil if outcome.stage == Ledger::OPEN
        order = @database[:orders].where(id: id)
        # An order that is amended keeps its place among those that wait.
        order.exclude(stage: Ledger::OPEN).update(ordered_at: Clock.now) if outcome.stage == Ledger::OPEN
        order.update(**change, revision: Sequel[:revision] + 1)
      end
    end
  end
end
