# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Ear
    # A word, figure or mark of a typed line, with where it stands. `figure` is its number, nil for words; `glued` says that nothing
    # stands between it and the one before.
    MARKS = %i[mark separator].freeze
    Token = Value.of(:text, :norm, :figure, :from, :to, :glued, :spelled_out, :kind) do
      def word? = kind == :word
      def mark? = MARKS.include?(kind)
      def separator? = kind == :separator
    end

    # Cutting a line into tokens, in one pass.
    module Tokens
      FRACTION = %r{\d+[ -]\d+/\d+(?![\d/])|(?<!/)\d+/\d+(?![\d/])}
      FIGURE = /#{FRACTION}|\d{1,3}(?:,\d{3})+(?!\d)|\d+\.\d+(?![\d.])|\.\d+|\d+,\d{1,2}(?![\d,])|\d+/
      # Behind these a full stop ends no sentence.
      SHORTENED = %w[no nr approx dia ser in ft lb gal min max ca abt hr pc ref art cyl od id].freeze
      WORD = /\p{L}+(?:['’]\p{L}+)*/
      SEPARATORS = [",", ";", "\n", "|"].freeze
      SCAN = /#{FIGURE}|#{WORD}|''|\S|\n/

      module_function

      # @param line [String]
      # @return [Array<Token>]
      def of(line)
        ending = -1
        tokens = line.enum_for(:scan, SCAN).map do
          match = Regexp.last_match
          glued = match.begin(0) == ending
          ending = match.end(0)
          Token.new(text: match[0], norm: norm(match[0]), figure: figure(match[0]), from: match.begin(0), to: ending, glued: glued,
                    kind: kind(match[0]))
        end
        tokens.each_with_index.map do |token, at|
          if full_stop?(tokens, at) then token.with(glued: false, kind: :separator)
          else number_sign?(tokens, at) ? token.with(norm: "nr") : token
          end
        end
      end

      # @return [Symbol] :figure, :word, :separator or :mark
      def kind(text)
        return :figure if text.match?(/\A\.?\d/)
        return :word if text.match?(/\A\p{L}/)

        SEPARATORS.include?(text) ? :separator : :mark
      end

      # "8 no. screws", "serial no. 31022"
      def number_sign?(tokens, at)
        return false unless tokens[at].norm == "no" && tokens[at + 1]&.text == "." && tokens[at + 1].glued && at.positive?

        tokens[at - 1].figure || tokens[at + 2]&.figure
      end

      def full_stop?(tokens, at)
        tokens[at].text == "." && at.positive? && !tokens[at + 1]&.glued && !SHORTENED.include?(tokens[at - 1].norm)
      end

      # @return [String] without capitals, accents, apostrophes and the ending of a plural
      def norm(text)
        plain = text.downcase
        plain = plain.tr("’", "'").gsub("ø", "o").gsub("æ", "ae").unicode_normalize(:nfd).gsub(/\p{Mn}/, "") unless plain.ascii_only?
        stem(plain.delete("'"))
      end

      def stem(word) = word.match?(/\A[a-z]{2,}[^sui]s\z/) ? word.delete_suffix("s") : word

      def figure(text)
        return unless text.match?(/\A\.?\d/)
        return text.delete(",").to_r if text.match?(/\A\d{1,3}(?:,\d{3})+\z/)

        text.tr(",", ".").split(%r{[ -](?=\d+/)}).sum { |piece| rational(piece) }
      end

      def rational(text)
        over, under = text.split("/")
        if under
          under.to_i.zero? ? 0r : Rational(over.to_i, under.to_i)
        else
          over.to_r
        end
      end
    end
  end
end
