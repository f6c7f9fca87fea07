# frozen_string_literal: true

require_relative "../0_quantities/units"
require_relative "names"
require_relative "number_words"
require_relative "piece"
require_relative "token"

module Gimlet
  module Core
    module Ear
      # From a line to pieces: names of the catalogue, the longest phrases, figures with their units. One pass, left to right.
      class Pieces
        UNIT_WORDS = 4
        VOLUMES = { "litre" => "L/min", "liter" => "L/min", "ltr" => "L/min", "l" => "L/min", "gallon" => "US gpm",
                    "gal" => "US gpm" }.freeze
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
          @tokens = NumberWords.merged(corrected(Tokens.of(line)))
          @pieces = []
          at = 0
          at += take(at) while at < @tokens.size
          joined(@pieces).each_with_index { |piece, place| piece.place = place }
        end

        private

        def corrected(tokens)
          tokens.map do |token|
            better = token.word? && !token.glued ? @lexicon.spelling.correct(token.norm) : token.norm
            better == token.norm ? token : Token.new(**token.to_h, norm: better)
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

        # --- names of the catalogue ---

        # @return [Array(Integer, Array), nil] how many tokens, and [trait id, value]
        def name_at(at)
          return unless startable?(at)

          found, text = nil, +""
          @tokens[at, 12].each_with_index do |token, offset|
            break if token.separator? || text.size > @names.longest

            text << Names.plain(token.text)
            next if text.empty? || token.mark? || inside?(at + offset)

            name = @names.exact(text) || plural(text, token) or next
            found = [offset + 1, name] if whole_name?(at, offset)
          end
          found
        end

        # "one of those Pellwicks"
        def plural(text, token) = (@names.exact(text.delete_suffix("S")) if token.word? && token.text.size > 4 && text.end_with?("S"))

        # A name neither begins nor ends in the middle of a run of letters and figures.
        def startable?(at)
          token = @tokens[at]
          return false if token.mark? || (token.spelled_out && token.figure)

          !token.glued || @tokens[at - 1].mark?
        end

        def inside?(at)
          following = @tokens[at + 1]
          following&.glued && !following.mark?
        end

        # "SV 20 mm" is the series SV and a size; "VA 20 bolts" never means the pump VA-20.
        def whole_name?(at, offset)
          last = @tokens[at + offset]
          return true if offset.zero? || last.figure.nil? || last.glued

          !last.spelled_out && !counted_on?(at + offset)
        end

        # Whether a figure measures or counts what comes after it.
        def counted_on?(at)
          return false unless @tokens[at + 1]
          return true if unit_at(at + 1).last

          length, meaning = @lexicon.longest(@tokens, at + 1)
          length.positive? && (meaning[:nouns] || meaning[:key] || meaning[:thread]) ? true : false
        end

        # --- letters said one by one: "T K 4 L", "tango kilo four lima" ---

        def spelled_run(at)
          return 0 unless letter(at)

          run = (at...[at + 16, @tokens.size].min).take_while do |one|
            letter(one) || digit?(@tokens[one]) || "-/".include?(@tokens[one].text)
          end
          run.pop while run.any? && @tokens[run.last].mark?
          # A figure that counts or measures what follows is not part of it.
          run.pop if run.any? && @tokens[run.last].figure && counted_on?(run.last)
          run.count { |one| letter(one) } >= 2 && run.any? { |one| @tokens[one].figure } ? run.size : 0
        end

        def letter(at)
          token = @tokens[at]
          return if token.glued && !@tokens[at - 1].mark?
          return token.text.upcase if token.text.match?(/\A[A-Za-z]\z/)

          spoken = @lexicon.longest([token], 0).last[:letter]
          spoken if spoken && token.word?
        end

        def digit?(token) = token.figure && token.figure.denominator == 1 && token.figure < 1000

        def spelled(at)
          count = spelled_run(at)
          text = (at...(at + count)).map { |one| @tokens[one].figure ? @tokens[one].norm : letter(one) || "" }.join
          named = @names.exact(text)
          add(at, count, **(named ? { name: named } : { plate: text }))
        end

        # --- figures ---

        def figure(at)
          token = @tokens[at]
          return chunk(at) if in_chunk?(at)

          ish = @tokens[at + 1]&.glued && @tokens[at + 1].norm == "ish" ? 1 : 0
          count, unit = unit_at(at + 1 + ish)
          count += ish
          unit ||= "in" if token.text.include?("/")
          size, more = half(at + 1 + count)
          value = token.figure + size
          # 1.450 rpm is written with a point for the thousands.
          value *= 1000 if unit == "rpm" && value.denominator > 1
          known = { figure: value, unit: unit, digits: token.text[/\A\d[\d,]*\z/]&.delete(",") }
          return alien(at) if unit.nil? && alien?(at + 1)

          known[:unit] = "rpm" if unit.nil? && after_flow?(token)
          add(at, 1 + count + more, meaning: ish.zero? ? Lexicon::NOTHING : { hedge: true }, **known.compact)
        end

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

        # --- words ---

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

        # --- pieces that belong together ---

        def joined(pieces)
          pieces.each_with_object([]) do |piece, out|
            out << piece
            merge_sum(out) || merge_sizes(out) || merge_row(out) || merge_span(out) || merge_key(out) || merge_thread(out)
          end
        end

        # 4+4 bolts
        def merge_sum(out)
          first, plus, last = out.last(3)
          replace(out, 3, figure: first.figure + last.figure) if last&.whole? && first.whole? && plus.norm == "+"
        end

        # 20 x 28 x 6
        def merge_sizes(out)
          first, cross, last = out.last(3)
          return unless last&.figure && %w[x × by].include?(cross&.norm) && (first.figure || first.sizes)

          sizes = [*(first.sizes || first.figure), last.figure]
          replace(out, 3, sizes: sizes, unit: last.unit || first.unit)
        end

        # seal 20 28 6
        def merge_row(out)
          slot, *row = out.last(4)
          return unless slot.says(:slot) && row.size == 3 && row.all? { |piece| piece.whole? && piece.size.nil? }

          replace(out, 3, sizes: row.map(&:figure))
        end

        # between 18 and 20 mm; 8 or 9 bolts; 18-20 mm
        def merge_span(out)
          first, link, last = out.last(3)
          return unless last&.figure && first&.figure && first.span.nil? && spanning?(out, link, last)
          return if (first.unit && first.unit != last.unit) || first.figure > last.figure

          replace(out, out[-4]&.norm == "between" ? 4 : 3, span: [first.figure, last.figure], unit: last.unit)
        end

        def spanning?(out, link, last)
          word = link.tokens.last.text.downcase
          between = out[-4]&.norm == "between"
          return between if word == "and"
          return last.unit && last.tokens.first.glued if word == "-"

          %w[or to –].include?(word) || (word == "maybe" && out[-2])
        end

        # hex 6; 6 mm allen key
        def merge_key(out)
          one, two = significant(out, 2)
          return unless two

          if one.key && !one.size && sized?(two) then keyed_by(out, one, two, one.key, two.figure)
          elsif two.key && !two.size && sized?(one) && !(one.unit.nil? && counts_next?(two)) then keyed_by(out, one, two, two.key,
                                                                                                           one.figure)
          end
        end

        def sized?(piece) = piece.figure && piece.size.nil? && [nil, "mm"].include?(piece.unit) && piece.figure.denominator == 1

        # "8 hex bolts" counts bolts; "hex 6 key" goes on.
        def counts_next?(key)
          after = @tokens[key.ending]
          after && (after.figure || @lexicon.longest([after], 0).last[:nouns]&.any?)
        end

        def keyed_by(out, one, two, key, size)
          count = out.size - [out.rindex(one), out.rindex(two)].min
          replace(out, count, key: key, size: size.to_i)
        end

        def merge_thread(out)
          one, two = significant(out, 2)
          return unless two

          key = one.thread && one.figure.nil? && inch_size?(two) ? [one, two] : nil
          key ||= [two, one] if two.thread && two.figure.nil? && inch_size?(one)
          return unless key

          count = out.size - [out.rindex(one), out.rindex(two)].min
          replace(out, count, thread: key.first.thread, figure: key.last.figure)
        end

        def inch_size?(piece) = piece.figure && piece.size.nil? && [nil, "in"].include?(piece.unit) && piece.figure <= 6

        # The last pieces with nothing but small words like "of" or "size" between them.
        def significant(out, count)
          found = []
          out.reverse_each do |piece|
            break if piece.separator?
            next if found.size == 1 && %w[of size key a an mm is].include?(piece.norm) && found.first != piece

            found << piece
            break if found.size == count
          end
          found.size == count ? found.reverse : nil
        end

        def replace(out, count, **known)
          taken = out.pop(count)
          out << Piece.new(taken.flat_map(&:tokens), Lexicon::NOTHING, ending: taken.last.ending, **known)
        end
      end
    end
  end
end
