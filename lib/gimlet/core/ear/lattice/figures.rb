# frozen_string_literal: true

require_relative "../../0_quantities/quantity"
require_relative "../../0_quantities/units"
require_relative "../number_words"

module Gimlet::Core
  module Ear
    class Lattice
      # Figures, alone and with the unit behind them. A time, a price, a temperature or a unit that is not used here makes a figure none of a
      # pump; so do telephone numbers, dates and hours of the day.
      module Figures
        VOLUMES = { "litre" => "L", "liter" => "L", "ltr" => "L", "l" => "L", "gallon" => "US gal", "gal" => "US gal" }.freeze
        UNIT_WORDS = 6
        DOUBTFUL = ["L", "US gal", "in"].freeze
        NOT_OURS = "Nothing that tells pumps apart."
        # Figures of a telephone number together.
        TELEPHONE = 9
        MONEY = %w[€ $ £].freeze
        NONE = [].freeze

        # @return [Array<Piece>]
        def figures_at(place)
          return NONE if place >= size

          @figures[place] ||= figures_of(place)
        end

        private

        def figures_of(place)
          return of_a_unit(place) if %w[gallon litre inch].include?(@norms[place])

          found = inside_word?(place) ? nil : NumberWords.at(tokens, place)
          return [] if found.nil? || (tokens[place].figure && two_or_one?(place))

          stray = stray(place, place + found.length)
          return [Piece.new(place, stray, figure: found.value, alien: NOT_OURS)] if stray

          with_unit(place, place + found.length, found)
        end

        # "K4" is no 4, and in "TK4L20" none of it counts anything.
        def inside_word?(place)
          token = tokens[place]
          return false unless token.glued && place.positive?

          before = tokens[place - 1]
          (before.word? && !keyed?(place - 1) && !crossing?(place)) || (before.mark? && "?*".include?(before.text))
        end

        # "hex6", "G1/2"
        def keyed?(place) = !glued?(place) && phrases_at(place).any? { |piece| piece.slip.zero? && (piece.says(:key) || piece.says(:thread)) }

        # "2 x 8 bolts" may be any number of bolts.
        def crossed?(place)
          tokens[place].figure && crossing?(place)
        end

        def crossing?(place)
          place > 1 && Joined::CROSS.include?(tokens[place - 1].text.downcase) && tokens[place - 2].figure
        end

        # "1 and 1/8 in" is one figure, "hex 6 and 1/2 in inlet" is two: who can tell?
        def two_or_one?(place)
          [place, place - 2].any? do |at|
            at >= 0 && tokens[at].figure && tokens[at].figure.denominator == 1 && @norms[at + 1] == "and" &&
              tokens[at + 2]&.text&.match?(%r{\A\d+/\d+\z})
          end
        end

        def with_unit(place, ending, found)
          return [Piece.new(place, ending + alien_length(ending), figure: found.value, alien: alien(ending))] if alien(ending)

          ending, ish = ish(ending)
          units = units_at(ending).flat_map do |count, unit|
            values(tokens[place].text, found.value, unit).map { |value| measured(place, ending, count, value, unit, ish) }
          end
          # A unit behind a figure is its own; "4 L 20" and "8 in the head" may be none.
          units.all? { |piece| DOUBTFUL.include?(piece.unit) } ? units + [bare(place, ending, found, ish)] : units
        end

        # "1.200 bar" is a thousand to some, decimals to others; what turns is told in thousands.
        def values(text, value, unit)
          return [value * 1000] if unit == "rpm" && value.denominator > 1 && value < 100

          text.match?(Quantity::IN_THOUSANDS) && Units::KIND_OF[unit] == :pressure ? [value, value * 1000] : [value]
        end

        def measured(place, ending, count, value, unit, ish)
          value, unit = value * 10, "mm" if unit == "cm"
          # "one inch one eighth"
          more, share = unit == "in" ? NumberWords.share(tokens, ending + count) : nil
          count, value = count + more, value + share if more
          Piece.new(place, ending + count, ish, figure: value, unit: unit, text: words(place, ending))
        end

        def bare(place, ending, found, ish)
          text = words(place, ending)
          unit = "in" if text.include?("/") || eighths?(found)
          Piece.new(place, ending, ish, figure: found.value, unit: unit, digits: found.digits, text: text)
        end

        # Eighths, and whole numbers with a part, are inches.
        def eighths?(found) = found.worded && found.value.denominator > 2 && found.value.denominator.nobits?(found.value.denominator - 1)

        # "20ish"
        def ish(ending)
          glued = glued?(ending) && @norms[ending] == "ish"
          glued ? [ending + 1, { hedge: true }] : [ending, Piece::NOTHING]
        end

        # "an inch and a quarter", "a gallon and a half", "inch and three eighths"
        def of_a_unit(place)
          count, share = @norms[place + 1] == "and" ? NumberWords.share(tokens, place + 2) : nil
          unit = VOLUMES[@norms[place]] || "in"
          length = count ? 2 + count : 1
          [Piece.new(place, place + length, figure: 1 + (share || 0), unit: unit, text: "1")].tap do |found|
            found.clear unless count || article?(place)
          end
        end

        # "an inch" is one.
        def article?(place) = place.positive? && %w[a an].include?(@norms[place - 1])

        # @return [Array<Array(Integer, String)>] how many tokens make a unit here, and which
        def units_at(place)
          return [] if tokens[place].nil? || tokens[place].separator?

          most = tokens[place, UNIT_WORDS].take_while { |token| !token.separator? || token.text == "." }.size
          most.downto(1).filter_map { |count| unit_of(tokens[place, count], place)&.then { |symbol| [count, symbol] } }.first(2) + volume(place)
        end

        def unit_of(run, place)
          text = run.map(&:text).join.sub(/\Aofan?(?=inch)/i, "")
          return "cm" if %w[cm cms centimetres centimeters].include?(text.downcase)

          symbol = Units.symbol(text)
          symbol unless symbol == "in" && text.downcase == "in" && !inches?(place)
        end

        # "in" is a unit behind a fraction, or where a noun or nothing follows: not in "8 in the head".
        def inches?(place)
          return true if glued?(place) || tokens[place - 1].text.include?("/")

          following = tokens[place + 1] or return true
          following.separator? || phrases_at(place + 1).any?(&:noun?)
        end

        # Litres; what they are of is for the rules to say. "4 L 20" is read from a plate.
        def volume(place)
          unit = VOLUMES[@norms[place]] or return []
          return [] if tokens[place].text == "L" && !glued?(place) && tokens[place + 1]&.figure

          [[1, unit]]
        end

        def alien(place) = alien_piece(place)&.then { |piece| alien_note(piece) }
        def alien_length(place) = alien_piece(place).size_in_tokens

        def alien_piece(place)
          return if tokens[place].nil? || (glued?(place + 1) && tokens[place].word? && tokens[place + 1].figure)

          longest = phrases_at(place).find { |piece| piece.slip.zero? } or return
          longest if !(longest.says(:foreign) && units_at(place).any?) && alien_note(longest)
        end

        def alien_note(piece)
          return "“#{words(piece.from, piece.to)}” is no unit here: use #{piece.says(:foreign)}." if piece.says(:foreign)

          NOT_OURS if %i[times money heat].any? { |small| piece.says(small) }
        end

        # @return [Integer, nil] where a telephone number, a date, an hour or a price that begins here ends
        def stray(place, ending)
          return ending if place.positive? && MONEY.include?(tokens[place - 1].text)
          return ending if date?(tokens[place].text)
          return hour(place, ending) if hour(place, ending)

          run = telephone(place)
          place + run if run
        end

        # "12/03", not "5/8" or "13/16".
        def date?(text) = text.match?(%r{\A(?:0\d|[12]\d|3[01]|\d)/(?:0\d|1[0-2])\z}) && (text.include?("/0") || text.start_with?("0"))

        # "10:15", "after 4", "till 2", "at half eight" where nothing is counted.
        def hour(_place, ending)
          ending + 2 if tokens[ending]&.text == ":" && glued?(ending) && tokens[ending + 1]&.figure && tokens[ending + 1].text.size == 2
        end

        def telephone(place)
          run = tokens[place..].take_while { |token| token.figure || token.text == "-" }.take(8)
          digits = run.map(&:text).join.delete("- ,")
          starts = tokens[place].text.start_with?("0") && tokens[place].text.size >= 4
          run.size if digits.size >= TELEPHONE && (starts || run.count(&:figure) > 1) && digits.match?(/\A\d+\z/)
        end
      end
    end
  end
end
