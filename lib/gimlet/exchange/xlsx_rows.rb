# frozen_string_literal: true

require "xsv"

module Gimlet
  module Exchange
    # The rows of one sheet of a workbook, by the reader that Xsv itself uses and does not promise to keep: its own sheets end at the last row with a
    # number in it, and rows of words below are lost. Nothing else in this house touches that reader.
    #
    #   XlsxRows.each(book, entry) { |cells| ... }
    module XlsxRows
      # @param book [Xsv::Workbook]
      # @param entry [Zip::Entry] of the sheet
      # @yield [Array] the cells of a row, also of an empty one
      def self.each(book, entry, &)
        Xsv::SheetRowsHandler.new(:array, [], [], book, 0, Float::INFINITY, &).parse(entry.get_input_stream)
      end
    end
  end
end
