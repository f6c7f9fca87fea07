# frozen_string_literal: true

require_relative "../value"
require_relative "token"

module Gimlet::Core
  module Ear
    # Figures said in words: "twenty two", "fourteen hundred and fifty", "thirteen sixteenths", "one and a half", "five two zero zero".
    module NumberWords
      UNITS = %w[zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen
                 eighteen nineteen].each_with_index.to_h.freeze
      TENS = %w[twenty thirty forty fifty sixty seventy eighty ninety].each_with_index.to_h { |word, at| [word, (at + 2) * 10] }.freeze
      OTHERS = { "couple" => 2, "pair" => 2, "dozen" => 12, "nought" => 0, "fourty" => 40 }.freeze
      SIMPLE = UNITS.merge(TENS, OTHERS).transform_keys { |word| Tokens.norm(word) }.freeze
      TIMES = { "hundred" => 100, "thousand" => 1000 }.freeze
      PARTS = { "half" => 2, "halve" => 2, "quarter" => 4, "third" => 3, "eighth" => 8, "sixteenth" => 16 }.freeze
      DIGITS = SIMPLE.select { |_, number| number < 10 }.merge("oh" => 0, "o" => 0).freeze
      # Figures said one by one are a number from here on.
      RUN = 3
      WORDS = (SIMPLE.keys + TIMES.keys + PARTS.keys).to_h { |word| [word, true] }.freeze

      # `digits` is the number as it was read out, zeros in front included.
      Found = Value.of(:length, :value, :digits, :worded)

      module_function

      # @param tokens [Array<Token>]
      # @param at [Integer]
      # @return [Found, nil] the number that begins there, as far as it goes
      def at(tokens, at)
        token = tokens[at]
        return written(tokens, at, token) if token.figure

        word = token.norm
        # "hex ones" counts nothing.
        return if SIMPLE.key?(word) && token.text.downcase == "#{word}s"

        return run(tokens, at) || (said(tokens, at) if SIMPLE.key?(word)) if SIMPLE.key?(word) || word == "double"
        return of_parts(tokens, at) if PARTS.key?(word)

        counted(tokens, at) if %w[a an].include?(word)
      end

      # "20", "2 hundred", "1k", "14 and a half", "7/8"
      def written(tokens, at, token)
        length, value = 1, token.figure
        times = tokens[at + 1]
        if times && TIMES[times.norm] then length, value = hundreds(tokens, at + 2, value * TIMES[times.norm], 2)
        elsif times&.glued && times.norm == "k" && !tokens[at + 2]&.glued then length, value = 2, value * 1000
        end
        length, value = with_part(tokens, at, length, value)
        digits = token.text[/\A\d[\d,]*\z/]&.delete(",") if length == 1
        Found.new(length: length, value: value.to_r, digits: digits, worded: length > 1 || nil)
      end

      # "twenty two", "fourteen fifty", "two hundred and fifty", "twenty-eight point five", "three quarters"
      def said(tokens, at)
        length, value = small(tokens, at)
        following = after_dash(tokens, at + length)
        word = tokens[following]&.norm
        if TIMES[word] then length, value = hundreds(tokens, following + 1, value * TIMES[word], following + 1 - at)
        elsif value.between?(13, 99) && (more = tens(tokens, at + length)) then length, value = length + more.first, (value * 100) + more.last
        elsif PARTS.fetch(word, 0) > [2, value].max then length, value = following + 1 - at, Rational(value, PARTS[word])
        end
        length, value = with_part(tokens, at, *point(tokens, at, length, value))
        Found.new(length: length, value: value.to_r, digits: value.to_r.denominator == 1 ? value.to_i.to_s : nil, worded: true)
      end

      # @return [Array(Integer, Integer), nil] "two", "twenty", "twenty two"
      def small(tokens, at)
        number = tokens[at] && SIMPLE[tokens[at].norm] or return
        following = after_dash(tokens, at + 1)
        one = tokens[following] && SIMPLE[tokens[following].norm]
        number >= 20 && (number % 10).zero? && one&.between?(1, 9) ? [following + 1 - at, number + one] : [1, number]
      end

      # The "fifty" of "fourteen fifty".
      def tens(tokens, at) = small(tokens, at)&.then { |more| more if more.last.between?(20, 99) }

      # What follows "two hundred", "fourteen hundred and", "five thousand two hundred".
      def hundreds(tokens, at, value, length)
        linked = tokens[at]&.norm == "and" ? at + 1 : at
        more = small(tokens, linked) || (written_small(tokens, linked) if linked > at)
        return [length, value] unless more && more.last < 1000

        count, number = more
        if number < 10 && tokens[linked + count]&.norm == "hundred" && (value % 1000).zero?
          return hundreds(tokens, linked + count + 1, value + (number * 100), length + (linked - at) + count + 1)
        end
        return [length, value] unless number < 100 && value >= 100

        [length + (linked - at) + count, value + number]
      end

      def written_small(tokens, at) = tokens[at]&.figure && tokens[at].figure < 100 ? [1, tokens[at].figure] : nil

      # "three point three", "twenty-eight point five"
      def point(tokens, at, length, value)
        return [length, value] unless tokens[at + length]&.norm == "point"

        digits = tokens[(at + length + 1)..(at + length + 3)].to_a.take_while { |token| DIGITS[token.norm] || token.text.match?(/\A\d{1,3}\z/) }
        return [length, value] if digits.empty?

        told = digits.map { |token| DIGITS[token.norm] || token.text }.join
        [length + 1 + digits.size, value + Rational(told.to_i, 10**told.size)]
      end

      # "and a half", "and a quarter", "and three eighths", behind a whole number.
      def with_part(tokens, at, length, value)
        return [length, value] unless value.to_r.denominator == 1 && tokens[at + length]&.norm == "and"

        count, share = share(tokens, at + length + 1)
        count ? [length + 1 + count, value + share] : [length, value]
      end

      # @return [Array(Integer, Rational), nil] "a half", "an eighth", "three eighths", "half"
      def share(tokens, at)
        one, two = tokens[at]&.norm, tokens[at + 1]&.norm
        return [2, Rational(1, PARTS[two])] if %w[a an].include?(one) && PARTS[two]
        return [2, Rational(SIMPLE[one], PARTS[two])] if SIMPLE[one] && PARTS[two]

        [1, Rational(1, PARTS[one])] if PARTS[one]
      end

      # "half", "quarter", "half a dozen"
      def of_parts(tokens, at)
        share = Rational(1, PARTS[tokens[at].norm])
        dozen = tokens[at + 1]&.norm == "a" && tokens[at + 2]&.norm == "dozen"
        return Found.new(length: 3, value: 12 * share, digits: nil, worded: true) if dozen

        Found.new(length: 1, value: share, digits: nil, worded: true)
      end

      # "a dozen", "a half", "a hundred and fifty"
      def counted(tokens, at)
        word = tokens[at + 1]&.norm
        if TIMES[word]
          length, value = hundreds(tokens, at + 2, TIMES[word], 2)
          Found.new(length: length, value: value.to_r, digits: value.to_s, worded: true)
        elsif PARTS[word] then Found.new(length: 2, value: Rational(1, PARTS[word]), digits: nil, worded: true)
        elsif OTHERS[word] then Found.new(length: 2, value: OTHERS[word].to_r, digits: nil, worded: true)
        end
      end

      # "five two zero zero", "three one five double oh": three figures and more, read out one by one.
      def run(tokens, at)
        digits, place = +"", at
        while tokens[place]
          if tokens[place].norm == "double" && (twice = tokens[place + 1] && DIGITS[tokens[place + 1].norm])
            digits << (twice.to_s * 2)
            place += 2
          elsif (one = DIGITS[tokens[place].norm]) && !(tokens[place].norm == "o" && digits.empty?)
            digits << one.to_s
            place += 1
          else
            break
          end
        end
        Found.new(length: place - at, value: digits.to_r, digits: digits, worded: true) if digits.size >= RUN
      end

      def after_dash(tokens, at) = tokens[at]&.text == "-" ? at + 1 : at
    end
  end
end
