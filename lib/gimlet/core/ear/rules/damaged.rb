# frozen_string_literal: true

require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # Some pieces that are damaged or missing, not all of them: "two bolts snapped", "one plunger cracked", "8 bolts, two snapped", "only found
      # one seal", "two out of eight bolts missing".
      class Damaged < Rule
        COST = Costs::RULE - 0.1
        # "scored", where what is scored was counted or described just before.
        ALONE = Costs::RULE + 0.4
        # What is gone of these is not known.
        READ = %w[plate serial maker series part_number].freeze
        DENIED = "Said not to be so."

        def call(place)
          return NONE if lattice.said(:damage, place).empty?

          some_of(place) + out_of(place) + worst_first(place) + alone(place) + denied(place) + of_another(place)
        end

        private

        # "two bolts snapped off", "the unloader sticks", "two snapped", "number two is cracked"
        def some_of(place)
          every = says(place, :every).any? || (place.positive? && says(place - 1, :every).any?)
          at, about = subject(place)
          return NONE unless about

          worst(past(at)).reject { |_piece| every && lattice.figures_at(place).any? }.map { |piece| made(place, piece.to) }
        end

        # Past small words; "and" begins something else.
        def past(place) = skip(place).then { |at| (place...at).any? { |one| norm(one) == "and" } ? lattice.size : at }

        # @return [Array(Integer, Boolean)] past a count and a noun
        def subject(place)
          at = place
          count = lattice.figures_at(at).find { |piece| piece.whole? && !piece.sum }
          at = skip(count.to) if count
          at = says(at, :some).first.to if at < lattice.size && count && says(at, :some).any?
          at = skip(at)
          noun = at < lattice.size && things(at).first
          number = noun && lattice.figures_at(skip(noun.to)).find(&:whole?) if noun && skip(noun.to) < lattice.size
          return [number.to, true] if number && count.nil?
          return [noun.to, true] if noun

          [at, !count.nil?]
        end

        def things(place)
          lattice.phrases_at(place).reject { |piece| piece.nouns.intersect?(READ) }.select do |piece|
            piece.slip < Costs::WRONG_LETTER && (piece.noun? || piece.areas.any? || piece.says(:things) || piece.says(:key)) &&
              !piece.says(:filler) && !piece.says(:outside)
          end
        end

        # "two out of eight bolts missing"
        def out_of(place)
          some = whole(place) or return NONE
          of = says(some.to, :some).first or return NONE
          count = whole(of.to) or return NONE
          things(count.to).flat_map do |noun|
            counted = noun.nouns.map { |id| trait(id) }.find { |one| one.kind.counts?(one, count.figure) } or next NONE
            worst(skip(noun.to)).map do |piece|
              made(place, piece.to, [reading(counted, { value: count.figure.to_i }, count.from, noun.to)])
            end
          end
        end

        def whole(place) = lattice.figures_at(place).find(&:whole?)

        # "only found one seal", "cracked plunger"
        def worst_first(place)
          worst(place).flat_map do |piece|
            at, about = subject(skip(piece.to))
            about && at > piece.to ? [made(place, at).with(weak: 2)] : NONE
          end
        end

        def alone(place)
          worst(place).map do |piece|
            made = made(place, piece.to).with(cost: ALONE)
            made.with(settle: ->(path) { made if path.candidate&.strong || path.parent&.candidate&.strong })
          end
        end

        def worst(place) = place < lattice.size ? says(place, :damage) : NONE

        # "the left hand door sticks"
        def of_another(place)
          says(place, :outside).flat_map { |thing| worst(skip(thing.to)).map { |piece| aside(place, piece.to, cost: COST - 0.2) } }
        end

        # "nothing cracked", "no bolts missing"
        def denied(place)
          says(place, :not).flat_map do |no|
            at = skip(no.to)
            next NONE if at >= lattice.size

            subject = subject(at)
            ends = worst(at) + (subject.last ? worst(skip(subject.first)) : NONE)
            ends.map { |piece| aside(place, piece.to, DENIED, cost: COST) }
          end
        end

        def made(from, to, also = NONE)
          candidate(from, located(to), [*also, { complaint: "damage", from: from, to: to }], cost: COST)
        end

        # "cracked on number two"
        def located(place)
          at = skip(place)
          which = (lattice.figures_at(at).find(&:whole?) if at > place && %w[on number nr].include?(norm(at - 1)))
          which ? which.to : place
        end
      end
    end
  end
end
