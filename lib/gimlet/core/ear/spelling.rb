# frozen_string_literal: true

module Gimlet
  module Core
    module Ear
      # Known words one slip away from a mistyped one: a letter too many, too few, wrong, or two changed over.
      class Spelling
        # Shorter words are too near to each other.
        SHORTEST = 5

        # @param words [Array<String>] those that a mistyped one may be
        # @param plain [Array<String>] those that are only known: what is spelled so is right
        def initialize(words, plain)
          @known = (words + plain).to_h { |word| [word, true] }
          @meant = words.to_h { |word| [word, true] }
          @without = Hash.new { |all, key| all[key] = [] }
          @meant.each_key { |word| cut(word).each { |shorter| @without[shorter] << word } if word.size >= SHORTEST - 1 }
          @without.default_proc = nil
        end

        # @return [String] the word itself when it is known, or when no one known word is near it
        def correct(word)
          return word if word.size < SHORTEST || @known.key?(word)

          near = [word, *cut(word)].flat_map { |one| @without.fetch(one, []) + (@meant.key?(one) ? [one] : []) }.uniq
          near.select! { |one| one[0] == word[0] && slip?(word, one) }
          near.one? ? near.first : word
        end

        private

        def cut(word) = Array.new(word.size) { |at| word[0, at] + word[(at + 1)..] }.uniq

        def slip?(one, two)
          head = one.each_char.zip(two.each_char).take_while { |a, b| a == b }.size
          rest, other = one[head..], two[head..]
          rest[1..] == other[1..] || rest[1..] == other || rest == other[1..] ||
            (rest.size > 1 && other.size > 1 && rest[0] == other[1] && rest[1] == other[0] && rest[2..] == other[2..])
        end
      end
    end
  end
end
