# frozen_string_literal: true

require_relative "../core/desk/levels"
require_relative "../core/desk/movements"
require_relative "../core/input_error"
require_relative "../core/value"

module Gimlet
  module Counter
    # What to buy, the purchase of it, and its receipt. The supplier is asked where one is linked; everything works without.
    #
    #   Buy.new(database, stock: stock, purchases: purchases, lives: lives, snapshot: snapshot, link: link, who: "Adela").wanted.first.buy # => 4
    class Buy
      # `free` promised to nobody, `waiting` wanted by orders and not here, `to_come` bought already, `level` by hand or as `worked_out`.
      Wanted = Core::Value.of(:number, :name, :free, :waiting, :to_come, :level, :worked_out, :sold, :buy)
      # Days from order to receipt while nobody knows.
      LEAD_DAYS = 7

      # @param link [Exchange::SupplierLink, nil]
      # @param shop [Hash] stock, purchases, lives: the stores
      def initialize(database, snapshot:, link:, who:, **shop)
        @database = database
        @snapshot = snapshot
        @link = link
        @who = who
        @stock, @purchases, @lives = shop.fetch_values(:stock, :purchases, :lives)
      end

      # @return [Array<Wanted>] what lies below its level or is waited for, what is waited for first
      def wanted
        lead, sold, to_come, waiting, levels = @purchases.lead_days || LEAD_DAYS, @stock.sold(Core::Desk::Levels::DAYS), @purchases.to_come,
@stock.waiting, @stock.levels
        numbers = sold.keys | waiting.keys | levels.keys
        rows = numbers.filter_map do |number|
          row(number, lead, sold.fetch(number, 0), to_come.fetch(number, 0), waiting.fetch(number, 0), levels[number])
        end
        rows.select { |one| one.buy.positive? }.sort_by { |one| [-one.waiting, -one.buy, one.number] }
      end

      # @param request [Hash{String=>Object}] of the OpenAPI schema NewPurchase
      # @return [Integer] the purchase; written down even where the supplier does not answer
      # @raise [Core::InputError] nothing was written
      def write(request)
        request["lines"].empty? && reject("lines", "empty", "Nothing is to be bought: put a quantity to at least one number.")
        lines = request["lines"].map { |line| { number: known(line["number"]), quantity: line["quantity"], price_cents: nil } }
        lines.uniq { |line| line[:number] } == lines || reject("lines", "twice", "A number stands twice: put its quantities together.")
        @purchases.write(lines, key: request["key"], who: @who)
      end

      # @return [String, nil] why it was not sent; nil when the supplier has it
      def send_off(id)
        purchase = @purchases.find(id)
        purchase[:state] == "written" || reject("id", "sent", "Purchase #{id} is with the supplier already.")
        answer = @link.order(reference: "P-#{id}", lines: purchase[:lines].map { |line| line.slice(:number, :quantity) })
        @database.transaction(mode: :immediate) do
          @purchases.confirm(id, answer[:lines])
          @purchases.change(id, state: "sent", supplier_ref: answer[:supplier_ref], expected_on: answer[:ships_on], note: remarks(purchase, answer))
        end
        nil
      rescue Exchange::SupplierLink::Trouble => e
        e.message
      end

      # @param request [Hash{String=>Object}] of the OpenAPI schema NewReceipt
      # @raise [Core::InputError] nothing was booked
      def receive(id, request)
        @database.transaction(mode: :immediate) do
          purchase = @purchases.find(id)
          counts = counts(purchase, request)
          movements = counts.map { |number, count| Core::Desk::Movement.new(kind: "received", number: number, quantity: count, why: "purchase #{id}") }
          @lives.book(movements, who: @who)
          @purchases.receive(id, counts)
        end
      end

      private

      def row(number, lead, sold, to_come, waiting, by_hand)
        stock = @stock.all[number] or return
        days = Core::Desk::Levels::DAYS
        worked_out = Core::Desk::Levels.level(sold: sold, days: days, lead_days: lead)
        level = by_hand || worked_out
        buy = Core::Desk::Levels.buy(position: stock.free + to_come - waiting, level: level, sold: sold, days: days)
        Wanted.new(number: number, name: name(number), free: stock.free, waiting: waiting, to_come: to_come, level: level, worked_out: worked_out,
                   sold: sold, buy: buy)
      end

      def name(number) = @snapshot.kit(number)&.name || @snapshot.part(number)&.name

      def known(number)
        number = number.strip.upcase
        @stock.all.key?(number) ? number : reject("lines", "no_price", "#{number} has no price on file: give it one first.")
      end

      # What the supplier confirmed otherwise than it was asked.
      def remarks(purchase, answer)
        told = answer[:lines].to_h { |line| [line[:number], line[:quantity]] }
        purchase[:lines].reject { |line| told[line[:number]] == line[:quantity] }
                        .map { |line| "#{line[:number]}: #{told[line[:number]] || 0} confirmed of #{line[:quantity]}" }.join("; ")
      end

      def counts(purchase, request)
        purchase[:state] == "received" && reject("id", "received", "All of purchase #{purchase[:id]} has come already.")
        request["lines"].reject { |line| line["quantity"].zero? }.to_h do |line|
          number = line["number"].strip.upcase
          ordered = purchase[:lines].find { |one| one[:number] == number } ||
                    reject("lines", "not_ordered", "#{number} is not in purchase #{purchase[:id]}: receive it by itself, under stock.")
          left = ordered[:quantity] - ordered[:received]
          line["quantity"] <= left || request["more"] ||
            reject("lines", "more", "#{line['quantity']} × #{number} came, #{left} were to come: count again, or say that more came.")
          [number, line["quantity"]]
        end.tap { |counts| counts.empty? && reject("lines", "empty", "Nothing came: put how many to at least one number.") }
      end

      def reject(...) = Core::InputError.reject(...)
    end
  end
end
