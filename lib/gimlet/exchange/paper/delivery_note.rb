# frozen_string_literal: true

require_relative "order_paper"

module Gimlet
  module Exchange
    module Paper
      # What went over the counter, what goes along in case, what is lent and what is still to come.
      #
      #   File.binwrite("note.pdf", DeliveryNote.call(order, life, total))
      class DeliveryNote
        # @param order [Core::Order]
        # @param life [Core::Order::Life]
        # @param total [Core::Order::Total]
        # @return [String] the PDF
        def self.call(order, life, total, on: Stationery.of) = new(order, life, total, on).render

        def initialize(order, life, total, on)
          @life = life
          @total = total
          @drawn = OrderPaper.new("Delivery note", order, life, "ORDER #{order.id}", on)
          @sheet = @drawn.sheet
        end

        # @return [String]
        def render
          @drawn.lacking
          sold
          list("Along in case: bring back what is not used", @life.goods.select { |good| along(good).positive? }) do |good|
            "#{along(good)} × #{good.number} #{good.name}, #{@drawn.money(good.price_cents)} each: charged only when kept"
          end
          list("Lent: bring it back", @life.loans.select(&:out?)) do |tool|
            "#{tool.tag} #{tool.name}, until #{tool.until}, deposit #{@drawn.money(tool.deposit_cents)}"
          end
          list("Still to come", open) { |good| "#{good.open} × #{good.number} #{good.name}" }
          @drawn.places
          signed
          @drawn.render
        end

        private

        def open = @life.goods.select { |good| good.open.positive? }

        # With the customer, or in the bag that goes out now.
        def here(good) = good.out + good.bagged
        def charged(good) = [here(good), good.charged(over: @life.stage == "closed")].min
        def along(good) = here(good) - charged(good)

        # A part delivery is not settled by itself.
        def sold
          @drawn.goods(@life.goods.select { |good| charged(good).positive? }.map { |good| [charged(good), good.number, good.name, good.price_cents] })
          return @drawn.total(@total) if open.empty?

          @sheet.line "The whole order comes to #{@drawn.money(@total.gross_cents)}; what is still to come is below."
        end

        def list(title, rows)
          return if rows.empty?

          @sheet.heading title
          rows.each { |row| @sheet.tick(yield(row)) }
        end

        def signed
          @sheet.pdf.move_down 40
          @sheet.line "received: ________________________________", size: Sheet::SMALL
        end
      end
    end
  end
end
