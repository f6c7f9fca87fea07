# frozen_string_literal: true

require_relative "lattice/figures"
require_relative "lattice/joined"
require_relative "lattice/phrases"
require_relative "lattice/texts"
require_relative "letters"
require_relative "names"
require_relative "piece"
require_relative "token"

module Gimlet::Core
  module Ear
    # A typed line as tokens, with every piece that may begin at each: phrases and their misspellings, figures with and without their units, ranges,
    # names of the catalogue, plates that were spelled out. Pieces overlap; which of them are meant is not decided here.
    class Lattice
      include Figures
      include Joined
      include Phrases
      include Texts

      NONE = [].freeze

      # @return [Array<Token>]
      attr_reader :tokens
      # @return [String]
      attr_reader :line

      # @param line [String]
      # @param lexicon [Lexicon]
      # @param names [Names]
      def initialize(line, lexicon, names)
        @line = line
        @lexicon = lexicon
        @names = names
        @tokens = Letters.merged(Tokens.of(line))
        @norms = @tokens.map(&:norm)
        @size = @tokens.size
        @clauses = clause_numbers
        @at = Array.new(@tokens.size)
        @phrases = Array.new(@tokens.size)
        @figures = Array.new(@tokens.size)
        @says = Array.new(@tokens.size)
        @texts, @names_at, @plain = [], [], []
      end

      # @return [Integer] how many tokens
      attr_reader :size

      # @return [Array<Piece>] those that begin at this token, longer ones first; none beyond the line
      def at(place)
        return [] if place >= size

        @at[place] ||= (figures_and_joined(place) + texts_at(place) + phrases_at(place)).sort_by { |piece| -piece.to }
      end

      # @return [Integer] of the clause that a token stands in
      def clause(place) = @clauses[place]

      def separator?(place) = tokens[place]&.separator?
      def stop?(place) = [";", "\n", "."].include?(tokens[place].text)
      def mark?(place) = tokens[place].mark?

      # @return [String] as it was typed
      def words(from, to) = line[tokens[from].from...tokens[to - 1].to]

      # @param small [Symbol]
      # @return [Array<Piece>] phrases that begin here, as they are spelled, and say this
      def says(place, small)
        return NONE if place >= size

        (@says[place] ||= by_kind(place)).fetch(small, NONE)
      end

      # @return [Boolean] whether a token says nothing by itself
      def idle?(place) = mark?(place) || says(place, :filler).any?

      # @return [Array<Array(String, Float)>] known words that one may be a misspelling of, and what each costs
      def meant(word) = @lexicon.spelling.meant(word)

      # @param small [Symbol]
      # @return [Array<Piece>] of the clause that this token stands in
      def said(small, place)
        @said ||= {}
        @said[small] ||= tokens.each_index.flat_map { |at| phrases_at(at).select { |piece| piece.says(small) && piece.slip.zero? } }
                               .group_by { |piece| clause(piece.from) }
        @said[small].fetch(clause(place), [])
      end

      private

      def by_kind(place)
        phrases_at(place).select { |piece| piece.slip.zero? }
                         .each_with_object({}) { |piece, all| piece.meaning.each_key { |kind| (all[kind] ||= []) << piece } }
      end

      def figures_and_joined(place) = crossed?(place) ? [] : joined_at(place) + figures_at(place)

      def clause_numbers
        number = 0
        tokens.map { |token| token.separator? ? (number += 1) : number }
      end

      # Nothing stands between these two tokens.
      def glued?(place) = tokens[place]&.glued
    end
  end
end
