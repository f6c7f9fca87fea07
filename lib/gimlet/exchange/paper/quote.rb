# frozen_string_literal: true

require_relative "order_paper"

module Gimlet
  module Exchange
    module Paper
      # What it would cost, for the customer.
      #
      #   File.binwrite("quote.pdf", Quote.call([OrderPaper::Job.new(order: order, life: life, total: total)]))
      module Quote
        module_function

        # @param jobs [Array<OrderPaper::Job>] of one call
        # @param on [Stationery]
        # @return [String] the PDF
        def call(jobs, on: Stationery.of)
          drawn = OrderPaper.new("Quote", jobs, on)
          drawn.each_job do |job|
            drawn.sheet.line "These prices stand until #{drawn.date(Date.parse(job.order.valid_until))}.", style: :bold if job.order.valid_until
            goods = job.life.goods
            drawn.goods(goods.select { |good| good.sold.positive? }.map { |good| [good.sold, good.number, good.name, good.price_cents] })
            drawn.total(job.total)
            along(drawn, goods.select { |good| good.along.positive? })
          end
          drawn.render
        end

        def along(drawn, goods)
          return if goods.empty?

          drawn.sheet.heading "Along in case, charged only when kept"
          goods.each { |good| drawn.sheet.bullet("#{good.along} × #{good.number} #{good.name}, #{drawn.money(good.price_cents)} each") }
        end
        private_class_method :along
      end
    end
  end
end
