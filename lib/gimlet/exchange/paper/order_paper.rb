# frozen_string_literal: true

require "time"
require_relative "../../core/order/places"
require_relative "../../core/value"
require_relative "blank"
require_relative "letterhead"
require_relative "places_entry"
require_relative "qr_code"
require_relative "sheet"

module Gimlet
  module Exchange
    module Paper
      # What a quote and a delivery note have in common: for whom, and of each pump of the call its work, its goods in a table, and what it comes to.
      class OrderPaper
        # One kind of pump: its order, where that stands, and what it comes to.
        Job = Core::Value.of(:order, :life, :total) do
          def places = Core::Order::Places.of_order(order.record, life)
        end
        CODE = 70
        TABLE = [45, 90, nil, 70, 75].freeze

        # @param title [String]
        # @param jobs [Array<Job>] of one call
        # @param on [Stationery]
        def initialize(title, jobs, on)
          @jobs = jobs
          @title = "#{title}, #{jobs.one? ? 'order' : 'orders'} #{jobs.map { |job| job.order.id }.join(', ')}"
          @ways, @face = on.ways, on.face
          @sheet = Sheet.new(Paper.blank(@title, on))
          @sheet.stops(jobs.flat_map { |job| job.order.record.fetch("stops", []) }.uniq { |stop| stop["id"] })
          head
        end

        # @return [Sheet]
        attr_reader :sheet

        # What is common to every job, the work and what is not in the bag first; then what the block adds.
        # @yieldparam job [Job]
        def each_job
          @jobs.each do |job|
            pump(job.order)
            PlacesEntry.words(@sheet, job.places, job.order.record["reason"])
            yield job
            PlacesEntry.drawn(@sheet, job.places, job.order.record)
          end
          together unless @jobs.one?
        end

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
        def date(day) = @ways.date(day)

        private

        def sums(total)
          [["goods", total.net_cents], ["less #{total.discount} %", -total.discount_cents], ["tax, #{total.tax} %", total.tax_cents]]
            .reject { |name, cents| cents.zero? && name != "goods" }
        end

        def head
          order = @jobs.first.order
          QrCode.draw(@sheet.pdf, "ORDER #{order.id}", at: [@sheet.width - CODE, @sheet.pdf.cursor], size: CODE)
          Letterhead.draw(@sheet, @face)
          @sheet.line @title, size: 20, style: :bold
          @sheet.line order.customer || "customer not named", size: Sheet::BIG
          @sheet.line @ways.date(Time.parse(order.created_at.to_s))
        end

        def pump(order)
          pump = order.record["pump"]
          @sheet.heading "#{pump['maker']} #{pump['model']}, order #{order.id}" unless @jobs.one?
          @sheet.line "#{pump['maker']} #{pump['model']}#{", serials #{pump['serials']}" if pump['serials']}", strong: "Pump:"
          @sheet.line "#{order.record['work']['areas'].map { |area| area['name'] }.join(', ')}.", strong: "Work:"
          @sheet.pdf.move_down 8
        end

        # Each order is rounded by itself.
        def together
          @sheet.pdf.move_down 10
          @sheet.pdf.text "all together, to pay   #{money(@jobs.sum { |job| job.total.gross_cents })}", align: :right, style: :bold, size: Sheet::BIG
        end
      end
    end
  end
end
