# frozen_string_literal: true

module Gimlet
  module Core
    module Ear
      class Pieces
        # Pieces that belong together: 20 x 28 x 6, 8 or 9, hex 6, 1/2 bsp.
        module Joined
          private

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

          def sized?(piece) = piece.figure && !piece.alien && piece.size.nil? && [nil, "mm"].include?(piece.unit) && piece.figure.denominator == 1

          # "8 hex bolts" counts bolts; "hex 6 key" goes on.
          def counts_next?(key)
            after = @tokens[key.ending]
            after && (after.figure || @lexicon.longest([after], 0).last[:nouns]&.any?)
          end

          def keyed_by(out, keyed_by, two, key, size)
            count = out.size - [out.rindex(keyed_by), out.rindex(two)].min
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
end
