# frozen_string_literal: true

require_relative "../../core/order/parts"
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
        def call(order, life, total, paper: "A4")
          drawn = OrderPaper.new("Quote", order, paper, "ORDER #{order.id}")
          sheet = drawn.sheet
          sheet.line "These prices stand until #{order.valid_until}.", style: :bold if order.valid_until
          drawn.goods(life.goods.select { |good| good.sold.positive? }.map { |good| [good.sold, good.number, good.name, good.price_cents] })
          drawn.total(total)
          along(sheet, life)
          Core::Order::Parts.new(order.record).lacking.each { |text| sheet.bullet(text, style: :bold) }
          drawn.render
        end

        def along(sheet, life)
          goods = life.goods.select { |good| good.along.positive? }
          return if goods.empty?

          sheet.heading "Along in case, charged only when kept"
          goods.each { |good| sheet.bullet("#{good.along} × #{good.number} #{good.name}, € #{format('%.2f', good.price_cents / 100.0)} each") }
        end
      end
    end
  end
end
