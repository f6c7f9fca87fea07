# frozen_string_literal: true

require_relative "../../0_quantities/units"
require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # Ratings by their units: "15 lpm at 200 bar, 1450 rpm", "rated 120 bar", "9.4 kg". One that stands alone may as well have been seen on a
      # gauge or in a bucket: then both are offered.
      class Rated < Rule
        KINDS = { flow: "flow_l_min", pressure: "pressure_bar", speed: "speed_rpm", mass: "mass_kg" }.freeze
        LITRES = { "L" => "L/min", "US gal" => "US gpm" }.freeze
        SAYING_SO = %w[rated max maximum nominal plate stamped papers].freeze
        AT = %w[at @ and with off].freeze
        SPEEDS = 100..6000
        # What a rating that might have been seen costs more than one that was said to be one; what one seen costs.
        SEEN = 1.6
        NEAR = 4

        def call(place)
          pieces(place).select { |piece| kind(piece) }.flat_map { |piece| of(piece) }
        end

        private

        def kind(piece)
          return if piece.alien || piece.sizes || !(piece.figure || piece.span)

          LITRES[piece.unit] ? :flow : Units::KIND_OF[piece.unit]&.then { |kind| kind if KINDS[kind] }
        end

        def of(piece)
          return [mass(piece)] if kind(piece) == :mass

          runs = chains([piece])
          return [framed(piece)] if kind(piece) == :speed && runs.first.one?

          runs.first.one? ? alone(piece) : runs.map { |run| together(run) }
        end

        def together(run)
          weak = run.any? { |one| LITRES[one.unit] } ? Costs::SMALL : 0
          candidate(run.first.from, run.last.to, items(run), told: run, strong: true, weak: weak)
        end

        def alone(piece)
          said_so?(piece) ? [framed(piece)] : [unframed(piece), seen(piece)]
        end

        def mass(piece) = candidate(piece.from, piece.to, items([piece]), told: [piece], weak: Costs::LONELY + Costs::SMALL, strong: true)
        def framed(piece) = candidate(piece.from, piece.to, items([piece]), told: [piece], strong: true)

        def unframed(piece)
          weak = LITRES[piece.unit] ? Costs::WEAK + 2 : Costs::WEAK / 2
          candidate(piece.from, piece.to, items([piece]), told: [piece], unframed: true, weak: weak)
        end

        def seen(piece)
          item = { seen: lattice.words(piece.from, piece.to), from: piece.from, to: piece.to }
          candidate(piece.from, piece.to, [item], cost: Costs::RULE + SEEN)
        end

        # @return [Array<Array<Piece>>] ratings of different kinds one after another; several where a figure can be read in two ways
        def chains(run)
          at, linked = link(run.last.to)
          found = pieces(at).select { |one| rating?(one, run, linked) }
          return [run] if found.empty?

          found.select { |one| [one.to, one.unit] == [found.first.to, found.first.unit] }.flat_map { |one| chains([*run, one]) }
        end

        def rating?(piece, run, linked)
          return run.none? { |one| kind(one) == kind(piece) } if kind(piece) && kind(piece) != :mass

          (linked || run.size > 1) && bare_speed?(piece) && run.none? { |one| kind(one) == :speed }
        end

        def bare_speed?(piece) = piece.whole? && SPEEDS.cover?(piece.figure) && !piece.sum

        # @return [Array(Integer, Boolean)] the next word of weight, and whether "at" stands before it
        def link(place)
          linked = false
          while place < lattice.size && (AT.include?(norm(place)) || lattice.mark?(place) || lattice.separator?(place) || says(place, :filler).any?)
            break if lattice.separator?(place) && lattice.stop?(place)

            linked ||= %w[at @].include?(norm(place))
            place += 1
          end
          [place, linked]
        end

        def said_so?(piece)
          before = [piece.from - NEAR, 0].max...piece.from
          near = [*before, piece.to].select { |place| place < lattice.size && lattice.clause(place) == lattice.clause(piece.from) }
          near.any? { |place| SAYING_SO.include?(norm(place)) }
        end

        def items(run)
          run.map do |piece|
            kind = kind(piece) || :speed
            told = { value: piece.figure, range: piece.span, unit: LITRES.fetch(piece.unit, piece.unit) || "rpm" }.compact
            reading(trait(KINDS[kind]), told, piece.from, piece.to)
          end
        end
      end
    end
  end
end
