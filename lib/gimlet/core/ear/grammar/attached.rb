# frozen_string_literal: true

require_relative "../../0_quantities/units"
require_relative "../nouns"

module Gimlet
  module Core
    module Ear
      class Grammar
        # Figures and values with their nouns, those that need none, and how many pumps it is.
        module Attached
          private

          def attach(clause)
            Nouns.new(@vocabulary, clause, @asked, @topic).pairs.each { |trait, told, pieces| reading(trait, told, pieces, clause) }
          end

          # "no caps", "no sight glass", "no plate"
          def denials_of_nouns(clause)
            unused(clause).each_cons(2) do |small, noun|
              next unless small.says(:not) && noun.noun? && !noun.used

              nothing(noun).then { |fields| note([small, noun], readings: [{ **fields, heard: words([small, noun]) }]) if fields }
            end
          end

          def nothing(noun)
            traits = noun.nouns.map { |id| trait(id) }
            if (none = traits.find { |trait| trait.values.key?("none") }) then { trait: none.id, value: "none" }
            elsif (named = traits.find { |trait| trait.way.not_to_be_read?(trait) })
              { trait: named.id, unknown: true }
            elsif (count = traits.find(&:optional)) then { trait: count.id, value: 0 }
            end
          end

          def pumps(clause)
            unused(clause).each_cons(2) do |count, noun|
              next unless count.whole? && count.figure.between?(1, 99) && (noun.says(:pumps) || noun.says(:sets))

              note([count, noun], pumps: count.figure.to_i)
            end
          end

          # Ratings by their unit, values and keys that need no noun.
          def standing_alone(clause)
            unused(clause).each do |piece|
              trait = alone_trait(piece, clause) or next
              told = trait.way.hear(trait, piece)
              reading(trait, told, [piece], clause) if told
            end
          end

          def alone_trait(piece, clause)
            return if piece.alien || (piece.unit.nil? && @asked&.way&.hear(@asked, piece))
            return by_unit(piece) if Units::KIND_OF[piece.unit]
            return (trait("head_bolt_drive") unless says?(clause, :other_places)) if piece.key && piece.size
            return @vocabulary.traits.values.find { |trait| trait.way.alone?(piece) } if piece.thread && piece.figure
            return (trait(piece.alone.first) unless of_something_else?(piece, clause)) if piece.alone.any?

            lonely(piece, clause)
          end

          def by_unit(piece)
            kind = Units::KIND_OF[piece.unit].to_s
            @vocabulary.traits.values.find { |trait| trait.alone_unit == kind }
          end

          # "brass ring", "hollow sound": said of what comes next.
          def of_something_else?(piece, clause)
            following = after(clause, piece).first or return false
            !(following.used || following.idle? || following.figure || following.key || following.says(:pumps) || following.values.any? ||
              following.says(:not) || following.says(:unsure))
          end

          # A value that is all there is in its clause, and belongs to one trait that is seen from outside.
          def lonely(piece, clause)
            return if piece.values.empty? || clause.size > REACH || unused(clause).any? do |one|
              one != piece && !one.idle? && !one.says(:not) && !one.says(:pumps)
            end

            outside = piece.values.keys.map { |id| trait(id) }.select { |one| %w[manifold_material cover_colour].include?(one.id) }
            outside.first if outside.one? && clause.none?(&:used)
          end
        end
      end
    end
  end
end
