# frozen_string_literal: true

require_relative "../core/desk/allocation"
require_relative "../core/desk/movements"
require_relative "../core/input_error"
require_relative "clock"
require_relative "paging"

module Gimlet
  module Store
    # Movements of stock, append-only. The sums that follow are kept by the database (migration 013), which refuses any below zero. What was
    # promised and lies there no more is taken back from the youngest order; what came free is promised to whoever waits longest, by `allocate`,
    # once the orders themselves are as they should be. Lives does both.
    #
    #   ledger.book([Core::Desk::Movement.new(kind: "received", number: "PW-K220", quantity: 3)], who: "Adela") # => [7], orders that moved
    class Ledger
      # Orders whose goods may be promised to them.
      OPEN = "open"

      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
      end

      # @param movements [Array<Core::Desk::Movement>]
      # @return [Array<Integer>] orders whose goods moved
      # @raise [Core::InputError] nothing was booked
      def book(movements, who:, now: Clock.now)
        @database.transaction(mode: :immediate) do
          numbers = movements.map(&:number).uniq
          touched = numbers.flat_map { |number| make_room(number, movements, who, now) }
          movements.each { |one| insert(one, who, now) }
          (movements.filter_map(&:order_id) + touched).uniq
        end
      end

      # Promises what lies free to whoever waits for it.
      # @return [Array<Integer>] orders whose goods moved
      def allocate(numbers, who:, now: Clock.now)
        numbers.flat_map { |number| promise(number, on_hand(number), who, now) }
      end

      # @return [Paging::Page] of a number's movements, the latest first
      def page(number, page) = Paging.call(@database[:movements].where(number: number), :kind, nil, page) { |some| some.reverse(:id).all }

      # @return [Array<String>] numbers whose sums are not those of their movements: none, or the database was altered by hand
      def wrong_sums
        sums = @database[:movements].group(:number).select(:number) { [sum(on_hand).as(on_hand), sum(reserved).as(reserved), sum(bagged).as(bagged)] }
        @database[:stock].left_join(sums.as(:told), number: Sequel[:stock][:number])
                         .exclude(%i[on_hand reserved bagged].map do |sum|
                                    { Sequel[:stock][sum] => Sequel.function(:coalesce, Sequel[:told][sum], 0) }
                                  end.reduce { |one, two| Sequel.&(one, two) })
                         .select_map(Sequel[:stock][:number])
      end

      private

      def on_hand(number) = @database[:stock].where(number: number).get(:on_hand)

      # Before pieces leave the shelf otherwise than for an order, promises on them go.
      def make_room(number, movements, who, now)
        same = movements.select { |one| one.number == number }
        there = @database[:stock].where(number: number).first or
          Core::InputError.reject("number", "no_price", "#{number} has no price on file: give it one first.")
        left = there[:on_hand] + same.sum { |one| one.deltas[:on_hand] }
        left.negative? && Core::InputError.reject("quantity", "not_there", "Only #{there[:on_hand]} × #{number} lie on the shelf.")
        promised = there[:reserved] + same.sum { |one| one.deltas[:reserved] }
        return [] if promised <= left

        of_free(same, there)
        promise(number, left + (there[:reserved] - promised), who, now)
      end

      def of_free(same, there)
        one = same.find { |some| Core::Desk::Movements::OF_FREE.include?(some.kind) } or return
        free = there[:on_hand] - there[:reserved]
        Core::InputError.reject("quantity", "promised", "Only #{free} × #{one.number} are free: the others are promised to orders.")
      end

      def promise(number, on_hand, who, now)
        changes = Core::Desk::Allocation.call(on_hand, wants(number))
        less, more = changes.partition { |_, change| change.negative? }
        (less + more).each do |order, change|
          insert(Core::Desk::Movement.new(kind: change.positive? ? "reserved" : "released", number: number, quantity: change.abs, order_id: order),
                 who, now)
        end
        changes.keys
      end

      # An order that was cancelled, or is a quote, wants nothing.
      def wants(number)
        rows = @database[:goods].join(:orders, id: :order_id).where(number: number, stage: OPEN).order(:ordered_at, Sequel[:orders][:id])
        rows.select_map([:order_id, (Sequel[:wanted] - :bagged - :handed).as(:open), :reserved])
            .map { |order, open, reserved| Core::Desk::Allocation::Want.new(order_id: order, open: open, reserved: reserved) }
      end

      def insert(movement, who, now)
        @database[:movements].insert(at: now, who: who, **movement.to_h, **movement.deltas)
      rescue Sequel::CheckConstraintViolation
        Core::InputError.reject("quantity", "not_there", "There are not so many of #{movement.number} where they should be moved from: look again.")
      end
    end
  end
end
