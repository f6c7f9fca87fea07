# frozen_string_literal: true

require_relative "../value"
require_relative "costs"

module Gimlet::Core
  module Ear
    # Finding phrases of complaints and signs in a line: their words in any order, close together, as they are spelled or misspelled.
    #
    #   PhraseMatch.new(lattice, ComplaintPhrases.of(vocabulary)).at(3).map(&:id) # => ["water_leak"]
    class PhraseMatch
      # A phrase found: of what, from where to where, the places of its words, what it costs.
      Found = Value.of(:id, :from, :to, :places, :cost)

      # So many words may stand between the first and the last of a phrase, over those of the phrase.
      BETWEEN = 4
      # A word between that is known; one phrase more.
      KNOWN = 0.4
      NONE = [].freeze

      # @param lattice [Lattice]
      # @param phrases [Hash{String=>Array<ComplaintPhrases::Phrase>}] word => phrases that it is in
      def initialize(lattice, phrases)
        @lattice = lattice
        @phrases = phrases
        @at = {}
        @spellings = {}
      end

      # @param place [Integer] a token
      # @return [Array<Found>] phrases that have a word here and the rest behind it
      def at(place)
        @at[place] ||= spellings(place).flat_map do |word, cost|
          @phrases.fetch(word, NONE).flat_map do |phrase|
            matches(phrase, place, word, cost)
          end
        end
                                       .group_by { |one| [one.id, one.places] }.map { |_, same| same.min_by(&:cost) }
      end

      private

      def norm(place) = @lattice.tokens[place]&.norm

      def spellings(place)
        word = norm(place)
        @spellings[word] ||= [[word, 0.0], *@lattice.meant(word)]
      end

      # "weep" may be the leak or the hole.
      def matches(phrase, place, word, cost)
        phrase.words.each_index.select { |at| phrase.words[at].key?(word) }.filter_map { |first| match(phrase, place, first, cost) }
      end

      def match(phrase, place, first, cost)
        taken = { first => place }
        near = reach(place, phrase)
        phrase.words.each_with_index { |any, at| taken[at] ||= near.find { |there| !taken.value?(there) && any.key?(norm(there)) } }
        places = taken.values.compact.sort
        return if places.size < phrase.words.size || places.any? { |there| named?(there) } || turned?(places)

        Found.new(id: phrase.id, from: place, to: places.last + 1, places: places, cost: Costs::RULE + cost + between(places))
      end

      # The places behind one in its clause that are near enough.
      def reach(place, phrase)
        last = [place + phrase.words.size - 1 + BETWEEN, @lattice.size - 1].min
        clause = @lattice.clause(place)
        ((place + 1)..last).take_while { |there| @lattice.clause(there) == clause }
      end

      def named?(place) = @lattice.figures_at(place).any?(&:unit)

      # "sucks a little but no pressure" is no little pressure.
      def turned?(places)
        turn = inside(places).find { |place| norm(place) == "but" } or return false
        inside(places).any? { |place| place > turn && @lattice.says(place, :not).any? }
      end

      def inside(places) = (places.first..places.last).to_a - places

      def between(places)
        inside(places).sum do |place|
          # "drips oil" is no water that drips.
          next Costs::SMALL if @lattice.says(place, :subject).any?

          @lattice.idle?(place) ? Costs::FILLER : KNOWN
        end
      end
    end
  end
end
