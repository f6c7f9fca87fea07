# frozen_string_literal: true

require "csv"
require_relative "../core/input_error"

module Gimlet
  module Exchange
    # Prices and stock as CSV with a heading line: number,price,on_hand,pack.
    module PriceList
      HEADINGS = %w[number price on_hand pack].freeze

      module_function

      # @param text [String]
      # @return [Array<Hash>] number, price_cents, on_hand, pack
      # @raise [Core::InputError] names the line
      def parse(text)
        table = CSV.parse(text, headers: true)
        reject("headings", "The price list needs the headings #{HEADINGS.join(',')}.") unless (HEADINGS - table.headers.compact).empty?
        table.each_with_index.map { |row, at| line(row, at + 2) }
      rescue CSV::MalformedCSVError => e
        reject("file", "The price list is not valid CSV: #{e.message}.")
      end

      def line(row, at)
        unless row["number"].to_s.strip != "" && row["price"].to_s.match?(/\A\d+(\.\d{1,2})?\z/) &&
               row["on_hand"].to_s.match?(/\A\d+\z/) && row["pack"].to_s.match?(/\A[1-9]\d*\z/)
          reject("line #{at}", "Line #{at} of the price list cannot be read: it needs a number, a price like 12.50, " \
                               "a whole on_hand and a pack of at least 1.")
        end
        { number: row["number"].strip, price_cents: (row["price"].to_r * 100).to_i, on_hand: row["on_hand"].to_i,
          pack: row["pack"].to_i }
      end

      def reject(field, sentence)
        Core::InputError.reject(field, "bad_price_list", sentence)
      end
    end
  end
end
