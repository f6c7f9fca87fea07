# frozen_string_literal: true

require "time"
require_relative "csv_text"

module Gimlet
  module Exchange
    # The history as a table: at (UTC), who, what, where, in_words.
    module HistoryCSV
      HEADINGS = %w[at who what where in_words].freeze

      module_function

      # @param history [#each] rows of when, who, what, where and in which words
      # @yield [String] the headings, then a line for each
      def each_line(history)
        yield CsvText.line(HEADINGS)
        history.each { |at, *rest| yield CsvText.line([at.iso8601, *rest]) }
      end
    end
  end
end
