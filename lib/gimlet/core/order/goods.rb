# frozen_string_literal: true

require_relative "../value"
require_relative "order"

module Gimlet::Core
  class Order
    # One number of an order, and where its pieces are. `wanted` counts sale units, `along` those of them that go along in case and are charged
    # only when they do not come back; the other counts are sums of the ledger (desk/movements.rb).
    Good = Value.of(:number, :name, :wanted, :along, :price_cents, :pack, :shelf, :reserved, :bagged, :checked, :handed, :returned) do
      # @return [Integer] neither in the bag nor handed over
      def open = wanted - bagged - handed

      # @return [Integer] of those, not on the shelf for this order
      def short = open - reserved

      # @return [Integer] with the customer
      def out = handed - returned

      def sold = wanted - along

      # @param over [Boolean] whether the customer has said that nothing more comes back
      # @return [Integer] sale units to be paid
      def charged(over:)
        spare = [handed - sold, 0].max
        back = [returned - spare, 0].max
        sold - back + (over ? [spare - returned, 0].max : 0)
      end
    end

    # What is picked for an order.
    module Goods
      NOTHING = { reserved: 0, bagged: 0, checked: 0, handed: 0, returned: 0 }.freeze

      module_function

      # @param record [Hash] of an order
      # @param prices [Hash{String=>KitPlan::Stock}] what goes along costs what it costs today; an order does not wait for what is not free
      # @return [Array<Good>] nothing picked yet, each number once
      def of(record, prices)
        sold = record["parts"]["lines"].map { |line| line.values_at("number", "name", "quantity", "price_cents", "pack") }
        all = sold.map { |row| good(*row, 0) } + tools(record) + held(record, prices)
        all.group_by(&:number).map { |_, same| same.reduce { |one, two| together(one, two) } }
      end

      def good(number, name, wanted, price_cents, pack, along)
        Good.new(number: number, name: name, wanted: wanted, along: along, price_cents: price_cents, pack: pack, **NOTHING)
      end

      def together(one, two) = one.with(wanted: one.wanted + two.wanted, along: one.along + two.along)

      # Tools that are sold; those that are lent come back by their own number.
      def tools(record)
        sold = record["tools"].select { |tool| tool["how"] == "sold" && tool["price_cents"] }
        sold.map { |tool| good(tool["number"], tool["name"], 1, tool["price_cents"], 1, 0) }
      end

      def held(record, prices)
        record["held"].filter_map do |row|
          stock = prices[row["part"]] or next
          units = [(Rational(row["quantity"]) / stock.pack).ceil, stock.free].min
          good(row["part"], row["name"], units, stock.price_cents, stock.pack, units) if units.positive?
        end
      end
    end
  end
end
