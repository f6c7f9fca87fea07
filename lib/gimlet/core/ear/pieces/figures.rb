# frozen_string_literal: true

module Gimlet
  module Core
    module Ear
      class Pieces
        # Figures with their units, and runs of letters and figures that are neither.
        module Figures
          VOLUMES = { "litre" => "L/min", "liter" => "L/min", "ltr" => "L/min", "l" => "L/min", "gallon" => "US gpm", "gal" => "US gpm" }.freeze

          private

          def figure(at)
            token = @tokens[at]
            return chunk(at) if in_chunk?(at)
            return add(at, 3, figure: token.figure, alien: "Write #{token.text} #{@tokens[at + 2].text} if it is one figure.") if two_or_one?(at)
            return alien(at) if alien?(at + 1) && unit_at(at + 1).last.nil?

            ish = @tokens[at + 1]&.glued && @tokens[at + 1].norm == "ish" ? 1 : 0
            count, value, unit = measure(at, ish)
            unit ||= "rpm" if after_flow?(token)
            known = { figure: thousands(value, unit), unit: unit, digits: token.text[/\A\d[\d,]*\z/]&.delete(",") }
            add(at, count, meaning: ish.zero? ? Lexicon::NOTHING : { hedge: true }, **known.compact)
          end

          # @return [Array(Integer, Rational, String)] tokens, value and unit: "4 gpm", "a gallon and a half", "one and an eighth inch"
          def measure(at, ish)
            token = @tokens[at]
            count, unit = unit_at(at + 1 + ish)
            count += 1 + ish
            unit ||= "in" if token.text.include?("/")
            share, more = token.figure.denominator == 1 ? half(at + count) : [0, 0]
            last, unit = unit_at(at + count + more) if more.positive? && unit.nil?
            unit ||= "in" if share.denominator > 2
            [count + more + last.to_i, token.figure + share, unit]
          end

          # 1.450 rpm is written with a point for the thousands.
          def thousands(value, unit) = unit == "rpm" && value.denominator > 1 ? value * 1000 : value

          # A time, a price, a temperature, a measure that is not used here: no reading of a pump.
          def alien?(at) = !alien_note(at).nil?

          def alien_note(at)
            return if @tokens[at].nil? || runs_on?(at)

            meaning = @lexicon.longest(@tokens, at).last
            return "“#{@tokens[at].text}” is no unit here: use #{meaning[:foreign]}." if meaning[:foreign]

            "Nothing that tells pumps apart." if %i[times money heat].any? { |small| meaning[small] }
          end

          def alien(at) = add(at, 1 + @lexicon.longest(@tokens, at + 1).first, figure: @tokens[at].figure, alien: alien_note(at + 1))

          # "a gallon and a half"
          def half(at)
            return [0, 0] unless @tokens[at]&.norm == "and"

            count = %w[a an].include?(@tokens[at + 1]&.norm) ? 3 : 2
            share = @tokens[at + count - 1]&.figure
            share && share < 1 ? [share, count] : [0, 0]
          end

          # "1 and 1/8 in" is one figure, "hex 6 and 1/2 in inlet" is two: who can tell?
          def two_or_one?(at)
            figure, link, share = @tokens[at, 3]
            figure.figure.denominator == 1 && link&.norm == "and" && share&.text&.match?(%r{\A\d+/\d+\z})
          end

          # @return [Array(Integer, String)] tokens that make a unit here, and the unit
          def unit_at(at)
            words = @tokens[at, UNIT_WORDS + 2].to_a.take_while { |token| (!token.separator? && token.figure.nil?) || token.text == "." }
            words.size.downto(1) do |count|
              symbol = Units.symbol(words.take(count).map(&:text).join) or next
              return [count, symbol] unless symbol == "in" && words.first.text.downcase == "in" && !inches?(at, words, count)
            end
            volume(at, words)
          end

          # "in" is a unit after a fraction, or where a noun or nothing follows: not in "8 in the head".
          def inches?(at, words, count)
            figure = @tokens[at - 1]
            return true if figure.figure && figure.figure.denominator > 1
            return true if words.first.glued || words[1].nil?

            following = @tokens[at + count] or return true
            following.separator? || @lexicon.longest(@tokens, at + count).last[:nouns]&.any?
          end

          # "4 L 20"
          def letter_of_a_plate?(at) = @tokens[at].text == "L" && !@tokens[at].glued && !@tokens[at + 1]&.figure.nil?

          # "15 litres" of a pump is what it gives a minute, but a 20 litre tank is a tank.
          def volume(at, words)
            unit = VOLUMES[words.first&.norm] or return [0, nil]
            return [0, nil] if letter_of_a_plate?(at)

            after = @tokens[at + 1, 2].to_a
            return [0, nil] if after.any? { |token| @lexicon.longest([token], 0).last[:holders] } || after.first&.norm == "of"

            [1, unit]
          end

          def after_flow?(token)
            before = @pieces.last(2)
            token.figure.between?(100, 6000) && %w[at @].include?(before.last&.norm) && before.size == 2 &&
              %i[flow pressure].include?(Units::KIND_OF[before.first.unit])
          end

          def word(at)
            token = @tokens[at]
            return figure_word(at) if %w[gallon litre inch].include?(token.norm) && half(at + 1).last.positive?

            runs_on = glued?(at + 1) && !cross?(at) && !questioned?(at)
            runs_on && (token.word? || "?*".include?(token.text)) ? chunk(at) : add(at, 1)
          end

          # "an inch and a quarter"
          def figure_word(at)
            share, count = half(at + 1)
            add(at, 1 + count, figure: 1 + share, unit: VOLUMES[@tokens[at].norm] || "in")
          end

          def cross?(at) = %w[x ×].include?(@tokens[at].norm) && at.positive? && @tokens[at - 1].figure && @tokens[at + 1].figure

          def glued?(at) = @tokens[at]&.glued && !@tokens[at].separator? && !%w[' " ” .].include?(@tokens[at].text)

          # Whether a figure runs on into letters that are no unit: "4L20", "2Z9".
          def in_chunk?(at)
            return false if !glued?(at + 1) || questioned?(at)
            return false if @tokens[at + 1].norm == "ish" || unit_at(at + 1).first.positive? || half(at + 1).last.positive?
            return false if %w[x × - / " ” : @ + = ) ( %].include?(@tokens[at + 1].text.downcase)

            length, = @lexicon.longest(@tokens, at + 1)
            length.zero?
          end

          # "8?", "huh?", "?what": the mark is the talker's, not a glyph that cannot be read.
          def questioned?(at)
            marks, said = glued_run(at).reject(&:separator?).partition { |token| token.text == "?" }
            marks.any? && said.size == 1 && (said.first.word? || said.first == @tokens[at])
          end

          def glued_run(at) = [@tokens[at], *@tokens[at + 1, 30].take_while(&:glued)]

          # A run of letters, figures and ? that is no word: a plate or a number as far as it can be read.
          def chunk(at)
            run = glued_run(at)
            run.pop while run.size > 1 && (run.last.separator? || (run.last.mark? && !"?*".include?(run.last.text)))
            add(at, run.size, chunk: @line[run.first.from...run.last.to])
          end
        end
      end
    end
  end
end
