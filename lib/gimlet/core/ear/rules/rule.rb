# frozen_string_literal: true

require_relative "../candidate"
require_relative "../costs"

module Gimlet::Core
  module Ear
    module Rules
      # What a line is heard in: the words of the counter, the names of the catalogue, what is complained of by its words,
      # the open question, and who is known by name.
      Setting = Value.of(:vocabulary, :names, :complaints, :asked, :customers)

      # What every rule works on. A rule looks at the pieces from one token on and answers candidates; it changes nothing.
      class Rule
        NONE = [].freeze

        # @param lattice [Lattice]
        # @param setting [Setting]
        def initialize(lattice, setting)
          @lattice = lattice
          @setting = setting
          @vocabulary, @names, @asked = setting.vocabulary, setting.names, setting.asked
          prepare
        end

        # @param place [Integer] a token
        # @return [Array<Candidate>] those that begin there
        def call(_place) = NONE

        private

        attr_reader :lattice, :vocabulary, :asked

        def prepare = nil
        def trait(id) = vocabulary.trait(id)
        def tokens = lattice.tokens
        def norm(place) = tokens[place]&.norm
        def pieces(place) = lattice.at(place)
        def says(place, small) = lattice.says(place, small)

        # @return [Integer] past the words that say nothing, commas not among them
        def skip(place)
          @skip ||= []
          @skip[place] ||= past_small_words(place)
        end

        def past_small_words(place)
          loop do
            return place if place >= lattice.size || lattice.separator?(place)

            filler = says(place, :filler).first
            return place unless filler || lattice.mark?(place) || says(place, :hedge).any?

            place = filler ? filler.to : place + 1
          end
        end

        # @param piece [Piece] a small word that speaks of what follows
        # @return [Array<Integer>] where that may begin: "not at the side", "not the side"
        def behind(piece) = [piece.to, skip(piece.to)].uniq

        # @return [Integer] past them and past commas
        def skip_comma(place)
          place = skip(place)
          place = skip(place + 1) while place < lattice.size && lattice.separator?(place) && !lattice.stop?(place)
          place
        end

        def candidate(from, to, items, cost: Costs::RULE, **more)
          Candidate.new(from: from, to: to, items: items, cost: cost, rule: self.class, **more)
        end

        # Words that were understood and say nothing of a pump.
        def aside(from, to, note = nil, cost: Costs::RULE) = candidate(from, to, NONE, cost: cost, note: note)

        # @return [Hash] an item with one reading
        def reading(trait, told, from, to, denied: nil)
          fields = { trait: trait.id, **told, hedged: hedged(from), tool: (tool(from) if trait.kind.with_tool?), denied: denied,
                     observer: ("old_invoice" if trait.id == "part_number" && lattice.said(:papers, from).any?), heard: lattice.words(from, to) }
          { readings: [fields.compact], from: from, to: to }
        end

        # Doubt and tool are said once for a clause.
        def hedged(place) = lattice.said(:hedge, place).any? || nil
        def tool(place) = lattice.said(:tool, place).first&.says(:tool)
      end
    end
  end
end
