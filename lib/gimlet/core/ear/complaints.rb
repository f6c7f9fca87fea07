# frozen_string_literal: true

require_relative "token"

module Gimlet
  module Core
    module Ear
      # Finds what callers complain of: the words of a phrase, in any order, close together.
      class Complaints
        # So many words may stand between the first and the last of a phrase, over those of the phrase.
        BETWEEN = 4
        NO = %w[no not].freeze

        # @param complaints [Enumerable<Readings::Vocabulary::Complaint>]
        def initialize(complaints)
          phrases = complaints.flat_map do |complaint|
            complaint.phrases.map { |phrase| [complaint.id, phrase.split.map { |word| word.split("|").to_h { |other| [Tokens.norm(other), true] } }] }
          end
          @phrases = phrases.each_with_index.sort_by { |(_, words), at| [denying?(words) ? 0 : 1, -words.size, at] }.map(&:first)
        end

        # The “no” of “no pressure” belongs to it and denies nothing else in the clause.
        def denying?(words) = words.any? { |any| NO.any? { |word| any.key?(word) } }
        private :denying?

        # @return [Boolean] whether a word says the same complaint again
        def word?(id, norm) = @phrases.any? { |phrase, words| phrase == id && words.any? { |any| any.key?(norm) } }

        # @param pieces [Array<Piece>] of one clause
        # @return [Array(String, Array<Piece>), nil] complaint id and the pieces that say it
        def find(pieces)
          words = pieces.flat_map { |piece| piece.tokens.map { |token| [token.norm, piece] } }
          @phrases.each do |id, alternatives|
            found = alternatives.map { |any| words.index { |word, _| any.key?(word) } }
            next unless found.all? && found.uniq.size == found.size
            next if found.max - found.min > alternatives.size - 1 + BETWEEN

            return [id, found.map { |at| words[at].last }.uniq]
          end
          nil
        end
      end
    end
  end
end
