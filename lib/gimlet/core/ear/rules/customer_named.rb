# frozen_string_literal: true

require_relative "../names"
require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # A customer that the counter knows: "Nannyfield Goat Dairy, 8 bolts", "it's for Nannyfield goat dairy".
      class CustomerNamed < Rule
        # So many words a name has at least, or letters: a short one is a word like others.
        WORDS = 2
        LETTERS = 6
        COST = Costs::RULE - 0.5

        def call(place)
          @known.fetch(norm(place), NONE).filter_map do |words, id|
            ending = place + words.size
            next unless ending <= lattice.size && (place...ending).map { |at| norm(at) } == words

            candidate(place, ending, [{ customer: id, from: place, to: ending }], cost: COST)
          end
        end

        private

        def prepare
          telling = @setting.customers.map { |name, id| [Tokens.of(name).map(&:norm), id] }
                            .select { |words, _| words.size >= WORDS || words.join.size >= LETTERS }
          @known = telling.group_by { |words, _| words.first }
        end
      end
    end
  end
end
