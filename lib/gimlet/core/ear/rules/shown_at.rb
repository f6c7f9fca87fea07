# frozen_string_literal: true

require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # Where and when a complaint shows: "from the third cap from the left", "at the shaft end", "behind the plungers", "under load". It is told
      # with the complaint before it and is neither an order nor a reading.
      class ShownAt < Rule
        PREPOSITIONS = %w[from at under underneath between behind off down on in out near over by to around round through against for
                          before during along below above inside outside into when while].freeze
        ADVERBS = %w[under underneath below behind inside outside].freeze
        REACH = 7
        COST = 0.7

        def call(place)
          return NONE unless PREPOSITIONS.include?(norm(place))

          at, told = place + 1, ADVERBS.include?(norm(place))
          while at < lattice.size && at - place < REACH && !lattice.separator?(at)
            piece = known(at)
            break unless piece || PREPOSITIONS.include?(norm(at)) || lattice.figures_at(at).any?(&:whole?)

            told ||= piece && !piece.says(:filler)
            at = piece ? piece.to : at + 1
          end
          told ? [settled(aside(place, at, nil, cost: COST).with(quiet: true))] : NONE
        end

        private

        def known(place)
          lattice.phrases_at(place).find do |piece|
            piece.slip.zero? && (piece.noun? || piece.areas.any? || piece.values.any? || %i[filler things subject place times when].any? do |small|
              piece.says(small)
            end)
          end
        end

        def settled(made)
          clause = lattice.clause(made.from)
          made.with(settle: ->(path) { made if path.last { |one| one.complaint? && lattice.clause(one.from) == clause } })
        end
      end
    end
  end
end
