# frozen_string_literal: true

require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # What puts right what was said before: "brass head, sorry, stainless", "six head bolts, no, eight", "inlet valves, sorry, outlet valves",
      # "inlet half inch, no that's the outlet", "black cover, not black, dark blue". A bare figure or value is of what was spoken of.
      class Corrected < Rule
        COST = Costs::RULE - 0.2
        # A word that only opens what is put right.
        OPENING = 0.4
        THAT = %w[thats that].freeze
        COMMA = 0.2
        OR = %w[or nor].freeze

        def call(place)
          opened(place) + denied(place) + following(place)
        end

        private

        # Whether anything may be denied in the line or was in the one before.
        def prepare
          @denies = tokens.each_index.any? { |place| says(place, :not).any? }
        end

        def opened(place)
          says(place, :instead).reject { |small| small.to == place + 1 && norm(place) == "no" && !apart?(place) }.flat_map do |small|
            at = skip_comma(small.to)
            [opening(small), *(at < lattice.size ? bare(place, at) : NONE), *(at < lattice.size ? other_noun(place, small.to) : NONE)]
          end
        end

        # "pump no 4512" puts nothing right.
        def apart?(place) = place.zero? || lattice.mark?(place - 1)

        # The rest is said in full: "ten bolts, sorry, twelve bolts".
        def opening(small)
          made = aside(small.from, small.to, cost: OPENING).with(instead: true)
          made.with(settle: ->(path) { made if path.last(&:says?) })
        end

        # "no, eight"
        def bare(place, at)
          said(at).map { |piece| settled(place, piece) { |one| of_the_same(one, piece, place, instead: true) } } +
            (plain_no?(place, at) ? NONE : areas(at)).map { |piece| settled(place, piece) { |one| other_work(one, piece, place) } }
        end

        # "full rebuild, no inlet valves" leaves them out.
        def plain_no?(place, at) = norm(place) == "no" && skip(place + 1) == at

        def said(at) = pieces(at).select { |piece| piece.modifier? || piece.name || piece.text }
        def areas(at) = pieces(at).select { |piece| piece.areas.any? }

        def settled(place, piece, &made)
          candidate(place, piece.to, NONE).with(settle: ->(path) { path.last { |one| made.call(one) if one.says? } })
        end

        def of_the_same(one, piece, place, instead: nil, denied: nil)
          id = one.traits.last or return
          told = hear(trait(id), piece) or return
          return if denied && told[:range]
          return if id == "plate" && piece.size_in_tokens == 1 && piece.text && @names.near(piece.text).nil? && piece.name.nil?

          item = reading(trait(id), told, place, piece.to, denied: denied)
          candidate(place, piece.to, [item], cost: COST + piece.slip, told: [piece], instead: instead && one, strong: true)
        end

        def hear(trait, piece)
          return { value: piece.name.last } if piece.name && piece.name.first == trait.id
          return { value: piece.text } if trait.kind.free? && piece.text && !piece.figures? && !piece.name
          return if piece.unit && !trait.kind.with_unit?(trait) && !piece.key
          return if trait.unit && piece.unit && Units::KIND_OF[piece.unit] != Units::KIND_OF[trait.unit]

          trait.kind.hear(trait, piece)
        end

        def other_work(one, piece, place)
          return unless one.items.any? { |item| item[:areas] }

          candidate(place, piece.to, [{ areas: piece.areas, from: place, to: piece.to }], cost: COST + piece.slip, told: [piece], instead: one,
                                                                                          strong: true)
        end

        # "no that's the outlet": what was said is of another trait.
        def other_noun(place, at)
          at += 1 while at < lattice.size && lattice.mark?(at) && !lattice.separator?(at)
          # "three caps, I mean plungers"
          return NONE unless THAT.include?(norm(at)) || norm(place) != "no"

          at = skip(THAT.include?(norm(at)) ? at + 1 : at)
          (at < lattice.size ? lattice.phrases_at(at).select { |piece| piece.noun? && piece.slip.zero? } : NONE).map do |noun|
            settled(place, noun) { |one| moved(one, noun, place) }
          end
        end

        def moved(one, noun, place)
          piece = one.told&.last or return
          other = noun.nouns.map { |id| trait(id) }.find { |trait| trait.id != one.traits.last && hear(trait, piece) } or return
          item = reading(other, hear(other, piece), place, noun.to)
          candidate(place, noun.to, [item], cost: COST, told: [piece], instead: one, strong: true)
        end

        # "not black" of what was just spoken of
        def denied(place)
          says(place, :not).flat_map do |no|
            denied = behind(no).flat_map { |at| at < lattice.size ? said(at) : NONE }.reject(&:noun?)
            denied.map { |piece| settled(place, piece) { |one| of_the_same(one, piece, place, denied: true) } }
          end
        end

        # "..., dark blue" and "..., 6" behind what was denied
        def following(place)
          return NONE if place.zero? || !@denies

          said(place).select { |piece| piece.unit.nil? || piece.figure }.map do |piece|
            candidate(place, piece.to, NONE).with(settle: lambda { |path|
              path.last(&:says?) && path.last do |one|
                one.says? && behind_denied(one, piece, place)
              end
            })
          end
        end

        # "not blue or green" denies both.
        def behind_denied(one, piece, place)
          return false unless denied?(one)

          made = of_the_same(one, piece, place, denied: OR.include?(norm(place - 1)) || nil)
          made ? made.with(cost: COST + COMMA) : false
        end

        def denied?(one) = one.items.last&.dig(:readings, -1, :denied)
      end
    end
  end
end
