# frozen_string_literal: true

require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # What is not there and what is not known: "no sight glass", "doesn't have caps", "can't read the plate", "plate is worn off", "not sure about
      # the shaft side".
      class NotKnown < Rule
        # Names and numbers that may be gone; what else is gone is damage.
        READ = %w[plate serial maker series part_number].freeze
        COST = Costs::RULE - 0.1
        NOTHING = %w[none nil].freeze

        def call(place)
          return NONE if %i[not unsure absent].none? { |small| lattice.said(small, place).any? }

          absent(place) + unsure(place) + gone(place)
        end

        private

        def nouns(place) = place < lattice.size ? lattice.phrases_at(place).select { |piece| piece.noun? && piece.slip.zero? } : NONE

        def absent(place)
          says(place, :not).flat_map do |no|
            nouns(skip(no.to)).filter_map { |noun| made(place, noun.to, nothing(noun)) }
          end
        end

        def nothing(noun)
          traits = noun.nouns.map { |id| trait(id) }
          if (none = traits.find { |trait| trait.values.key?("none") }) then { trait: none.id, value: "none" }
          elsif (named = traits.find { |trait| trait.kind.not_to_be_read?(trait) }) then { trait: named.id, unknown: true }
          elsif (count = traits.find(&:optional)) then { trait: count.id, value: 0 }
          end
        end

        # "not sure how many bolts", "can't find a serial"
        def unsure(place)
          (says(place, :unsure) + says(place, :absent)).flat_map do |small|
            nouns(skip(small.to)).filter_map { |noun| made(place, noun.to, unknown(noun, small)) }
          end
        end

        # "plate is worn off"
        def gone(place)
          nouns(place).flat_map do |noun|
            at = skip(noun.to)
            told = (says(at, :unsure) + says(at, :absent)).filter_map { |small| made(place, small.to, unknown(noun, small)) }
            # "caps none"
            NOTHING.include?(norm(at)) ? told + [made(place, at + 1, nothing(noun))].compact : told
          end
        end

        def unknown(noun, small)
          id = small.says(:unsure) ? asked_or_first(noun) : (noun.nouns & READ).first
          id && { trait: id, unknown: true }
        end

        def asked_or_first(noun) = noun.nouns.include?(asked&.id) ? asked.id : noun.nouns.first

        def made(from, to, fields)
          fields && candidate(from, to, [{ readings: [{ **fields, heard: lattice.words(from, to) }], from: from, to: to }], cost: COST,
                                                                                                                            strong: true)
        end
      end
    end
  end
end
