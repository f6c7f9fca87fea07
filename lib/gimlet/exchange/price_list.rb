# frozen_string_literal: true

require_relative "../core/0_quantities/money"
require_relative "../core/input_error"
require_relative "../core/value"
require_relative "sheet_file"

module Gimlet
  module Exchange
    # Prices and stock as shops keep them: CSV with commas, semicolons or tabs, in UTF-8 or a spreadsheet's own encodings, or XLSX. The first
    # line has the headings number, price, on_hand and pack; the last two may be missing: what lies there stays as it is, and a pack
    # holds one.
    #
    #   PriceList.read("prices.csv").rows.first # => {number: "PW-K220", price_cents: 7025, on_hand: 4, pack: 1}
    module PriceList
      # Heading => what else it is called.
      HEADINGS = { "number" => ["part number", "part no", "article", "item"], "price" => ["net price", "unit price", "cost"],
                   "on_hand" => ["on hand", "stock", "qty", "quantity", "in stock"], "pack" => ["pack size", "per pack"] }.freeze
      MOST = { "price" => 1_000_000, "on_hand" => 1_000_000, "pack" => 10_000 }.freeze
      LONGEST_NUMBER = 40

      # `rows` are number, price_cents, on_hand and pack; `refused` are sentences, one for each line that was not taken.
      Result = Core::Value.of(:rows, :refused)

      # A line that is not taken.
      class Refused < StandardError; end

      module_function

      # @param path [String]
      # @param progress [#call, nil] told how many lines are read
      # @return [Result]
      # @raise [Core::InputError] when it is no list at all
      def read(path, progress: nil)
        lines, columns = [], nil
        SheetFile.each_line(path) do |cells, number|
          next columns = columns(cells) unless columns

          lines << line(cells, columns, number)
          progress&.call(lines.size)
        end
        columns || columns([])
        result(*lines.partition { |read| read.is_a?(Hash) })
      end

      def result(taken, refused)
        times = taken.map { |row| row[:number] }.tally
        Result.new(rows: taken.select { |row| times[row[:number]] == 1 },
                   refused: refused + times.select do |_, count|
                     count > 1
                   end.map { |number, _| "#{number} stands in more than one line: which one counts?" })
      end

      # @return [Hash{String=>Integer}] heading => place
      def columns(cells)
        found = cells.map { |cell| cell.to_s.strip.downcase }
        places = HEADINGS.to_h { |name, others| [name, found.index { |cell| [name, *others].include?(cell) }] }
        missing = %w[number price].reject { |name| places[name] }
        return places if missing.empty?

        Core::InputError.reject("headings", "bad_price_list", "The price list needs a first line with the headings #{HEADINGS.keys.join(', ')}: " \
                                                              "it lacks #{missing.join(' and ')}.")
      end

      # @param fields [Hash{String=>String}] one line by its headings, as it was typed
      # @return [Hash] number, price_cents, on_hand (nil where nothing is said of it) and pack
      # @raise [Core::InputError]
      def row(fields)
        told = line(fields.values_at(*HEADINGS.keys), HEADINGS.keys.each_with_index.to_h, nil)
        told.is_a?(Hash) ? told : Core::InputError.reject("price", "bad_price", told)
      end

      # @return [Hash, String] a row, or why it is not taken
      def line(cells, columns, at)
        number = columns["number"].then { |place| cells[place].to_s.strip }
        raise Refused, "it has no number" if number.empty?
        raise Refused, "its number has a character that is no text" if number.match?(/[[:cntrl:]]/) || !number.valid_encoding?
        raise Refused, "its number is longer than #{LONGEST_NUMBER} characters" if number.size > LONGEST_NUMBER

        told = ->(name, silent) { figure(name, columns[name] && cells[columns[name]], silent) }
        here = told.call("on_hand", :as_it_is)
        { number: number, price_cents: (told.call("price", nil) * 100).round, on_hand: here == :as_it_is ? nil : whole("on_hand", here),
          pack: whole("pack", told.call("pack", 1)).tap { |pack| raise Refused, "a pack holds at least 1" if pack < 1 } }
      rescue Refused => e
        shown = number.to_s[0, LONGEST_NUMBER].scrub("?").gsub(/[[:cntrl:]]/, "?")
        [*at && "line #{at}", *("(#{shown})" unless shown.empty?)].join(" ").then { |place| "#{place}: #{e.message}." }
      end

      def figure(name, cell, silent)
        return silent || raise(Refused, "it has no #{name}") if cell.to_s.strip.empty?

        value = Core::Money.read(cell) or raise Refused,
                                                "its #{name} “#{cell.to_s[0, 30].gsub(/[[:cntrl:]]/,
                                                                                      '?')}” cannot be read as a price: type it as 12.50 or 12,50"
        raise Refused, "its #{name} #{cell} is below zero" if value.negative?
        raise Refused, "its price is nothing: leave the line out where there is none" if name == "price" && value.zero?
        raise Refused, "its #{name} #{cell} is beyond any here (at most #{MOST[name]})" if value > MOST[name]

        value
      end

      def whole(name, value) = value == value.to_i ? value.to_i : raise(Refused, "its #{name} #{value.to_f} is no whole number")
    end
  end
end
