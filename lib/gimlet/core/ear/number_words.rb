# frozen_string_literal: true

require_relative "../plain"
require_relative "token"

module Gimlet
  module Core
    module Ear
      # Figures said in words: "twenty two", "fourteen fifty", "two hundred", "three quarter", "one and a half".
      module NumberWords
        UNITS = %w[zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen
                   eighteen nineteen].each_with_index.to_h.freeze
        TENS = %w[twenty thirty forty fifty sixty seventy eighty ninety].each_with_index.to_h { |word, at| [word, (at + 2) * 10] }.freeze
        OTHERS = { "couple" => 2, "pair" => 2, "dozen" => 12, "nought" => 0, "fourty" => 40 }.freeze
        SIMPLE = UNITS.merge(TENS, OTHERS).transform_keys { |word| Tokens.norm(word) }.freeze
        TIMES = { "hundred" => 100, "thousand" => 1000 }.freeze
        PARTS = { "half" => 2, "halve" => 2, "quarter" => 4, "eighth" => 8, "sixteenth" => 16 }.freeze

        module_function

        # @param tokens [Array<Token>]
        # @return [Array<Token>] with figures for words
        def merged(tokens)
          out = []
          tokens.each { |token| out << step(out, token) }
          out.compact
        end

        # The next token, after taking back what belongs to the same number.
        def step(out, token)
          word = token.norm
          if (number = SIMPLE[word]) then simple(out, token, number)
          elsif (times = TIMES[word]) && figure(out.last) then join(out, 1, token, out.last.figure * times)
          elsif (under = PARTS[word]) then part(out, token, under)
          elsif point?(out, token) then point(out, token)
          else token
          end
        end

        # "three point three"
        def point?(out, token) = token.figure && token.figure < 100 && out.last&.norm == "point" && figure(out[-2])

        def point(out, token)
          digits = token.norm
          join(out, 2, token, out[-2].figure + Rational(digits.to_i, 10**digits.size))
        end

        def simple(out, token, number)
          return point(out, worded(token, number)) if point?(out, worded(token, number))

          before = out.last
          return worded(token, number) unless before&.spelled_out && before.figure
          return join(out, 1, token, before.figure + number) if addable?(before.figure, number)
          # "fourteen fifty" is 1450.
          return join(out, 1, token, (before.figure * 100) + number) if before.figure.between?(10,
                                                                                               99) && number >= 20 && before.figure >= 13

          worded(token, number)
        end

        def addable?(before, number)
          (before >= 20 && (before % 10).zero? && number.between?(1,
                                                                  9) && before < 100) || ((before % 100).zero? && before >= 100 && number < 100)
        end

        # "half", "three quarter", "one and a half".
        def part(out, token, under)
          share = Rational(1, under)
          return join(out, 3, token, out[-3].figure + share) if figure(out[-3]) && out[-2].norm == "and" && out[-1].norm == "a"
          return join(out, 2, token, out[-2].figure + share) if figure(out[-2]) && out[-1].norm == "and"
          return join(out, 1, token, out.last.figure * share) if figure(out.last) && under > 2 && out.last.figure < under
          return join(out, 1, token, share) if %w[a an].include?(out.last&.norm)

          worded(token, share)
        end

        def figure(token) = token&.figure

        def join(out, count, token, value)
          taken = out.pop(count)
          Token.new(text: token.text, norm: plain(value), figure: value.to_r, from: taken.first.from, to: token.to, glued: taken.first.glued,
                    spelled_out: true)
        end

        def worded(token, value) = Token.new(**token.to_h, figure: value.to_r, norm: plain(value), spelled_out: true)
        def plain(value) = value.to_r.denominator == 1 ? Plain.number(value) : value.to_s
      end
    end
  end
end
