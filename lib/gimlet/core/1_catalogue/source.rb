# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Catalogue
    # Where entries of a document were read: `document`, `page`, `on` which day, by `who`. `of` are places: a list ("parts"), or one of its entries
    # ("parts.PW-4220"); the narrower place wins.
    Source = Value.of(:of, :document, :page, :on, :who) do
      # @return [String] "TK4 workshop sheet, page 7, read by Ines on 2026-04-14"
      def to_s
        read = [who && "by #{who}", on && "on #{on}"].compact
        [document, page && "page #{page}", ("read #{read.join(' ')}" if read.any?)].compact.join(", ")
      end
    end

    # Finding it.
    class Source
      # @param sources [Array<Source>]
      # @param list [String] "parts"
      # @param name [String] "PW-4220"
      # @return [Source, nil] nil where nobody says
      def self.for(sources, list, name)
        sources.find { |one| one.of.include?("#{list}.#{name}") } || sources.find { |one| one.of.include?(list) }
      end
    end
  end
end
