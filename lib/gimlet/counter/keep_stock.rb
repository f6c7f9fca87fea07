# frozen_string_literal: true

require_relative "../core/desk/kit_change"
require_relative "../core/desk/levels"
require_relative "../core/desk/movements"
require_relative "../core/input_error"
require_relative "../core/reason"
require_relative "../core/value"

module Gimlet
  module Counter
    # What the keeper does to the shelves: received, scrapped, kits opened and made up, counted.
    #
    #   keep = KeepStock.new(database, stock: stock, lives: lives, snapshot: snapshot, who: "Adela")
    #   keep.move("kind" => "received", "number" => "PW-K220", "quantity" => 4)
    class KeepStock
      # `promised` of what is missing are promised to orders, which wait again when it is booked.
      Difference = Core::Value.of(:number, :name, :was, :counted, :change, :promised)
      KINDS = %w[received scrapped kit_opened kit_made_up].freeze

      # @param database [Sequel::Database]
      # @param stock [Store::Stock]
      # @param lives [Store::Lives]
      # @param snapshot [Core::Catalogue::Snapshot]
      def initialize(database, stock:, lives:, snapshot:, who:)
        @database = database
        @stock = stock
        @lives = lives
        @snapshot = snapshot
        @who = who
      end

      # @param request [Hash{String=>Object}] of the OpenAPI schema NewMovement
      # @raise [Core::InputError] nothing was booked
      def move(request)
        kind, number, quantity, why = request.values_at("kind", "number", "quantity", "why")
        number = number.strip.upcase
        kind == "scrapped" && Core::Reason.check(why, "Say in a few words why it is scrapped.")
        book(movements(kind, number, quantity, why))
      end

      # @param lines [Array<Hash{String=>Object}>] number, counted
      # @return [Array<Difference>] where the count is not what the ledger says
      # @raise [Core::InputError]
      def differences(lines)
        known = @stock.all
        once(lines).filter_map do |number, counted|
          one = known[number] || reject("number", "no_price", "#{number} has no price on file: give it one first, then count it.")
          lost = [one.reserved - counted, 0].max
          unless counted == one.on_hand
            Difference.new(number: number, name: name(number), was: one.on_hand, counted: counted, change: counted - one.on_hand,
                           promised: lost)
          end
        end
      end

      # Books what was counted; each difference is explained.
      # @param lines [Array<Hash{String=>Object}>] number, counted, why, was: what the ledger said when the differences were looked at
      # @return [Array<Difference>]
      # @raise [Core::InputError] nothing was booked
      def count(lines)
        @database.transaction(mode: :immediate) do
          found = differences(lines)
          found.each { |one| explained(one, lines.find { |line| line["number"].strip.upcase == one.number }) }
          told = lines.to_h { |line| [line["number"].strip.upcase, line["why"]] }
          book(found.map { |one| Core::Desk::Movement.new(kind: "counted", number: one.number, quantity: one.change, why: told[one.number]) })
          found
        end
      end

      private

      def once(lines)
        lines.group_by { |line| line["number"].strip.upcase }.to_h do |number, same|
          same.one? ? [number, same.first["counted"]] : reject("number", "twice", "#{number} stands twice in this count: put it together.")
        end
      end

      def explained(difference, line)
        line["was"] == difference.was || reject("was", "changed", "#{difference.number} was moved since you looked: count it again.")
        Core::Reason.said?(line["why"]) ||
          reject("why", "reason_too_short", "Say why #{difference.number} is #{difference.counted} and not #{difference.was}, then book the count.")
      end

      def movements(kind, number, quantity, why)
        return [Core::Desk::Movement.new(kind: kind, number: number, quantity: quantity, why: why)] if %w[received scrapped].include?(kind)

        kit = @snapshot.kit(number) || reject("number", "no_kit", "#{number} is no kit of this catalogue.")
        change = Core::Desk::KitChange.new(kit, @stock.all)
        kind == "kit_opened" ? change.opened(quantity) : change.made_up(quantity)
      end

      def book(movements) = @lives.book(movements, who: @who)
      def name(number) = @snapshot.kit(number)&.name || @snapshot.part(number)&.name
      def reject(...) = Core::InputError.reject(...)
    end
  end
end
