# frozen_string_literal: true

require_relative "../../../core"

module Gimlet::Core
  module Ear
    class Lattice
      # Words and phrases of the lexicon, as they are spelled or nearly so. "stainless steel" is one phrase and two words.
      module Phrases
        SOFT = %w[- / . '].freeze
        # Figures that stand for words in phrases: "3 on top 3 below".
        WORDED = NumberWords::UNITS.select { |_, value| value.between?(1, 12) }.to_h { |word, value| [value.to_s, word] }.freeze
        # So many misspelt words of a phrase are followed.
        MEANT = 2
        NONE = [].freeze
        KINDS = %i[nouns values areas unsure absent].freeze

        # @return [Array<Piece>]
        def phrases_at(place)
          return NONE if place >= size

          @phrases[place] ||= begin
            found = []
            meanings_at(place, place, [], 0.0, found) unless tokens[place].separator?
            longest_of_a_kind(found.sort_by { |piece| [-piece.to, piece.slip] }.uniq { |piece| [piece.to, piece.meaning.object_id] })
          end
        end

        private

        # Of two phrases of one kind that begin here, the longer is meant: "shaft side" is not the shaft.
        def longest_of_a_kind(found)
          found.reject { |short| found.any? { |long| long.to > short.to && long.slip <= short.slip && same_kind?(long, short) } }
        end

        def same_kind?(long, short) = KINDS.any? { |kind| long.says(kind) && short.says(kind) }

        def meanings_at(start, place, spoken, slip, found)
          token = tokens[place] or return
          return passing(start, place, spoken, slip, found) if spoken.any? && (soft?(place) || token.separator?)

          spellings(place).each do |word, cost|
            most = spoken.empty? ? @lexicon.longest(word) : @lexicon.longest(spoken.first)
            next if most <= spoken.size

            said = [*spoken, word]
            meaning = @lexicon[said.join(" ")]
            found << Piece.new(start, place + 1, meaning, slip: slip + cost) if meaning
            meanings_at(start, place + 1, said, slip + cost, found) if said.size < most
          end
        end

        # A comma or a dash may stand inside a phrase: "three on top, three in front", "right-hand".
        def passing(start, place, spoken, slip, found)
          return if tokens[place].separator? && (spoken.size < 3 || tokens[place].text != ",")

          meanings_at(start, place + 1, spoken, slip, found)
        end

        def soft?(place) = SOFT.include?(tokens[place].text) && !tokens[place].separator?

        # The ending of a plural may be what is wrong: "stainles".
        def misspelt(place)
          meant = @lexicon.spelling.meant(@norms[place])
          meant.empty? ? @lexicon.spelling.meant(tokens[place].text.downcase) : meant
        end

        def spellings(place)
          norm = @norms[place]
          return [[WORDED.fetch(norm, norm), 0.0]] if tokens[place].figure
          return [[norm, 0.0]] if tokens[place].glued && place.positive? && !mark?(place - 1)

          [[norm, 0.0], *misspelt(place).first(MEANT)]
        end
      end
    end
  end
end
