# frozen_string_literal: true

module Gimlet
  module Core
    module Ear
      class Grammar
        # The answer to the open question.
        module Answers
          private

          # A line that is nothing but the answer: "three", "a socket, 13", "can't see it".
          def answer_alone(pieces)
            return unless @asked

            content = pieces.reject { |piece| piece.used || piece.idle? }
            return if content.any? { |piece| about_another?(piece) }

            unknown = content.find { |piece| piece.says(:unsure) || piece.says(:absent) }
            return keyed_apart(content, pieces) unless unknown

            # "can't find one"
            others = content.reject { |piece| piece == unknown || piece.nouns.include?(@asked.id) || piece.says(:damage) || piece.figure == 1 }
            refuse(unknown, pieces) if others.empty?
          end

          def about_another?(piece)
            piece.noun? && !piece.nouns.include?(@asked.id) && piece.values.empty? && !piece.says(:absent)
          end

          # "none" and "gone" are a value where the trait has one, else not knowing.
          def refuse(small, pieces)
            told = if small.says(:absent) && @asked.values.key?("none") then { value: "none" }
                   else (@asked.way.none(@asked) if small.says(:absent)) || { unknown: true }
                   end
            pieces.each { |piece| piece.used = true if piece.nouns.include?(@asked.id) }
            note([small], readings: [{ trait: @asked.id, **told, heard: words([small]) }])
          end

          # "a socket, 13"
          def keyed_apart(content, pieces)
            told = (@asked.way.hear_apart(content) if content.size == 2) or return
            reading(@asked, told, content, pieces)
          end

          # Figures and values that no noun took.
          def answer_parts(pieces)
            return if @asked.nil? || answered?

            left = pieces.reject(&:used)
            if @asked.id == "serial" && left.any?(&:digits) then serial_alone(left)
            elsif (told = first_told(left)) then reading(@asked, told.first, [told.last], pieces)
            elsif (small = only_no(left)) then refuse_plainly(small)
            elsif @asked.way.free? then as_typed(left)
            end
          end

          # "31 500"
          def serial_alone(left)
            run = left.drop_while { |piece| piece.digits.nil? || piece.unit }.take_while { |piece| piece.digits && piece.unit.nil? }
            reading(@asked, { value: run.map(&:digits).join }, run, []) if run.any?
          end

          def answered? = @items.any? { |item| item.readings&.any? { |fields| fields[:trait] == @asked.id } }

          # A "no" or "none" that is all there is.
          def only_no(left)
            content = left.reject(&:idle?)
            content.first if content.one? && content.first.says(:not)
          end

          def first_told(left)
            left.each do |piece|
              told = @asked.way.hear(@asked, piece)
              return [told, piece] if told && !piece.name
            end
            nil
          end

          def refuse_plainly(small)
            told = @asked.way.none(@asked) || (@asked.values.key?("none") ? { value: "none" } : { unknown: true })
            note([small], readings: [{ trait: @asked.id, **told, heard: words([small]) }])
          end

          # What was read from a plate or a bag is taken as it was typed.
          def as_typed(left)
            run = left.drop_while(&:idle?).reverse.drop_while(&:idle?).reverse
            text = run.any? ? words(run) : ""
            return unless text.match?(/[A-Za-z0-9]/) && text.size <= 30 && run.none? { |piece| piece.noun? || piece.areas.any? || piece.unit }
            return unless text.match?(/\d/) || text.size <= 12

            reading(@asked, { value: text }, run, [])
          end
        end
      end
    end
  end
end
