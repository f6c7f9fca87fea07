# frozen_string_literal: true

require "time"
require_relative "csv_text"

module Gimlet
  module Exchange
    # The history as a table: at (UTC), who, what, where, in_words.
    #
    #   File.open("history.csv", "w") { |file| HistoryCSV.write(history, file) } # => how many lines
    module HistoryCSV
      HEADINGS = %w[at who what where in_words].freeze

      module_function

      # @param history [Enumerable] of when, who, what, where and in which words
      # @param out [#<<]
      # @return [Integer] lines written beside the headings
      def write(history, out)
        CsvText.write(out, [HEADINGS])
        CsvText.write(out, history.lazy.map { |at, *rest| [at.iso8601, *rest] })
      end
    end
  end
end
