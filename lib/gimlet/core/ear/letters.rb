# frozen_string_literal: true

require_relative "token"

module Gimlet::Core
  module Ear
    # Letters said with a word that begins with them: "K for kilo", "T as in Tommy".
    module Letters
      LINKS = [%w[for], %w[as in], %w[like]].freeze

      module_function

      # @param tokens [Array<Token>]
      # @return [Array<Token>] with each such letter as one token
      def merged(tokens)
        out = []
        at = 0
        while at < tokens.size
          count = spoken_at(tokens, at)
          out << (count == 1 ? tokens[at] : said(tokens[at, count]))
          at += count
        end
        out
      end

      def said(tokens) = Token.new(**tokens.first.to_h, text: tokens.first.text.upcase, to: tokens.last.to, spelled_out: true)

      def spoken_at(tokens, at)
        return 1 unless tokens[at].norm.match?(/\A[a-z]\z/)

        link = LINKS.find { |words| tokens[at + 1, words.size].map(&:norm) == words } or return 1
        word = tokens[at + 1 + link.size]
        word&.word? && word.norm.size > 1 && word.norm.start_with?(tokens[at].norm) ? link.size + 2 : 1
      end
    end
  end
end
