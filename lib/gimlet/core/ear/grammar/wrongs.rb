# frozen_string_literal: true

module Gimlet
  module Core
    module Ear
      class Grammar
        # What is wrong with the pump: complaints, and damage to some of its pieces.
        module Wrongs
          ONE = %w[cylinder cyl].freeze
          NUMBER = %w[no number nr].freeze
          AND = %w[and or , &].freeze

          private

          def complain(clause)
            @wrong, @denied = [], []
            told = []
            while (id, pieces = @complaints.find(complaining(clause))) && id
              told << id if complaint(clause, id, pieces)
            end
            beside(clause) if told.any?
            observed(clause)
          end

          def complaining(clause) = unused(clause).reject { |piece| piece.unit || piece.name || @denied.include?(piece) }

          # "only getting 100 bar" is no rating but a complaint, "10 bar inlet pressure" is neither.
          def observed(clause)
            low = unused(clause).find { |piece| %i[pressure flow].include?(Units::KIND_OF[piece.unit]) } or return
            if (seen = unused(clause).find { |piece| piece.says(:observed) })
              note([seen, low], complaint: Units::KIND_OF[low.unit] == :flow ? "no_flow" : "pressure_loss")
            elsif clause.any? { |piece| piece.says(:elsewhere) }
              low.alien = "That is not the pump's own rating."
            end
          end

          def complaint(clause, id, pieces)
            # "no leaks" is no complaint, but "no pressure" is.
            no = unused(clause).find { |piece| piece.says(:not) && pieces.none?(piece) && piece.from < pieces.map(&:from).min }
            return (@denied += pieces) && nil if no

            note(pieces, complaint: id)
            @wrong += pieces
            # "one ceramic wobbles": one of them, not the count of them.
            pieces.select(&:noun?).each { |noun| before(clause, noun).first&.then { |piece| piece.used = true if piece.whole? } }
            unused(clause).each { |piece| piece.used = true if @complaints.word?(id, piece.norm) }
          end

          # Nouns beside a complaint say where it is and when; they are no order for work.
          def beside(clause)
            unused(clause).each do |piece|
              piece.used = true if (piece.noun? || piece.areas.any?) && !counted?(clause, piece) && !needed?(clause, piece)
            end
          end

          def counted?(clause, noun)
            count = clause.find { |piece| piece.figure && piece.from < noun.from } or return false
            every?(clause, count) || clause.none? { |piece| piece.says(:damage) }
          end

          def needed?(clause, piece)
            clause.any? { |one| NEEDS.include?(one.norm) && one.from < piece.from }
          end

          # "two bolts snapped", "one plunger cracked", "only found one seal": some, not all of them.
          def damage(clause)
            worst = clause.find { |piece| piece.says(:damage) && (!piece.used || @wrong.include?(piece)) }
            return if worst.nil? || @denied.include?(worst) || denied_before?(clause, worst)

            some = unused(clause).select { |piece| piece.whole? && piece.key.nil? && !every?(clause, piece) }
            return if @wrong.include?(worst) && some.empty?

            damaged = damaged_of(clause, some, worst)
            note([worst, *damaged, *damaged_nouns(clause, damaged)].uniq, complaint: "damage")
          end

          # "packings on cylinder 2 only", "cylinder 1 and 3": which one, not how many.
          def one_of_them(clause)
            return if @asked&.id == "cylinders"

            clause.each_index.select { |at| one_named?(clause, at) && !clause[at].used }.each do |at|
              behind = clause.drop(at + 1).drop_while { |piece| NUMBER.include?(piece.norm) }
              named = behind.take_while { |piece| piece.whole? || AND.include?(piece.norm) }
              figures = named.select { |piece| piece.whole? && !piece.used && !after(clause, piece).first&.noun? }
              next if figures.empty?

              clause[at].used = true
              figures.each { |figure| figure.alien = "That is which one, not how many: choose it under Work." }
            end
          end

          # The "no" of "cylinder no 3" denies nothing.
          def number_signs(clause)
            clause.each_cons(3).with_index do |(_, sign, figure), at|
              sign.used = true if one_named?(clause, at) && NUMBER.include?(sign.norm) && figure.whole?
            end
          end

          def one_named?(clause, at) = ONE.include?(clause[at].tokens.last.text.downcase)

          # Of "two out of eight" it is the two, else the figure nearest before the damage.
          def damaged_of(clause, some, worst)
            return some.first if some.size == 2 && before(clause, some.last).first.says(:some)

            some.select { |piece| piece.from < worst.from }.max_by(&:from) || some.min_by(&:from)
          end

          def damaged_nouns(clause, damaged)
            nouns = unused(clause).select { |piece| piece.noun? || piece.areas.any? }
            nouns.reject { |piece| counted_by_other?(clause, piece, damaged) || needed?(clause, piece) }
          end

          # "nothing cracked", "no bolts missing"
          def denied_before?(clause, piece) = unused(clause).any? { |one| one != piece && one.says(:not) && one.from < piece.from }

          def every?(clause, piece)
            before(clause, piece).first&.says(:every)
          end

          # The noun of a figure that is not the damaged one: "8 bolts two snapped".
          def counted_by_other?(clause, noun, damaged)
            before = before(clause, noun).find { |piece| piece.figure || piece.noun? }
            before && before != damaged && !before.figure.nil?
          end
        end
      end
    end
  end
end
