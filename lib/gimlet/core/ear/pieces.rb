# frozen_string_literal: true

require_relative "../0_quantities/units"
require_relative "names"
require_relative "letters"
require_relative "number_words"
require_relative "piece"
require_relative "pieces/figures"
require_relative "pieces/joined"
require_relative "pieces/named"
require_relative "token"

module Gimlet
  module Core
    module Ear
      # From a line to pieces: names of the catalogue, the longest phrases, figures with their units. One pass, left to right.
      class Pieces
        include Figures
        include Joined
        include Named

        UNIT_WORDS = 4
        SPELLED_LEAST = 3

        # @param lexicon [Lexicon]
        # @param names [Names]
        def initialize(lexicon, names)
          @lexicon = lexicon
          @names = names
        end

        # @param line [String]
        # @return [Array<Piece>]
        def call(line)
          @line = line
          @tokens = NumberWords.merged(corrected(Letters.merged(Tokens.of(line))))
          @pieces = []
          at = 0
          at += take(at) while at < @tokens.size
          joined(@pieces).each_with_index { |piece, place| piece.place = place }
        end

        private

        def corrected(tokens)
          tokens.map do |token|
            better = token.word? && !token.glued ? @lexicon.spelling.correct(token.norm) : token.norm
            better == token.norm ? token : Token.new(**token.to_h, norm: better, text: better)
          end
        end

        # @return [Integer] how many tokens the next piece takes
        def take(at)
          named = name_at(at)
          length, meaning = @lexicon.longest(@tokens, at)
          return add(at, named.first, name: named.last) if named && named.first >= length
          return spelled(at) if spelled_run(at) >= SPELLED_LEAST && length < 2
          return word(at) if length == 1 && runs_on?(at) && keyed(meaning).none?
          return add(at, length, meaning: meaning, **keyed(meaning)) if length.positive? && @tokens[at].figure.nil?
          return add(at, length, meaning: meaning) if length > 1

          @tokens[at].figure ? figure(at) : word(at)
        end

        def add(at, count, meaning: Lexicon::NOTHING, **known)
          @pieces << Piece.new(@tokens[at, count], meaning, ending: at + count, **known)
          count
        end

        # "M10" is no M, but "hex6" is a key.
        def runs_on?(at) = @tokens[at].word? && glued?(at + 1) && @tokens[at + 1].figure

        def keyed(meaning) = { key: meaning[:key], thread: meaning[:thread] }.compact
      end
    end
  end
end
