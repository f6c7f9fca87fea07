# frozen_string_literal: true

require_relative "../spoken_plate"

module Gimlet
  module Core
    module Ear
      class Grammar
        # Names of the catalogue, old numbers whole and in part, serials, plates, and that one of them is not known.
        module Numbers
          # Letters and figures of a number that is quoted.
          SHORTEST = 3

          private

          def numbers(clause)
            clause.each_with_index do |piece, at|
              next if piece.used

              if piece.name then named(piece, clause)
              elsif piece.says(:ends) || piece.says(:starts) then partial(clause, at)
              elsif piece.chunk then near(piece, clause)
              elsif piece.nouns.include?("part_number") then quoted(clause, at)
              elsif short?(piece) then apart(clause, at)
              end
            end
          end

          def named(piece, clause)
            id, value = piece.name
            return if one_of_two?(clause, piece, id)

            paper = before(clause, piece).find { |one| one.nouns.include?("part_number") }
            reading(trait(id), { value: value }, [piece, *(paper unless paper&.used)], clause)
          end

          # "TK4L20 or TK4R20"
          def one_of_two?(clause, piece, id)
            [before(clause, piece), after(clause, piece)].any? { |near| near.first&.norm == "or" && near[1]&.name&.first == id }
          end

          # A text one slip away from a name of the catalogue is read as it was typed.
          def near(piece, clause)
            id = @names.near(piece.chunk)
            id ||= "part_number" if clause.any? { |one| one.nouns.include?("part_number") }
            reading(trait(id), { value: piece.chunk }, [piece], clause) if id
          end

          # "PW K42": a name with a gap in it, and slightly wrong.
          def apart(clause, at)
            run = clause[at, 4].take_while { |piece| piece.code? || short?(piece) }
            return if run.size < 2 || run.none?(&:code?)

            id = @names.near(words(run).delete(" ")) or return
            reading(trait(id), { value: words(run) }, run, clause)
          end

          # "kit ends in 120"
          def partial(clause, at)
            text = text_after(clause, at + 1) or return
            noun = before(clause, clause[at]).find { |piece| piece.nouns.intersect?(%w[part_number plate serial]) }
            return if noun&.nouns&.include?("serial")

            id = noun&.nouns&.include?("plate") ? "plate" : "part_number"
            ending = clause[at].says(:ends)
            value = ending ? "*#{text.first}" : "#{text.first}*"
            reading(trait(id), { value: value }, [*noun, clause[at], *text.last], clause)
          end

          # "invoice DB KIT 120": a number that the catalogue does not have is still a number.
          def quoted(clause, at)
            pieces = clause[at + 1, REACH].drop_while { |piece| piece.nouns.include?("part_number") || piece.says(:filler) }
            return if says?(pieces.first(1), :ends) || says?(pieces.first(1), :starts)

            run = pieces.take_while { |piece| piece.code? || piece.mark? || short?(piece) }
            run.pop while run.last&.mark?
            text = run.any? ? words(run) : ""
            return unless text.match?(/\d/) && text.count("A-Za-z0-9") >= SHORTEST

            reading(trait("part_number"), { value: text }, [clause[at], *run], clause)
          end

          def short?(piece) = !piece.used && piece.tokens.all? { |token| token.word? && token.text.size <= 5 } && !piece.idle? && piece.areas.empty?

          def text_after(clause, at)
            run = clause[at, REACH].drop_while { |piece| piece.says(:filler) && !piece.figure }
                                   .take_while { |piece| piece.figure || piece.chunk || (short?(piece) && !piece.noun?) }
            [words(run).delete(" "), run] if run.any?
          end

          def serial(clause)
            at = clause.index { |piece| !piece.used && piece.nouns.include?("serial") } or return
            run = clause[at + 1, REACH].drop_while { |piece| piece.says(:filler) || piece.mark? || piece.says(:hedge) }
                                       .take_while { |piece| piece.digits && piece.unit.nil? }
            return if run.empty?

            reading(trait("serial"), { value: run.map(&:digits).join }, [clause[at], *run], clause)
          end

          def plate(pieces)
            text, used = SpokenPlate.take(pieces, @asked&.id == "plate") { |run| words(run) }
            reading(trait("plate"), { value: text }, used, []) if text
          end

          # "not sure about the shaft side", "no plate", "plate is worn off"
          def not_known(clause)
            small = unused(clause).find { |piece| piece.says(:unsure) || piece.says(:absent) } or return
            noun = unused(clause).find { |piece| piece.noun? && piece != small && clause.none? { |one| one.figure && !one.used } } or return
            ids = small.says(:unsure) ? [asked_or_first(noun)] : (noun.nouns & %w[plate serial maker series part_number]).first(1)
            return if ids.empty?

            note([small, noun], readings: ids.map { |id| { trait: id, unknown: true, heard: words([small, noun]) } })
          end

          def asked_or_first(noun) = noun.nouns.include?(@asked&.id) ? @asked.id : noun.nouns.first
        end
      end
    end
  end
end
