# frozen_string_literal: true

require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # A noun with what is said of it, on either side: "8 bolts", "three white 20 mm plungers", "plunger 20 mm", "caps take a 24 socket",
      # "bolts on the head: 10", "not 8 head bolts, 6", "hex 6 bolts, 8 of them".
      class Described < Rule
        REACH = 12
        MOST = 5
        # So many ways to go on are looked at from one token.
        STEPS = 220
        # Small words that may stand between.
        SMALL = %i[filler hedge every some tool sets seen held request axis place].freeze
        OTHER = %w[other opposite wrong].freeze
        TAKING = %w[take taking took fit need want wants for].freeze

        # A modifier of the noun: which piece, on which side, denied or not, with "takes" between.
        Said = Struct.new(:piece, :behind, :denied, :taking)

        def call(start)
          return NONE if !opens?(start) || other?(start)

          @start = start
          @found = []
          @steps = 0
          walk(start, NONE, NONE, Costs::RULE, nil, nil)
          @found
        end

        private

        # @return [Integer] how far the next noun is from a token; beyond the line where there is none
        def prepare
          following = lattice.size * 2
          @noun_at = (0...lattice.size).to_a.reverse.map { |place| lattice.phrases_at(place).any?(&:noun?) ? following = place : following }.reverse
        end

        def opens?(start)
          @noun_at[start] - start <= REACH && pieces(start).any? { |piece| piece.noun? || piece.modifier? || piece.says(:not) || piece.says(:held) }
        end

        # "the other side from the window" is not that side.
        def other?(start) = start.positive? && OTHER.include?(norm(start - 1))

        # What may come next, by what it would be: [nouns, modifiers, denials, small words].
        def next_at(place)
          @next ||= []
          @next[place] ||= begin
            all = pieces(place)
            small = all.select { |piece| passes?(piece) }
            filler = small.find { |piece| piece.says(:filler) && !piece.noun? && !piece.modifier? }
            [all.select(&:noun?), all.select(&:modifier?), all.select { |piece| piece.says(:not) }, filler ? [filler] : small]
          end
        end

        def walk(place, nouns, said, cost, denied, taking)
          return if place >= lattice.size || far?(place, nouns) || of_a_noun?(place, nouns, said)
          return over_comma(place, nouns, said, cost, denied) if lattice.separator?(place)

          noun_pieces, modifiers, denials, small = next_at(place)
          noun_pieces.each { |piece| noun(piece, nouns, said, cost, denied) }
          modifiers.each { |piece| modifier(piece, nouns, said, cost, denied, taking) } if said.size < MOST
          denials.each { |piece| walk(piece.to, nouns, said, cost + Costs::FILLER, piece, taking) } if denied.nil?
          small.each { |piece| walk(piece.to, nouns, said, cost + passing(piece), denied, taking || taking?(piece)) }
          walk(place + 1, nouns, said, cost, denied, taking) if small.empty? && lattice.mark?(place)
        end

        # "the side of the window" is no side that it is on.
        def of_a_noun?(place, nouns, said) = norm(place) == "of" && nouns.empty? && said.any? && said.last.piece.values.any?

        # Out of reach, or with no noun within it.
        def far?(place, nouns)
          (@steps += 1) > STEPS || place - @start > REACH || (nouns.empty? && @noun_at[place] - @start > REACH)
        end

        def over_comma(place, nouns, said, cost, denied)
          return if (nouns.empty? && said.empty?) || denied

          walk(place + 1, nouns, said, cost + (lattice.stop?(place) ? Costs::STOP : Costs::COMMA), nil, nil)
        end

        def noun(piece, nouns, said, cost, denied)
          return if nouns.any? && (denied || !nouns.last.nouns.intersect?(piece.nouns))

          again = nouns.any? && piece.values.any? ? Costs::CROSSED + Costs::FILLER : 0
          emit(piece.to, [*nouns, piece], said, cost + piece.slip + again, denied, nil)
        end

        def modifier(piece, nouns, said, cost, denied, taking)
          return if nouns.any? && comma?(nouns.last.to, piece.from) && bare?(piece) && !ends?(piece.to) && !again_with?(nouns, piece)

          crossed = piece.noun? && !piece.figures? ? Costs::CROSSED : 0
          emit(piece.to, nouns, [*said, Said.new(piece, nouns.any?, denied, taking)], cost + piece.slip + crossed, nil, nil)
        end

        # "caps 24 af, 6 in the head": a bare figure behind a comma is of the noun before it only where nothing comes behind.
        def bare?(piece) = piece.figures? && piece.unit.nil? && piece.thread.nil? && piece.key.nil?
        def comma?(from, ending) = (from...ending).any? { |place| lattice.separator?(place) }

        # "three caps above, three caps below"
        def again_with?(nouns, piece) = says(skip(piece.to), :nouns).any? { |noun| nouns.any? { |one| one.nouns == noun.nouns } }

        def ends?(place)
          at = skip(place)
          at >= lattice.size || lattice.separator?(at) || says(place, :some).any?
        end

        # Small words; the kind of a bolt ("8 hex bolts", "8 M10 bolts") says nothing by itself.
        def passes?(piece)
          return piece.text&.match?(/\AM\d+\z/i) unless piece.slip.zero? && piece.meaning.any?

          SMALL.any? { |small| piece.says(small) } || (piece.says(:key) && piece.size.nil?)
        end

        def passing(piece) = piece.says(:key) ? Costs::STOP : Costs::FILLER
        def taking?(piece) = piece.size_in_tokens.times.any? { |at| TAKING.include?(norm(piece.from + at)) } || nil

        def emit(place, nouns, said, cost, denied, taking)
          walk(place, nouns, said, cost, denied, taking)
          return if nouns.empty? || said.empty? || denied

          told = assigned(nouns, said) or return
          return if norm(place) == "each" && told.any? { |one, trait, _| one.piece.whole? && trait.kind.counts?(trait, one.piece.figure) }

          cost += said.count { |one| one.behind && bare?(one.piece) } * Costs::BEHIND
          items = told.map { |one, trait, value| reading(trait, value, *ends(one, nouns, trait), denied: one.denied && true) }
          @found << candidate(@start, place, items, cost: cost, told: told.map { |one, *| one.piece }, strong: true)
        end

        def ends(said, nouns, trait)
          all = [said.piece, *nouns.select { |noun| noun.nouns.include?(trait.id) }, *said.denied].reject { |piece| piece.from < @start }
          [all.map(&:from).min, all.map(&:to).max]
        end

        # @return [Array, nil] what is said, of which trait, as which value; nil where one of them is of none
        def assigned(nouns, said)
          given = {}
          said.each_with_object([]) do |one, all|
            next if again?(one, all) || added?(one, all, nouns)

            trait = trait_of(one, nouns, given) or return nil
            given[trait.id] = one.denied ? :denied : true
            all << [one, trait, trait.kind.hear(trait, one.piece)]
          end
        end

        # "12 bolts in two rows of six"
        def again?(said, all) = said.piece.sum && all.any? { |_, _, told| told == { value: said.piece.figure.to_i } }

        # "three caps in the top and three in the front": two counts of one kind, each with its place.
        def added?(said, all, nouns)
          return false unless said.piece.whole? && placed?(said.piece.to)

          before = all.reverse.find { |_, trait, told| trait.kind.counts?(trait, said.piece.figure) && told[:value].is_a?(Integer) }
          return false unless before && nouns.any? { |noun| noun.to <= said.piece.from } && placed?(nouns.first.to)

          # Where they are is told by the counts.
          all.reject! { |one, _| one.piece.says(:place) }
          all[all.index(before)] = [before[0], before[1], { value: before[2][:value] + said.piece.figure.to_i }]
          true
        end

        # Whether a place stands there, past a noun.
        def placed?(place)
          at = skip(place)
          at = skip(says(at, :nouns).first.to) if says(at, :nouns).any? && says(at, :place).empty?
          says(at, :place).any?
        end

        def trait_of(said, nouns, given)
          fitting = traits_of(nouns).select { |one| given[one.id] != true && fits?(one, said, nouns) }
          fitting = fitting.select { |one| nouns.all? { |noun| noun.nouns.include?(one.id) } } if nouns.size > 1 && fitting.size > 1
          fitting.find { |one| one.id == asked&.id } || fitting.first
        end

        def traits_of(nouns) = nouns.flat_map(&:nouns).uniq.map { |id| trait(id) }

        def fits?(trait, said, nouns)
          piece = said.piece
          told = trait.kind.hear(trait, piece)
          return false if told.nil? || unfit?(trait, said, told, nouns)
          return trait.kind.with_unit?(trait) if piece.unit
          return true if piece.key || piece.thread || (told[:value].is_a?(String) && piece.values.any?)
          return piece.values.any? unless piece.figures?

          trait.kind.bare?(trait, piece, behind: said.behind, taking: -> { said.taking }, counted: -> { counted?(piece, nouns) })
        end

        # No range is denied, a sum is a count, "caps none" counts them.
        def unfit?(trait, said, told, nouns)
          piece = said.piece
          (said.denied && told[:range]) || (piece.sum && !trait.kind.counts?(trait, piece.figure)) ||
            (piece.says(:not) && traits_of(nouns).any?(&:optional)) || (bare?(piece) && another?(trait, said, nouns))
        end

        # "head takes 12 bolts" is no key, "caps are 24" no count.
        def another?(trait, said, nouns)
          return says(said.piece.to, :nouns).any? if trait.kind_id == "keyed"

          trait.kind_id == "counted" && said.behind && said.piece.upper > Readings::Kinds::Keyed::LARGEST_COUNT && traits_of(nouns).any?(&:across)
        end

        def counted?(piece, nouns) = traits_of(nouns).any? { |one| one.kind.counts?(one, piece.upper) }
      end
    end
  end
end
