# frozen_string_literal: true

require "time"
require_relative "../../core/order/places"
require_relative "blank"
require_relative "letterhead"
require_relative "places_entry"
require_relative "qr_code"
require_relative "sheet"

module Gimlet
  module Exchange
    module Paper
      # What a quote and a delivery note have in common: for whom, for which pump, goods in a table, and what it comes to.
      class OrderPaper
        CODE = 70
        TABLE = [45, 90, nil, 70, 75].freeze

        # @param title [String]
        # @param order [Core::Order]
        # @param life [Core::Order::Life]
        # @param code [String] what the code in the corner says
        # @param on [Stationery]
        def initialize(title, order, life, code, on)
          @sheet = Sheet.new(Paper.blank("#{title}, order #{order.id}", on))
          @ways, @face = on.ways, on.face
          @order = order
          @places = Core::Order::Places.of_order(order.record, life)
          @sheet.stops(order.record.fetch("stops", []))
          head(title, code)
        end

        attr_reader :sheet

        # What the agreed work needs and is not there comes before what is.
        def lacking = PlacesEntry.words(@sheet, @places, @order.record["reason"])

        def places = PlacesEntry.drawn(@sheet, @places, @order.record)

        # @param rows [Array<Array(Integer, String, String, Integer)>] how many, number, name, cents each
        def goods(rows)
          cells = rows.map { |count, number, name, cents| [count, number, name, money(cents), money(count * cents)] }
          @sheet.table([%w[qty number what each together], *cells], TABLE)
        end

        # @param total [Core::Order::Total]
        def total(total)
          @sheet.pdf.move_down 6
          sums(total).each { |name, cents| @sheet.pdf.text "#{name}   #{money(cents)}", align: :right }
          @sheet.pdf.text "to pay   #{money(total.gross_cents)}", align: :right, style: :bold, size: Sheet::BIG
          return unless total.discount_cents.positive? || total.tax_cents.positive?

          @sheet.line "Discount and tax are each rounded once, half a cent up.",
                      size: Sheet::SMALL
        end

        # @return [String]
        def render
          Paper.foot(@sheet.pdf, @face)
          @sheet.pdf.render
        end

        # @param cents [Integer]
        # @return [String]
        def money(cents) = @ways.money(cents)

        private

        def sums(total)
          [["goods", total.net_cents], ["less #{total.discount} %", -total.discount_cents], ["tax, #{total.tax} %", total.tax_cents]]
            .reject { |name, cents| cents.zero? && name != "goods" }
        end

        def head(title, code)
          QrCode.draw(@sheet.pdf, code, at: [@sheet.width - CODE, @sheet.pdf.cursor], size: CODE)
          Letterhead.draw(@sheet, @face)
          pump = @order.record["pump"]
          @sheet.line "#{title}, order #{@order.id}", size: 20, style: :bold
          @sheet.line @order.customer || "customer not named", size: Sheet::BIG
          @sheet.line @ways.date(Time.parse(@order.created_at.to_s))
          @sheet.line "#{pump['maker']} #{pump['model']}#{", serials #{pump['serials']}" if pump['serials']}", strong: "Pump:"
          @sheet.line "#{@order.record['work']['areas'].map { |area| area['name'] }.join(', ')}.", strong: "Work:"
          @sheet.pdf.move_down 8
        end
      end
    end
  end
end
