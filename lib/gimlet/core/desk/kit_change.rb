# frozen_string_literal: true

require_relative "../input_error"
require_relative "movements"

module Gimlet::Core
  module Desk
    # A kit opened for its pieces, or made up from loose ones.
    #
    #   KitChange.new(kit, stock).opened(1) # => movements
    class KitChange
      # @param kit [Catalogue::Kit]
      # @param stock [Hash{String=>KitPlan::Stock}]
      def initialize(kit, stock)
        @kit = kit
        @stock = stock
      end

      # @return [Array<Movement>]
      # @raise [InputError]
      def opened(count) = [move("kit_opened", @kit.number, count), *pieces(count).map { |number, units| move("out_of_kit", number, units) }]

      # @return [Array<Movement>]
      # @raise [InputError]
      def made_up(count) = [*pieces(count).map { |number, units| move("into_kit", number, units) }, move("kit_made_up", @kit.number, count)]

      private

      def move(kind, number, units) = Movement.new(kind: kind, number: number, quantity: units, why: "kit #{@kit.number}")

      # In sale units of each piece.
      def pieces(count)
        @kit.contents.map do |number, each|
          stock = @stock[number] || reject("no_price", "#{number}, a piece of #{@kit.number}, has no price on file: give it one first.")
          units = Rational(each * count, stock.pack)
          units.denominator == 1 || reject("packs", "#{number} is sold by #{stock.pack}: #{each * count} of them are no whole packs.")
          [number, units.to_i]
        end
      end

      def reject(code, sentence) = InputError.reject("number", code, sentence)
    end
  end
end
