# frozen_string_literal: true

require_relative "../../0_quantities/units"
require_relative "../parse_result"

module Gimlet
  module Core
    module Ear
      class Grammar
        # Words that nothing was made of.
        module UnheardWords
          private

          def unheard(pieces)
            heard = pieces.slice_when do |piece, _|
              piece.separator?
            end.select { |clause| clause.any?(&:used) }.flat_map { |clause| clause.map(&:place) }
            @beside = heard.to_h { |place| [place, true] }
            left = pieces.reject { |piece| piece.used || piece.separator? || passed_over?(piece) }
            left.slice_when { |one, two| !side_by_side?(one, two, pieces) }.map do |run|
              Unheard.new(words: words(run), note: explained(run), from: run.first.from, to: run.last.to)
            end
          end

          def side_by_side?(one, two, pieces)
            between = pieces[(one.place + 1)...two.place]
            between.none? { |piece| piece.used || piece.separator? }
          end

          # A small word, or a noun that only says what the rest of its clause was about.
          def passed_over?(piece)
            return false if piece.figure && !(piece.figure == 1 && piece.tokens.first.spelled_out)

            piece.idle? || piece.figure || ((piece.noun? || piece.says(:damage)) && @beside[piece.place])
          end

          def explained(run)
            return "Which of them?" if run.count(&:name) > 1

            figure = run.find(&:figure) or return
            if figure.alien then figure.alien
            elsif Units::KIND_OF[figure.unit] == :torque then "A torque is looked up, never taken from a caller."
            elsif figure.unit then "#{words([figure])} of what?"
            end
          end
        end
      end
    end
  end
end
