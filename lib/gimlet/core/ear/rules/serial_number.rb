# frozen_string_literal: true

require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # "serial 31,022", "s/n 31 022", "serial number is somewhere below 31000", "serial three one five double oh".
      class SerialNumber < Rule
        def call(place)
          nouns = lattice.phrases_at(place).select { |piece| piece.noun? && piece.nouns.include?("serial") && piece.slip < Costs::WRONG_LETTER }
          nouns.flat_map { |noun| numbers(skip(noun.to)).map { |told, ending| made(place, ending, told, noun) } }
        end

        # Figures that stand side by side: "31 022".
        # @return [Array(Hash, Integer), nil] what is told, and where it ends
        def self.digits(lattice, place)
          text, at = +"", place
          while (piece = lattice.figures_at(at).find { |one| one.digits && one.unit.nil? && !one.alien })
            text << piece.digits
            at = piece.to
            # "3-1-5-0-2"
            at += 1 if lattice.tokens[at]&.text == "-" && lattice.tokens[at + 1]&.figure && lattice.tokens[at].glued
            return if lattice.tokens[at]&.glued && lattice.tokens[at].word?
          end
          [{ value: text }, at] unless text.empty? || gap?(lattice, at)
        end

        # A number with something missing is none.
        def self.gap?(lattice, place)
          place += 1 if lattice.tokens[place]&.text == ","
          lattice.says(place, :gaps).any?
        end

        private

        def numbers(place)
          return NONE if place >= lattice.size

          spans = pieces(place).select { |piece| piece.span && piece.unit.nil? }.map { |piece| [{ range: piece.span }, piece.to] }
          spans + [SerialNumber.digits(lattice, place)].compact
        end

        def made(place, ending, told, noun)
          candidate(place, ending, [reading(trait("serial"), told, place, ending)], strong: true, cost: Costs::RULE + noun.slip)
        end
      end
    end
  end
end
