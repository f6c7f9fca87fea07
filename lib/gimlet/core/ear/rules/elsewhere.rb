# frozen_string_literal: true

require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # What is said of something else than the pump: a flange with 4 bolts, a 20 mm hose, nozzle 045, a 20 litre tank, the customer's own 13 mm
      # socket, van LT14 HXB, extension 24, "at 5". It is understood and no reading.
      class Elsewhere < Rule
        COST = Costs::RULE + 0.3
        OWNED = "A tool of the customer's."
        HOURS = 1..24
        WHEN = %w[at after before till until by from around about].freeze
        ON = %w[on of in for at to].freeze
        CODES = 5

        def call(place)
          of_things(place) + owned(place) + beside_the_point(place) + hour(place)
        end

        private

        def of_things(place) = lattice.said(:things, place).any? ? of_a_thing(place) + thing_first(place) : NONE
        def things(place) = place < lattice.size ? says(place, :things) : NONE

        def bolts(place)
          place < lattice.size ? lattice.phrases_at(place).select { |piece| piece.nouns.any? { |id| trait(id).of_head } && piece.slip.zero? } : NONE
        end

        def said(place)
          return NONE if place >= lattice.size

          pieces(place).select { |piece| piece.slip.zero? && piece.unit != "rpm" && says_something?(piece) }
        end

        def says_something?(piece)
          piece.figures? || piece.alien || (piece.key && piece.size) || (piece.values.any? && !piece.says(:not))
        end

        # "8 bolt flange", "a 4 mm nozzle", "red hose", "3 bolts on the cover"
        def of_a_thing(place)
          ends = said(place).map(&:to).uniq
          ends += ends.flat_map { |at| said(skip(at)).map(&:to) }
          (ends + ends.flat_map { |at| says(at, :nouns).map(&:to) }).uniq.flat_map do |at|
            linked = ON.include?(norm(at))
            things(linked ? skip(at + 1) : at).map { |thing| aside(place, thing.to, cost: COST) }
          end
        end

        # "flange has 4 bolts", "cover bolts 13 mm", "hose is 3/8", "nozzle 045", "tank is 20 litres"
        def thing_first(place)
          things(place).flat_map do |thing|
            at = skip(thing.to)
            at = skip(bolts(at).first.to) if bolts(at).any?
            [aside(place, thing.to, cost: COST + 0.4)] + said(at).flat_map do |piece|
              [piece.to, *bolts(piece.to).map(&:to)].map { |ending| aside(place, ending, cost: COST) }
            end
          end
        end

        # "he has a 6 mm hex key", "owns a torque wrench 10-60 and a 13 socket", "his wrench only goes to 40 Nm"
        def owned(place)
          says(place, :mine).filter_map do |mine|
            at, told = tools(mine.to, mine.says(:mine) == true && lattice.words(mine.from, mine.to).match?(/wrench/i))
            aside(place, at, OWNED, cost: Costs::RULE - 0.2) if told
          end
        end

        def tools(place, told)
          loop do
            at = skip(place)
            break if at >= lattice.size || lattice.separator?(at)

            piece = tool_at(at) or break
            told ||= !piece.key.nil? || piece.says(:key) || piece.says(:mine)
            place = norm(piece.to) == "and" ? piece.to + 1 : piece.to
          end
          [place, told]
        end

        def tool_at(place)
          pieces(place).find { |one| (one.key && one.size) || one.says(:mine) || one.alien } ||
            pieces(place).find { |one| one.figures? || one.says(:key) }
        end

        # "van reg LT14 HXB", "po 45-1190", "extension 24", "postcode EX4 7RB"
        def beside_the_point(place)
          says(place, :aside).map do |piece|
            at = piece.to
            at += 1 while at < lattice.size && at - piece.to < CODES && code?(at)
            aside(place, at, cost: Costs::RULE - 0.2)
          end
        end

        def code?(place)
          return false if lattice.separator?(place) && !tokens[place + 1]&.glued

          token = tokens[place]
          lattice.mark?(place) || token.figure || token.glued || says(place,
                                                                      :filler).any? || says(place, :aside).any? || lattice.phrases_at(place).empty?
        end

        # "at 5", "after 4", "till 2", "at half eight"
        def hour(place)
          return NONE unless WHEN.include?(norm(place)) && place + 1 < lattice.size

          at = norm(place + 1) == "half" ? place + 2 : place + 1
          return NONE if at >= lattice.size

          lattice.figures_at(at).select { |one| one.whole? && HOURS.cover?(one.figure) }.map { |one| aside(place, one.to, cost: Costs::RULE + 2) }
        end
      end
    end
  end
end
