# frozen_string_literal: true

require_relative "../../core/order/lines"
require_relative "../../core/order/places"
require_relative "card_goods"
require_relative "card_head"
require_relative "card_work"
require_relative "sheet"

module Gimlet
  module Exchange
    module Paper
      # The work card: what the customer takes to the bench, in the order in which it is needed there, readable in black and white.
      #
      #   File.binwrite("card.pdf", Card.call(order, life, on: Stationery.of(paper: "LETTER")))
      class Card
        FOOT = 8.5
        # No page is left with a few lines, and no card is a book: where it would be, drawings are made smaller.
        DENSITIES = [1.0, 0.8, 0.6, 0.4].freeze
        LEAST = 0.22
        PAGES = 6

        # @param order [Core::Order]
        # @param life [Core::Order::Life, nil] nil for the places as they were agreed
        # @param on [Stationery]
        # @param link [String, nil] where the order is found, for the code that a camera reads
        # @return [String] the PDF
        def self.call(order, life = nil, on: Stationery.of, link: nil)
          places = Core::Order::Places.of_order(order.record, life)
          tried = []
          DENSITIES.find { |density| (tried << new(order, places, on, link, density).draw).last.good? }
          (tried.find(&:good?) || tried.min_by { |card| [[card.pages, PAGES].max, -card.emptiest] }).render
        end

        def initialize(order, places, on, link, density)
          @places = places
          @record = order.record
          @sections = Core::Order::Lines.of(@record).to_h { |section| [section.key, section] }
          @sheet = Sheet.new(Paper.blank("Work card, order #{order.id}", on), density: density)
          @order = order
          @link = link
          @on = on
        end

        # @return [self]
        def draw
          CardHead.new(@sheet, @order, @link, @on).draw
          CardGoods.new(@sheet, @record, @sections, @places).draw
          CardWork.new(@sheet, @record, @sections).draw
          self
        end

        def good? = pages <= PAGES && emptiest >= LEAST
        def pages = @sheet.pdf.page_count
        def emptiest = @sheet.emptiest

        # @return [String]
        def render
          feet
          @sheet.pdf.render
        end

        private

        def feet
          pdf = @sheet.pdf
          (1..pdf.page_count).each do |page|
            pdf.go_to_page(page)
            foot(0, pdf.bounds.width - 210, Core::Plan::Cautions::DEFERRAL, :left)
            foot(pdf.bounds.width - 210, 210, "order #{@order.id} · #{@record['pump']['model']} · page #{page} of #{pdf.page_count}", :right)
          end
        end

        def foot(left, width, text, align)
          @sheet.pdf.text_box(text, at: [left, -8], width: width, height: 24, size: FOOT, align: align)
        end
      end
    end
  end
end
