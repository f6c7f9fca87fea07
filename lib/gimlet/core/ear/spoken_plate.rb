# frozen_string_literal: true

module Gimlet
  module Core
    module Ear
      # A plate as it is read out, in pieces: "something K, 4, then can't read, 20" becomes "*K4*20".
      # `?` stands for one glyph that cannot be read, `*` for any run of them.
      module SpokenPlate
        LINKS = %w[then and it that dash space the says say read a is stroke slash some letter number half].freeze
        LONGEST = 12

        module_function

        # @param pieces [Array<Piece>]
        # @param asked [Boolean] whether the plate was asked for
        # @yield [run] the words of some pieces as typed
        # @return [Array(String, Array<Piece>), nil] the plate and the pieces it was read from
        def take(pieces, asked, &words)
          starts(pieces, asked).each do |at, noun|
            run = run_from(pieces, at, noun)
            content = run.reject { |piece| piece.separator? || link?(piece) }
            next unless noun || asked || content.any? { |piece| gap?(piece) || marked?(piece) }

            text = content.map { |piece| gap?(piece) ? "*" : text_of(piece, &words) }.join.upcase.squeeze("*")
            return [text, [*(pieces[at - 1] if noun), *run.reject(&:separator?)]] if text.match?(/[A-Z0-9]/) && text.match?(/[\d*?]/)
          end
          nil
        end

        # Places where a plate may begin, and whether the word "plate" stands before.
        def starts(pieces, asked)
          after_noun = pieces.each_index.select { |at| at.positive? && pieces[at - 1].nouns.include?("plate") && !pieces[at - 1].figure }
          open = pieces.each_index.select { |at| gap?(pieces[at]) || (marked?(pieces[at]) && !question?(pieces, at)) }.map { |at| back(pieces, at) }
          open << 0 if asked && pieces.any?
          after_noun.map { |at| [at, true] } + open.uniq.map { |at| [at, false] }
        end

        # "is it 8?"
        def question?(pieces, at) = at.positive? && pieces[at].tokens.one? && pieces[at].tokens.first.glued && !marked?(pieces[at - 1])

        # The run may have begun before its first gap.
        def back(pieces, at)
          first = [at - LONGEST, 0].max
          at -= 1 while at > first && (atom?(pieces, at - 1) || (pieces[at - 1].separator? && at > 1 && atom?(pieces, at - 2)))
          at
        end

        def run_from(pieces, at, noun)
          run = []
          place = at
          while place < pieces.size && run.size < 2 * LONGEST
            piece = pieces[place]
            break unless atom?(pieces, place, noun: noun) || gap?(piece) || link?(piece) || (piece.separator? && goes_on?(pieces, place, run))

            run << piece
            place += 1
          end
          run.pop while run.any? && (run.last.separator? || link?(run.last))
          run
        end

        # After a comma the plate goes on where what follows can only be plate, and something of it was missing or is to come.
        def goes_on?(pieces, place, run)
          following = pieces[place + 1] or return false
          return true if gap?(following) || marked?(following)
          return gap_near?(pieces, place + 1) if link?(following)

          atom?(pieces, place + 1) && (run.any? { |piece| gap?(piece) } || following.tokens.first.figure.nil?)
        end

        def gap_near?(pieces, place) = pieces[place, 3].any? { |piece| gap?(piece) }

        def gap?(piece) = piece.says(:gaps) && !piece.used
        def link?(piece) = (LINKS.include?(piece.norm) && piece.figure.nil?) || (piece.mark? && !marked?(piece) && !piece.separator?)
        def marked?(piece) = (piece.chunk || piece.norm).match?(/[?*]/)

        def atom?(pieces, place, noun: false)
          piece = pieces[place]
          return false if piece.nil? || piece.used || piece.separator? || sized?(piece)
          return true if piece.plate || piece.chunk || marked?(piece)
          return %w[plate series].include?(piece.name.first) if piece.name
          return piece.whole? && piece.tokens.last.norm.size <= 5 && !counting?(pieces, place) if piece.figure

          piece.tokens.one? && letters?(piece, noun)
        end

        def sized?(piece) = piece.unit || piece.sizes || piece.span || (piece.key && piece.size)

        # One letter or two, or after the word "plate" a few capitals.
        def letters?(piece, noun)
          token = piece.tokens.first
          return false if !token.word? || gap?(piece) || piece.says(:not)

          capitals = token.text == token.text.upcase
          token.text.size <= 2 ? capitals || !piece.says(:filler) : noun && capitals && token.text.size <= 6
        end

        # A figure that counts or measures what comes next.
        def counting?(pieces, place)
          following = pieces[place + 1]
          following && (following.noun? || following.key || following.thread || following.says(:pumps) || following.areas.any? ||
                        following.values.any?)
        end

        def text_of(piece)
          return piece.plate if piece.plate
          return piece.tokens.map { |token| token.figure ? token.norm : token.text }.join if piece.tokens.first.spelled_out

          yield([piece]).delete(" ")
        end
      end
    end
  end
end
