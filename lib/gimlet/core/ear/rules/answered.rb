# frozen_string_literal: true

require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # The answer to the open question: "three", "a socket, 13", "4 each side", "not the left", "can't see it", "more than 8". It must explain its
      # clause: "two men to lift it" is no 2 kg.
      class Answered < Rule
        # Below what passing over a small word costs: "side" may be one.
        COST = Costs::FILLER / 2
        WEAK = Costs::WEAK + 2
        LONGEST = 30
        WORD = 12
        PLAIN = %w[no none nothing nope without].freeze

        def call(place)
          return NONE unless asked
          return [serial_run(place), *refusals(place)].compact if asked.kind_id == "serial"

          values(place) + beside(place) + refusals(place) + [as_typed(place)].compact
        end

        private

        def values(place)
          told(place, place, nil) + says(place, :not).flat_map { |no| behind(no).flat_map { |at| told(place, at, true) } }
        end

        def told(from, place, denied)
          return NONE if place >= lattice.size

          pieces(place).filter_map do |piece|
            next if (piece.name && !%w[maker series plate].include?(asked.id)) || of_something?(piece) || counted?(piece) || of_a_thing?(piece)

            fields = hear(piece) or next
            next if denied && (fields[:range] || says(place, :not).any?)

            candidate(from, piece.to, [reading(asked, fields, from, piece.to, denied: denied)], cost: COST + piece.slip, told: [piece], weak: WEAK,
                                                                                                strong: true)
          end
        end

        # "four pole motor"
        def of_a_thing?(piece) = piece.figures? && piece.unit.nil? && says(piece.to, :things).any?

        # "8 bolts" answers another question.
        def counted?(piece)
          piece.figures? && piece.unit.nil? && says(piece.to, :nouns).any? do |noun|
            !noun.nouns.include?(asked.id) && noun.nouns.any? do |id|
              trait(id).kind_id == "counted"
            end
          end
        end

        # "24, solid": of another trait of the same thing
        def beside(place)
          pieces(place).reject(&:noun?).flat_map do |piece|
            piece.values.keys.reject { |id| id == asked.id }.select { |id| trait(id).called.intersect?(asked.called) }.map do |id|
              told = trait(id).kind.hear(trait(id), piece)
              candidate(place, piece.to, [reading(trait(id), told, place, piece.to)], cost: Costs::RULE + 0.5 + piece.slip, told: [piece],
                                                                                      weak: WEAK)
            end
          end
        end

        # "half of that"
        def of_something?(piece) = piece.figures? && norm(piece.to) == "of" && norm(piece.to + 1) != "them" && norm(piece.to + 1) != "em"

        def hear(piece)
          return if piece.alien || (piece.sum && !asked.kind.counts?(asked, piece.figure))
          return if piece.figures? && piece.unit && !asked.kind.with_unit?(asked) && !piece.key && asked.kind_id != "keyed"

          asked.kind.hear(asked, piece)
        end

        # "31 500", "below 31000"
        def serial_run(place)
          span = pieces(place).find { |piece| piece.span && piece.unit.nil? }
          told, ending = span ? [{ range: span.span }, span.to] : SerialNumber.digits(lattice, place)
          told && candidate(place, ending, [reading(asked, told, place, ending)], cost: COST, weak: WEAK, strong: true)
        end

        # "none" and "gone" are a value where the trait has one, else not knowing.
        def refusals(place)
          valued = pieces(place).find { |piece| piece.values.key?(asked.id) && piece.slip.zero? }
          small = (says(place, :unsure) + says(place, :absent) + only_no(place)).select { |one| valued.nil? || one.to > valued.to }
          small.map do |one|
            fields = one.says(:unsure) ? { unknown: true } : nothing(one)
            item = { readings: [{ trait: asked.id, **fields, heard: lattice.words(place, one.to) }], from: place, to: one.to }
            candidate(place, one.to, [item], cost: COST, weak: 1, strong: true)
          end
        end

        def nothing(small)
          return { value: "none" } if asked.values.key?("none")

          (asked.kind.none(asked) if small.says(:absent) || small.says(:not)) || { unknown: true }
        end

        # A "no" or "none" that is all there is.
        def only_no(place)
          says(place, :not).select { |no| PLAIN.include?(norm(no.from)) && skip_comma(no.to) >= lattice.size && skip_comma(0) == place }
        end

        # What was read from a plate, a bag or a badge is taken as it was typed.
        def as_typed(place)
          return unless asked.kind.free? && place == skip_comma(0)

          ending = lattice.size
          ending -= 1 while ending > place && lattice.mark?(ending - 1) && !"?*".include?(tokens[ending - 1].text)
          text = ending > place ? lattice.words(place, ending) : ""
          return unless text.match?(/[A-Za-z0-9]/) && text.size <= LONGEST && (place...ending).all? { |at| typed?(at) }
          return unless text.match?(/\d/) || (text.size <= WORD && ending == place + 1 && %w[maker series].include?(asked.id))

          candidate(place, ending, [reading(asked, { value: text }, place, ending)], cost: Costs::RULE + 1, strong: true)
        end

        def typed?(place)
          return false if lattice.separator?(place) || tokens[place].spelled_out

          pieces = lattice.phrases_at(place).select { |piece| piece.slip.zero? }
          tokens[place].text.size == 1 || tokens[place].glued || pieces.none? do |piece|
            piece.noun? || piece.says(:gaps) || piece.areas.any? || piece.values.any? || piece.says(:filler) || piece.says(:not)
          end
        end
      end
    end
  end
end
