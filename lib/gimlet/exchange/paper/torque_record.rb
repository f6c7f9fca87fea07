# frozen_string_literal: true

require_relative "../../core/bench/log"
require_relative "../../core/order/turns"
require_relative "../../core/6_tightening/words"
require_relative "sheet"

module Gimlet
  module Exchange
    module Paper
      # What every bolt was tightened to: what was asked, what was reached, by whom and when, and what was over. It stays with the pump.
      #
      #   File.binwrite("torques.pdf", TorqueRecord.call(order, bench_entries))
      class TorqueRecord
        COLUMNS = [0.09, 0.1, 0.28, 0.15, 0.13, 0.25].freeze
        HEADINGS = %w[bolt round asked reached verdict by].freeze

        # @param order [Core::Order]
        # @param entries [Array<Core::Entry>] of its bench
        # @return [String] the PDF
        def self.call(order, entries, on: Stationery.of) = new(order, entries, on).render

        def initialize(order, entries, on)
          @order = order
          @record = order.record
          @entries = entries
          @sheet = Sheet.new(Paper.blank("Torques reached, order #{order.id}", on))
        end

        # @return [String]
        def render
          pump = @record["pump"]
          @sheet.line "Torques reached", size: 22, style: :bold
          @sheet.line [pump.values_at("maker", "model").join(" "), pump["serials"] && "serials #{pump['serials']}", "order #{@order.id}",
                       @order.customer].compact.join(" · ")
          pumps = @record["work"]["pumps"]
          (1..pumps).each { |at| pump(at, pumps) }
          @sheet.line "A wrench that clicks shows no figure: such turns are ticked on the card and not listed here."
          @sheet.pdf.render
        end

        private

        def pump(at, pumps)
          log = Core::Bench::Log.of(@entries, at)
          @sheet.heading "Pump #{at} of #{pumps}" if pumps > 1
          told = @record["tightening"].filter_map { |fastener| rows(fastener, log).then { |rows| [fastener, rows] unless rows.empty? } }
          @sheet.line "Nothing was read." if told.empty?
          told.each { |fastener, rows| table(fastener, rows) }
        end

        def table(fastener, rows)
          @sheet.heading "#{fastener['count']} × #{fastener['name']}"
          widths = COLUMNS.map { |share| share * @sheet.width }
          @sheet.table([HEADINGS, *rows], widths)
        end

        # Every reading, those that were put right since too.
        def rows(fastener, log)
          Core::Order::Turns.of(fastener).each_with_index.flat_map do |turn, at|
            turn.asked ? log.all(fastener["fastener"], at).map { |entry| row(fastener, turn, entry) } : []
          end
        end

        def row(fastener, turn, entry)
          point, read = fastener["points"][turn.point], Core::Order::Turns.torque(entry.body)
          [(point["order"] || point["label"]).to_s, (turn.round + 1).to_s, turn.asked.band.map do |limit|
            Core::Tightening::Words.torque(limit)
          end.join(" to "),
           Core::Tightening::Words.torque(read), turn.asked.verdict(read).state, "#{entry.who}, #{entry.at.strftime('%-d %b %H:%M')}"]
        end
      end
    end
  end
end
