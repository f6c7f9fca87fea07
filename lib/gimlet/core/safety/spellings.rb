# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  module Safety
    # Which words of phrases a typed word may be: the same, one that begins so ("bulg*"), or a long one with a slip.
    #
    #   Spellings.new(%w[manifold crack*]).call("cracked")  # => ["crack*"]
    #   Spellings.new(%w[manifold crack*]).call("manifodl") # => ["manifold"]
    class Spellings
      # So long a word may have one slip.
      SLIPS_FROM = 6

      # @param words [Array<String>]
      def initialize(words)
        stems, whole = words.uniq.partition { |word| word.end_with?("*") }
        @stems = stems.group_by { |stem| stem[0] }.freeze
        @whole = whole.to_h { |word| [word, [word]] }.freeze
        @long = whole.select { |word| word.size >= SLIPS_FROM }.group_by(&:size).freeze
        freeze
      end

      # @param word [String] as Sentence has it
      # @return [Array<String>]
      def call(word)
        begun = @stems.fetch(word[0], []).select { |stem| word.start_with?(stem.chomp("*")) }
        same = @whole[word] || slipped(word)
        begun.empty? ? same : begun + same
      end

      private

      def slipped(word)
        return [] if word.size < SLIPS_FROM - 1

        (-1..1).flat_map { |more| @long.fetch(word.size + more, []) }.select { |known| slip?(known, word) }
      end

      # One letter more, less, another, or two that changed places.
      def slip?(one, other)
        at = 0
        at += 1 while at < one.size && one[at] == other[at]
        one[(at + 1)..] == other[(at + 1)..] || one[at..] == other[(at + 1)..] || one[(at + 1)..] == other[at..] ||
          (one[at, 2] == other[at, 2].to_s.reverse && one[(at + 2)..] == other[(at + 2)..])
      end
    end
  end
end
