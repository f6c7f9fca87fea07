# frozen_string_literal: true

module Gimlet
  module Core
    module Ear
      # Which noun each figure and value of a clause belongs to.
      #
      # "8 bolts 20 mm plungers" binds forward, "plunger 20 mm shaft 24 mm" back, "bolts are 8" across the verb.
      class Nouns
        LINKS = %w[is are was were : = at on].freeze
        TAKING = %w[take taking took fit need want wants for].freeze

        # @param clause [Array<Piece>]
        # @param asked [Readings::Trait, nil]
        # @param topic [Piece, nil] the last noun of the clauses before
        def initialize(vocabulary, clause, asked, topic = nil)
          @topic = topic
          @vocabulary = vocabulary
          @clause = clause
          @asked = asked
          @given = Hash.new { |all, noun| all[noun] = [] }.compare_by_identity
        end

        # @return [Array<Array(Trait, Hash, Array<Piece>)>] what each modifier says of which trait, and the pieces that say it
        def pairs
          found = @clause.reject { |piece| piece.used || !piece.modifier? }.flat_map { |piece| of(piece) }
          found.each_with_object([]) { |(trait, told, piece, noun), all| all << [trait, told, [piece, *(noun unless noun == @topic)].uniq] }
        end

        private

        # The topic is of an earlier clause.
        def at(piece) = piece == @topic && @clause.none? { |one| one.equal?(piece) } ? nil : piece.place - @clause.first.place

        # A piece may be its own noun: "ceramic" is a plunger and a material.
        def of(piece)
          return objects(piece) if piece.sizes

          noun, trait = choose(piece)
          return [] unless noun

          told = trait.way.hear(trait, piece)
          @given[noun] << trait.id
          [[trait, told, piece, noun]]
        end

        def choose(piece)
          left, right = beside(piece, -1), beside(piece, 1)
          on_left, on_right = left && trait_for(left, piece, :after), right && trait_for(right, piece, :before)
          return [left, on_left] if on_left && (!on_right || linked?(left, piece) || leads?(left, piece, right))
          return [right, on_right] if on_right

          about_the_topic(piece) unless left || right || bare_figure?(piece)
        end

        # "8 of them" counts what was spoken of; any other bare figure may be anything.
        def bare_figure?(piece) = piece.figure && !piece.unit && @clause[at(piece) + 1]&.norm != "of them"

        # "3 plungers, 20 mm": what a clause without a noun says is said of the last one.
        def about_the_topic(piece)
          trait = @topic && !piece.noun? && trait_for(@topic, piece, :after)
          [@topic, trait] if trait
        end

        # The nearest noun on one side, with nothing but small words and other modifiers between.
        def beside(piece, step)
          place = at(piece) + step
          while place >= 0 && place < @clause.size && (place - at(piece)).abs <= Grammar::REACH
            other = @clause[place]
            return other if other.noun? && !other.name && !(other.used && other.values.empty? && step.positive?)
            return if blocking?(other) || (unmeasured?(other) && unmeasured?(piece))

            place += step
          end
        end

        # "one, no, 8 bolts": of two bare figures the nearer one counts.
        def unmeasured?(piece) = piece.whole? && piece.unit.nil? && piece.key.nil?

        # The size of a bolt ("M10") stands between its number and its name.
        def blocking?(other)
          return false if other.chunk&.match?(/\AM\d+\z/i)

          other.areas.any? || other.chunk || other.name || (other.tokens.first.word? && !other.idle? && !other.modifier? &&
            %i[not hedge every unsure wish pumps].none? { |small| other.says(small) } && other.key.nil?)
        end

        def linked?(noun, piece)
          between = @clause[(at(noun) + 1)...at(piece)]
          between.any? && between.all?(&:idle?) && between.any? do |one|
            LINKS.include?(one.norm) || one.tokens.any? do |token|
              LINKS.include?(token.text)
            end
          end
        end

        # The clause opens with this noun, and the next noun has words of its own after it.
        def leads?(noun, piece, next_noun)
          first = @first ||= @clause.find { |one| one.noun? || one.modifier? }
          first == noun && next_noun && @clause[at(next_noun) + 1, Grammar::REACH].any? do |one|
            one.modifier? && trait_for(next_noun, one, :after)
          end && piece != next_noun
        end

        def trait_for(noun, piece, side)
          traits = noun.nouns.map do |id|
            @vocabulary.trait(id)
          end.reject { |one| one.of_head && elsewhere? }.reject { |one| one.slot && piece.values.empty? && !piece.figure && !piece.span }
          fitting = traits.select { |trait| !@given[noun].include?(trait.id) && fits?(trait, piece, side, noun) }
          fitting.find { |one| one.id == @asked&.id } || fitting.first
        end

        # Bolts of a flange or a cover are not those of the head.
        def elsewhere?
          @elsewhere ||= [@clause.any? { |piece| piece.says(:other_places) } && @clause.none? { |piece| piece.norm.match?(/\bhead\b/) }]
          @elsewhere.first
        end

        def fits?(trait, piece, side, noun)
          told = trait.way.hear(trait, piece) or return false
          return trait.way.with_unit?(trait) if piece.unit
          return true if piece.key || piece.thread || (told[:value].is_a?(String) && piece.values.any?)
          return piece.values.any? if piece.figure.nil? && piece.span.nil?

          bare?(trait, piece, side, noun)
        end

        def bare?(trait, piece, side, noun)
          trait.way.bare?(trait, piece, behind: side == :after, taking: -> { taking?(noun, piece) }, counted: -> { counted?(noun, piece) })
        end

        def counted?(noun, piece)
          noun.nouns.map { |id| @vocabulary.trait(id) }.any? { |trait| trait.way.counts?(trait, piece.upper) }
        end

        def taking?(noun, piece)
          return false unless at(noun)

          @clause[(at(noun) + 1)...at(piece)].any? { |one| one.tokens.any? { |token| TAKING.include?(token.norm) } }
        end

        # "seal 20x28x6": the sizes of one thing, in the order of its axes.
        def objects(piece)
          slot = slot_beside(piece) or return []
          axes = @vocabulary.traits.values.select { |trait| trait.slot == slot.last }.sort_by(&:axis)
          piece.sizes.zip(axes).select { |_, trait| trait }.map do |size, trait|
            [trait, { value: size, unit: piece.unit }.compact, piece, slot.first]
          end
        end

        def slot_beside(piece)
          near = @clause[[at(piece) - Grammar::REACH, 0].max..(at(piece) + Grammar::REACH)].reject { |one| one == piece || one.used }
                                                                                           .sort_by { |one| (at(one) - at(piece)).abs }
          near.find { |one| one.says(:slot) }&.then { |one| [one, one.says(:slot)] }
        end
      end
    end
  end
end
