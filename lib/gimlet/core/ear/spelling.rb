# frozen_string_literal: true

require_relative "costs"

module Gimlet::Core
  module Ear
    # Known words that a mistyped one may be: a letter too many, too few, wrong, or two changed over; or a word typed without its vowels. What is
    # known is never taken for another word.
    class Spelling
      # Shorter words are too near to each other; a wrong letter says less than one that is left out.
      SHORTEST = 4
      SHORTEST_WRONG = 5
      VOWELS = "aeiou"

      # @param words [Array<String>] those that a mistyped one may be
      # @param plain [Array<String>] those that are only known: what is spelled so is right
      def initialize(words, plain)
        @known = (words + plain).to_h { |word| [word, true] }
        @meant = words.to_h { |word| [word, true] }
        @without = Hash.new { |all, key| all[key] = [] }
        @skeletons = Hash.new { |all, key| all[key] = [] }
        @meant.each_key do |word|
          cut(word).each { |shorter| @without[shorter] << word } if word.size >= SHORTEST
          @skeletons[skeleton(word)] << word if word.match?(/[#{VOWELS}]/o)
        end
        @without.default_proc = @skeletons.default_proc = nil
        @found = {}
      end

      # @return [Boolean]
      def known?(word) = @known.key?(word)

      # @return [Array<Array(String, Float)>] what may be meant, and what believing it costs; empty for a word that is known
      def meant(word)
        return [] if @known.key?(word) || !word.match?(/\A[a-z]+\z/)

        @found.clear if @found.size > 2000
        @found[word] ||= word.match?(/[#{VOWELS}]/o) ? slips(word) : (slips(word) + without_vowels(word)).uniq(&:first)
      end

      private

      def slips(word)
        return [] if word.size < SHORTEST

        near = [word, *cut(word)].flat_map { |one| @without.fetch(one, []) + (@meant.key?(one) ? [one] : []) }.uniq
        near.filter_map { |one| [one, cost(word, one)] if one[0] == word[0] && cost(word, one) }
      end

      def without_vowels(word)
        word.size < 2 ? [] : @skeletons.fetch(word, []).select { |one| one[0] == word[0] }.map { |one| [one, Costs::SKELETON] }
      end

      def skeleton(word) = word.delete(VOWELS)
      def cut(word) = Array.new(word.size) { |at| word[0, at] + word[(at + 1)..] }.uniq

      # @return [Float, nil] nil when they are more than one slip apart
      def cost(one, two)
        head = one.each_char.zip(two.each_char).take_while { |a, b| a == b }.size
        rest, other = one[head..], two[head..]
        return Costs::SLIP if rest == other[1..] && two.size > SHORTEST
        return Costs::SLIP if one.size > SHORTEST && (rest[1..] == other || turned?(rest, other))

        Costs::WRONG_LETTER if one.size >= SHORTEST_WRONG && rest[1..] == other[1..]
      end

      def turned?(rest, other)
        rest.size > 1 && other.size > 1 && rest[0] == other[1] && rest[1] == other[0] && rest[2..] == other[2..]
      end
    end
  end
end
