# frozen_string_literal: true

require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # What was done already or is sound: no order. "valves were done last year", "plungers are fine", "took the valves out, cleaned them",
      # "fitted a new unloader already", "pressure's fine, oil's fine".
      class Done < Rule
        REACH = 9
        POLITE = %w[just only please do].freeze
        NOTE = "Said to be done or in order: no work."

        def call(place)
          return NONE if lattice.said(:past, place).empty?
          return NONE if asked_for?(place)
          return NONE unless about?(place) || says(place, :past).any?

          found = []
          about = past = false
          at = place
          while at < lattice.size && at - place < REACH && !lattice.separator?(at)
            piece = taken(at) or break
            about ||= about?(at)
            past ||= piece.says(:past)
            at = piece.to
            found << aside(place, at, NOTE, cost: Costs::RULE + 0.3) if about && past
          end
          found
        end

        private

        # "he'd like the packings done"
        def asked_for?(place)
          lattice.said(:request, place).any? { |piece| piece.from < place && !POLITE.include?(norm(piece.from)) }
        end

        # @return [Boolean] whether something that is worked on or complained of stands here
        def about?(place)
          lattice.phrases_at(place).any? do |piece|
            piece.slip.zero? && (piece.noun? || piece.areas.any? || piece.says(:things) || piece.says(:subject))
          end
        end

        def taken(place)
          pieces = lattice.phrases_at(place).select { |piece| piece.slip.zero? }
          pieces.find { |piece| piece.says(:past) } || pieces.find { |piece| subject?(piece) || time?(piece) || piece.says(:hedge) } ||
            pieces.find { |piece| piece.says(:filler) && small?(piece) }
        end

        def subject?(piece) = piece.noun? || piece.areas.any? || piece.says(:things) || piece.says(:subject)
        def small?(piece) = (!piece.says(:request) || norm(piece.from) == "new") && !piece.says(:instead) && !piece.says(:not)
        def time?(piece) = piece.says(:times) || piece.says(:when)
      end
    end
  end
end
