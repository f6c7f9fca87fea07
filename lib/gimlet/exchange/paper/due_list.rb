# frozen_string_literal: true

require "date"
require_relative "letterhead"
require_relative "sheet"

module Gimlet
  module Exchange
    module Paper
      # Whose pump is due and why, to be rung down a page.
      #
      #   File.binwrite("due.pdf", DueList.call(rows, today: Date.today))
      module DueList
        WIDTHS = [80, 130, 80, nil].freeze

        module_function

        # @param rows [Array<Array(Hash, Array<Core::Desk::Due::Reason>)>] pump with its customer, and why; the next due first
        # @param today [Date]
        # @param on [Stationery]
        # @return [String] the PDF
        def call(rows, today:, on: Stationery.of)
          sheet = Sheet.new(Paper.blank("Pumps that are due", on))
          Letterhead.draw(sheet, on.face)
          sheet.line "Pumps that are due, #{on.ways.date(today)}", size: 20, style: :bold
          sheet.pdf.move_down 8
          rows.empty? ? sheet.line("No pump has a day on file.") : table(sheet, rows, today, on.ways)
          Paper.foot(sheet.pdf, on.face)
          sheet.pdf.render
        end

        def table(sheet, rows, today, ways)
          sheet.table([%w[due who phone what], *rows.map { |pump, reasons| row(pump, reasons, today, ways) }], WIDTHS)
        end

        # What is past its day says so: nothing is told by colour.
        def row(pump, reasons, today, ways)
          due = Date.parse(pump[:due_on])
          why = reasons.select { |reason| reason.on == due }.map(&:text)
          ["#{ways.date(due)}#{' OVERDUE' if due < today}", pump.values_at(:name, :place).reject(&:empty?).join(", "), pump[:phone],
           [pump[:designation], pump[:stands], *why].compact.reject(&:empty?).join(" · ")]
        end
        private_class_method :table, :row
      end
    end
  end
end
