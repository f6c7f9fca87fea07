# frozen_string_literal: true

require_relative "../../../core"

module Gimlet::Core
  module Readings
    # How well a damaged plate text fits a designation: the log-probability of the best alignment.
    # Glyphs that corrode into each other cost little, a `?` fits anything, `*` any run, and lost ends are cheap.
    class PlateMatch
      LOOKALIKES = %w[0OQD 1I7LT 2Z 5S 6G 8B UV MN EF CG KX 4A 3B PR].freeze
      SAME = Math.log(0.93)
      ALIKE = Math.log(0.04)
      OTHER = Math.log(0.002)
      BLANK = Math.log(0.9)
      DROPPED = Math.log(0.004)
      ADDED = Math.log(0.002)
      LOST_END = Math.log(0.15)
      RUN = Math.log(0.45)

      ALIKE_PAIRS = LOOKALIKES.each_with_object({}) do |glyphs, pairs|
        glyphs.chars.permutation(2) { |one, other| (pairs[one] ||= {})[other] = true }
      end.freeze

      # @param text [String] as read, at most 60 characters
      def initialize(text)
        @glyphs = self.class.plain(text).chars.freeze
      end

      # @return [Array<String>] what was read, spaces and dashes left out
      attr_reader :glyphs

      # @return [Hash{String=>Float}, nil] letter => what it costs to read it as this glyph; nil for a run
      def costs(glyph)
        return if glyph == "*"
        return Hash.new(BLANK) if glyph == "?"

        Hash.new(OTHER).merge(ALIKE_PAIRS.fetch(glyph, {}).transform_values { ALIKE }, glyph => SAME)
      end

      # @return [String] without the spaces, dashes and accents that plates have or lack
      def self.plain(text)
        return text.upcase.delete("^A-Z0-9?*") if text.ascii_only?

        text.unicode_normalize(:nfd).upcase.gsub("Ø", "O").gsub("Æ", "AE").delete("^A-Z0-9?*")
      end

      # @return [Boolean] whether it may be this name: one glyph that looks like another amiss, and an end lost, but none that is plainly another
      def reads?(designation) = log_likelihood(designation) >= (@glyphs.size * SAME) + ALIKE + LOST_END

      # @param designation [String]
      # @return [Float] natural logarithm, 0 at best
      def log_likelihood(designation)
        letters = self.class.plain(designation).chars
        row = (0..letters.size).map { |lost| lost * LOST_END }
        @costs ||= @glyphs.map { |glyph| costs(glyph) }
        @costs.each { |costs| row = costs ? step(row, costs, letters) : run(row) }
        row.each_with_index.map { |cost, at| cost + ((letters.size - at) * LOST_END) }.max
      end

      private

      # A run takes none or any number of letters for one price.
      def run(row)
        best = -Float::INFINITY
        row.map { |cost| (best = [best, cost].max) + RUN }
      end

      def step(row, costs, letters)
        left = row[0] + ADDED
        below = [left]
        at = 0
        letters.each do |letter|
          best = row[at] + costs[letter]
          dropped = left + DROPPED
          best = dropped if dropped > best
          added = row[at += 1] + ADDED
          below << (left = [added, best].max)
        end
        below
      end
    end
  end
end
