# frozen_string_literal: true

require_relative "../../../core"

module Gimlet::Core
  module Ear
    class Lattice
      # Names of the catalogue, letters that are said one by one, and runs of letters and figures that may be a plate or a number.
      module Texts
        LONGEST_NAME = 12
        SPELLED_LEAST = 3
        LONGEST_SPELLED = 16
        CROSS = %w[x × by].freeze
        JOINTS = %w[- / .].freeze

        # @return [Array<Piece>]
        def texts_at(place)
          @texts[place] ||= [*names_at(place), *runs_at(place), *spelled_at(place)]
        end

        # @return [Array<Piece>] of makers, series, pumps, parts and kits, longer ones first
        def names_at(place)
          @names_at[place] ||= startable?(place) ? find_names(place) : NONE
        end

        def find_names(place)
          found, text, at = [], +"", place
          while at < [place + LONGEST_NAME, size].min && !tokens[at].separator? && text.size <= @names.longest
            glyphs, ending = glyphs_at(at, place)
            text << glyphs
            found.unshift(*named(place, text, ending)) unless glyphs.empty? || tokens[at].mark? || inside?(ending - 1)
            at = ending
          end
          found + nearly_a_maker(place)
        end

        # @return [Array(String, Integer)] what a token adds to a name, and where that ends: "SV twenty two X"
        def glyphs_at(at, place)
          number = NumberWords.at(tokens, at) if at > place && tokens[at].word?
          number&.digits ? [number.digits, at + number.length] : [plain(at), at + 1]
        end

        def named(place, text, ending)
          name = @names.exact_plain(text) || plural(text, tokens[ending - 1])
          name && whole_name?(place, ending - 1 - place) ? [Piece.new(place, ending, name: name, text: name.last)] : NONE
        end

        # Whether a figure measures or counts what comes after it.
        def counted_on?(place)
          return false unless tokens[place].figure && tokens[place + 1]
          return true if units_at(place + 1).any? { |_, unit| unit != "L" } && !glued?(place + 1)

          phrases_at(place + 1).any? { |piece| piece.slip.zero? && (piece.noun? || piece.says(:key) || piece.says(:thread)) }
        end

        private

        def plain(place) = @plain[place] ||= dash_word?(place) ? "" : Names.plain(tokens[place].text)

        # "gt2 dash 25 h"
        def dash_word?(place) = @norms[place] == "dash" && place.positive?

        # "one of those Pellwicks"
        def plural(text, token) = (@names.exact_plain(text.delete_suffix("S")) if token.word? && token.text.size > 4 && text.end_with?("S"))

        # A maker's name, nearly.
        def nearly_a_maker(place)
          return [] unless tokens[place].word?

          @lexicon.spelling.meant(@norms[place]).filter_map do |word, cost|
            name = @names.exact(word)
            Piece.new(place, place + 1, name: name, slip: cost, text: name.last) if name&.first == "maker"
          end
        end

        # A name neither begins nor ends in the middle of a run of letters and figures.
        def startable?(place)
          token = tokens[place]
          return false if token.mark?

          !token.glued || (tokens[place - 1].mark? && !"?*".include?(tokens[place - 1].text))
        end

        def inside?(place)
          following = tokens[place + 1]
          return false if following&.text == "?" && !glued?(place + 2)

          following&.glued && (!following.mark? || "?*".include?(following.text))
        end

        # "SV 20 mm" is the series SV and a size; "VA 20 bolts" never means the pump VA-20.
        def whole_name?(place, offset)
          last = tokens[place + offset]
          return true if offset.zero? || last.figure.nil? || last.glued

          !counted_on?(place + offset)
        end

        # A run of letters and figures that is no word: a plate or a number as far as it can be read. With joints ("VA-I8") and without.
        def runs_at(place)
          return [] unless startable?(place) || "?*".include?(tokens[place].text)

          run = [tokens[place], *tokens[place + 1, 30].take_while(&:glued)]
          run = run.take_while { |token| !token.separator? && (!token.mark? || "?*".include?(token.text) || JOINTS.include?(token.text)) }
          [run, run.take_while { |token| !JOINTS.include?(token.text) }].uniq.filter_map { |tokens| run_piece(place, tokens) }
        end

        def run_piece(place, run)
          run = run[0...-1] while run.any? && (JOINTS.include?(run.last.text) || asked_about?(place, run))
          return if run.size < 2 || questioned?(run) || measures?(place, run) || !coded?(run)

          Piece.new(place, place + run.size, text: line[run.first.from...run.last.to])
        end

        # Letters and figures, or glyphs that cannot be read; figures alone may be anything.
        def coded?(run)
          gaps = run.any? { |token| "?*".include?(token.text) }
          gaps || (run.any?(&:figure) && run.any?(&:word?))
        end

        # "20mm", "20x28"
        def measures?(place, run)
          (run.size == 2 && run.first.figure && units_at(place + 1).any?) || (run.any? do |token|
            CROSS.include?(token.norm)
          end && run.count(&:figure) > 1)
        end

        # "TK4?"
        def asked_about?(place, run)
          run.size > 1 && run.last.text == "?" && @names.exact(run[0...-1].map(&:text).join) && !called_a_plate?(place)
        end

        def called_a_plate?(place) = (0...place).any? { |at| phrases_at(at).any? { |piece| piece.nouns.include?("plate") } }

        # "8?", "huh?": the mark is the talker's, not a glyph that cannot be read.
        def questioned?(run)
          marks, said = run.partition { |token| token.text == "?" }
          marks.any? && said.size == 1 && (said.first.word? || run.first.figure)
        end

        # "tango kilo four L 20", "T K 4 L 2 0"
        def spelled_at(place)
          return [] unless letter(place) && startable?(place)

          run = spelled_run(place)
          return [] if run.size < SPELLED_LEAST || run.count { |at| letter(at) } < 2 || run.none? { |at| digit(at) }

          text = run.map { |at| letter(at) || digit(at) || "" }.join
          named = @names.exact(text)
          [Piece.new(place, run.last + 1, **(named ? { name: named } : {}), plate: text, text: text)]
        end

        def spelled_run(place)
          run = (place...[place + LONGEST_SPELLED, size].min).take_while { |at| letter(at) || digit(at) || "-/".include?(tokens[at].text) }
          run.pop while run.any? && mark?(run.last)
          run.pop if run.any? && digit(run.last) && counted_on?(run.last)
          run
        end

        def letter(place)
          token = tokens[place]
          return if token.glued && place.positive? && !mark?(place - 1)
          return token.text.upcase if token.text.match?(/\A[A-Za-z]\z/)

          token.word? && @lexicon[@norms[place]]&.fetch(:letter, nil)
        end

        def digit(place)
          token = tokens[place]
          return token.norm if token.figure && token.figure.denominator == 1 && token.figure < 1000

          number = NumberWords::SIMPLE[@norms[place]]
          number&.to_s
        end
      end
    end
  end
end
