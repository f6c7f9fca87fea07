# frozen_string_literal: true

require "csv"
require "roo"
require "zip"
require_relative "../core/input_error"

module Gimlet
  module Exchange
    # A table in a file, whatever a spreadsheet saved it as.
    module SheetFile
      SEPARATORS = [",", ";", "\t"].freeze
      MARKS = { "\xEF\xBB\xBF".b => "UTF-8", "\xFF\xFE".b => "UTF-16LE", "\xFE\xFF".b => "UTF-16BE" }.freeze
      # Bytes; no shop's list is longer.
      LARGEST = 50 * 1024 * 1024
      # Bytes of a spreadsheet, which is packed.
      UNPACKED = 400 * 1024 * 1024

      module_function

      # @param path [String]
      # @return [Array<Array>] lines of cells
      # @raise [Core::InputError]
      def read(path)
        File.file?(path) || reject("There is no file #{path}.")
        File.size(path) <= LARGEST || reject("The file is larger than #{LARGEST / 1_048_576} MB: it is no price list.")
        spreadsheet?(path) ? xlsx(path) : csv(path)
      end

      # An XLSX file is a zip archive, whatever its name.
      def spreadsheet?(path) = File.binread(path, 4) == "PK\x03\x04".b

      def xlsx(path)
        Zip::File.open(path) { |archive| archive.sum(&:size) } <= UNPACKED || reject("The spreadsheet unpacks to more than a price list holds.")
        sheet = Roo::Excelx.new(path, file_warning: :ignore).sheet(0)
        return [] unless sheet.last_row

        (sheet.first_row..sheet.last_row).map { |row| (1..sheet.last_column).map { |column| sheet.cell(row, column) } }
      rescue Core::InputError
        raise
      rescue StandardError => e
        reject("The file cannot be read as a spreadsheet: #{e.message.lines.first.to_s.strip}.")
      end

      def csv(path)
        text = decoded(File.binread(path))
        head = text.lines.first.to_s
        CSV.parse(text, col_sep: SEPARATORS.max_by { |one| head.count(one) }, liberal_parsing: true)
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
