# frozen_string_literal: true

require "csv"
require "xsv"
require_relative "../core/input_error"
require_relative "xlsx_rows"

module Gimlet
  module Exchange
    # A table in a file, whatever a spreadsheet saved it as, line by line.
    #
    #   SheetFile.each_line("list.xlsx") { |cells, number| ... } # blank lines are left out
    module SheetFile
      SEPARATORS = [",", ";", "\t"].freeze
      MARKS = { "\xEF\xBB\xBF".b => "UTF-8", "\xFF\xFE".b => "UTF-16LE", "\xFE\xFF".b => "UTF-16BE" }.freeze
      # Bytes; no shop's list is longer.
      LARGEST = 50 * 1024 * 1024
      # Bytes of a spreadsheet, which is packed.
      UNPACKED = 200 * 1024 * 1024
      # About what a row of a price list takes in a sheet.
      BYTES_OF_A_ROW = 180
      MOST_LINES = 100_000
      # Cells further right are nobody's price list.
      MOST_COLUMNS = 50
      # Rows of a sheet that are looked at: what ECMA-376 spreadsheets have at most.
      LOWEST_ROW = 1_048_576

      module_function

      # @param path [String]
      # @yield [Array, Integer] cells and the number of the line in the file, from 1
      # @raise [Core::InputError]
      def each_line(path, &)
        File.file?(path) || reject("There is no file #{path}.")
        File.size(path) <= LARGEST || reject("The file is larger than #{LARGEST / 1_048_576} MB: it is no price list.")
        limited(spreadsheet?(path) ? :xlsx : :csv, path, &)
      end

      # @return [Integer] lines, as far as can be told without reading them
      def lines_expected(path)
        return File.foreach(path).count unless spreadsheet?(path)

        Zip::File.open(path) { |archive| archive.glob("xl/worksheets/sheet*.xml").sum(&:size) } / BYTES_OF_A_ROW
      rescue StandardError
        0
      end

      def limited(kind, path)
        lines = 0
        send(kind, path) do |cells, number|
          cells = cells.first(MOST_COLUMNS)
          next if cells.all? { |cell| cell.to_s.strip.empty? }

          (lines += 1) <= MOST_LINES || reject("The list has more than #{MOST_LINES} lines: split it.")
          yield(cells, number)
        end
      end

      # An XLSX file is a zip archive, whatever its name.
      def spreadsheet?(path) = File.binread(path, 4) == "PK\x03\x04".b

      # The first sheet that is shown and has anything on it.
      def xlsx(path, &)
        Zip::File.open(path) do |archive|
          archive.sum(&:size) <= UNPACKED || reject("The spreadsheet unpacks to more than a price list holds.")
          book = Xsv::Workbook.new(archive)
          files = archive.glob("xl/worksheets/sheet*.xml").sort_by { |entry| entry.name[/\d+/].to_i }
          book.sheets.zip(files).reject { |sheet, _| sheet.hidden? }.find { |_, file| rows(book, file, &) }
        end
      rescue Core::InputError
        raise
      rescue NoMethodError, TypeError
        # The library takes every part for granted that spreadsheet programs write.
        reject("The spreadsheet lacks a part that every spreadsheet program writes, such as its styles: open it in one and save it anew, " \
               "or save it as CSV.")
      rescue StandardError => e
        reject("The file cannot be read as a spreadsheet: #{e.message.lines.first.to_s.strip[0, 200]}.")
      end

      # @return [Boolean] whether there was anything
      def rows(book, file)
        number, any = 0, false
        XlsxRows.each(book, file) do |cells|
          (number += 1) <= LOWEST_ROW || reject("The spreadsheet has a cell below row #{LOWEST_ROW}: no program writes that.")
          any ||= cells.any?
          yield(cells, number)
        end
        any
      end

      def csv(path)
        text = decoded(File.binread(path))
        head = text.lines.first.to_s
        table = CSV.new(text, col_sep: SEPARATORS.max_by { |separator| head.count(separator) }, liberal_parsing: true)
        table.each { |cells| yield(cells, table.lineno) }
      rescue CSV::MalformedCSVError => e
        reject("The file is not valid CSV: #{e.message}.")
      end

      # UTF-8 where it is, else what spreadsheets write in Western Europe.
      def decoded(bytes)
        mark, name = MARKS.find { |start, _| bytes.start_with?(start) }
        return bytes.byteslice(mark.bytesize..).force_encoding(name).encode("UTF-8", invalid: :replace) if mark

        text = bytes.dup.force_encoding("UTF-8")
        text.valid_encoding? ? text : bytes.force_encoding("Windows-1252").encode("UTF-8", invalid: :replace, undef: :replace)
      end

      def reject(sentence) = Core::InputError.reject("file", "bad_price_list", sentence)
    end
  end
end
