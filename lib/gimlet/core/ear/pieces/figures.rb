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

            ish = @tokens[at + 1]&.glued && @tokens[at + 1].norm == "ish" ? 1 : 0
            count, unit = unit_at(at + 1 + ish)
            count += ish
            unit ||= "in" if token.text.include?("/")
            size, more = half(at + 1 + count)
            value = thousands(token.figure + size, unit)
            known = { figure: value, unit: unit, digits: token.text[/\A\d[\d,]*\z/]&.delete(",") }
            return alien(at) if unit.nil? && alien?(at + 1)

            known[:unit] = "rpm" if unit.nil? && after_flow?(token)
            add(at, 1 + count + more, meaning: ish.zero? ? Lexicon::NOTHING : { hedge: true }, **known.compact)
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
            words = @tokens[at, 3].to_a
            return [0, 0] unless words.first&.norm == "and" && words.last.figure && words.last.figure < 1

            [words.last.figure, words.size]
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

          # "15 litres" of a pump is what it gives a minute, but a 20 litre tank is a tank.
          def volume(at, words)
            unit = VOLUMES[words.first&.norm] or return [0, nil]
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

            glued?(at + 1) && !cross?(at) && (token.word? || "?*".include?(token.text)) ? chunk(at) : add(at, 1)
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
            return false if !glued?(at + 1) || @tokens[at + 1].norm == "ish" || unit_at(at + 1).first.positive? || half(at + 1).last.positive?
            return false if %w[x × - / " ” : @ + = ) ( %].include?(@tokens[at + 1].text.downcase)

            length, = @lexicon.longest(@tokens, at + 1)
            length.zero?
          end

          # A run of letters, figures and ? that is no word: a plate or a number as far as it can be read.
          def chunk(at)
            run = [@tokens[at], *@tokens.drop(at + 1).take(30).take_while(&:glued)]
            run.pop while run.size > 1 && (run.last.separator? || (run.last.mark? && !"?*".include?(run.last.text)))
            add(at, run.size, chunk: @line[run.first.from...run.last.to])
          end
        end
      end
    end
  end
end
