# frozen_string_literal: true

require_relative "order_paper"

module Gimlet
  module Exchange
    module Paper
      # What went over the counter, what goes along in case, what is lent and what is still to come.
      #
      #   File.binwrite("note.pdf", DeliveryNote.call([OrderPaper::Job.new(order: order, life: life, total: total)]))
      class DeliveryNote
        # @param jobs [Array<OrderPaper::Job>] of one call
        # @param on [Stationery]
        # @return [String] the PDF
        def self.call(jobs, on: Stationery.of) = new(jobs, on).render

        def initialize(jobs, on)
          @drawn = OrderPaper.new("Delivery note", jobs, on)
          @sheet = @drawn.sheet
        end

        # @return [String]
        def render
          @drawn.each_job { |job| job(job) }
          signed
          @drawn.render
        end

        private

        def job(job)
          goods = job.life.goods
          over = job.life.stage == "closed"
          sold(job, goods, over)
          list("Along in case: bring back what is not used", goods.select { |good| along(good, over).positive? }) do |good|
            "#{along(good, over)} × #{good.number} #{good.name}, #{@drawn.money(good.price_cents)} each: charged only when kept"
          end
          list("Lent: bring it back", job.life.loans.select(&:out?)) do |tool|
            "#{tool.tag} #{tool.name}, until #{@drawn.date(tool.until)}, deposit #{@drawn.money(tool.deposit_cents)}"
          end
          list("Still to come", to_come(goods)) { |good| "#{good.open} × #{good.number} #{good.name}" }
        end

        def to_come(goods) = goods.select { |good| good.open.positive? }

        # With the customer, or in the bag that goes out now.
        def here(good) = good.out + good.bagged
        def charged(good, over) = [here(good), good.charged(over: over)].min
        def along(good, over) = here(good) - charged(good, over)

        # A part delivery is not settled by itself.
        def sold(job, goods, over)
          here = goods.select { |good| charged(good, over).positive? }
          @drawn.goods(here.map { |good| [charged(good, over), good.number, good.name, good.price_cents] })
          return @drawn.total(job.total) if to_come(goods).empty?

          @sheet.line "The whole order comes to #{@drawn.money(job.total.gross_cents)}; what is still to come is below."
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
