# frozen_string_literal: true

require "csv"

module Gimlet
  module Exchange
    # CSV that a spreadsheet shows as what it is.
    module CsvText
      # A cell that begins so is taken for a formula. Source: OWASP, CSV injection (from memory).
      FORMULA = /\A[=+\-@\t\r]/

      module_function

      # @param out [#<<]
      # @param lines [Enumerable<Array>]
      # @return [Integer] lines written
      def write(out, lines)
        table = CSV.new(out)
        lines.count { |cells| table << cells.map { |cell| cell.to_s.match?(FORMULA) ? "'#{cell}" : cell.to_s } }
      end
    end
  end
end
