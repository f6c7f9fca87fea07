# frozen_string_literal: true

require_relative "order_paper"

module Gimlet
  module Exchange
    module Paper
      # What it would cost, for the customer.
      #
      #   File.binwrite("quote.pdf", Quote.call(order, life, total))
      module Quote
        module_function

        # @param order [Core::Order]
        # @param life [Core::Order::Life]
        # @param total [Core::Order::Total]
        # @return [String] the PDF
        def call(order, life, total, on: Stationery.of)
          drawn = OrderPaper.new("Quote", order, life, "ORDER #{order.id}", on)
          sheet = drawn.sheet
          sheet.line "These prices stand until #{order.valid_until}.", style: :bold if order.valid_until
          drawn.lacking
          drawn.goods(life.goods.select { |good| good.sold.positive? }.map { |good| [good.sold, good.number, good.name, good.price_cents] })
          drawn.total(total)
          along(drawn, life)
          drawn.places
          drawn.render
        end

        def along(drawn, life)
          goods = life.goods.select { |good| good.along.positive? }
          return if goods.empty?

          drawn.sheet.heading "Along in case, charged only when kept"
          goods.each { |good| drawn.sheet.bullet("#{good.along} × #{good.number} #{good.name}, #{drawn.money(good.price_cents)} each") }
        end
      end
    end
  end
end
