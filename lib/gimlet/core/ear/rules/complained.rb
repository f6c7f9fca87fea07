# frozen_string_literal: true

require_relative "../phrase_match"
require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # What callers complain of: the words of a phrase in any order, close together; where and when it shows; and what they say it does not do.
      # "oil dripping off the crankcase", "won't build pressure", "no pressure loss", "the belt does not slip", "grinding even with no pressure",
      # "used to leak oil, now it's water".
      class Complained < Rule
        CIRCUMSTANCE = %w[with even without under].freeze
        DENIED = "Said not to be so."
        BESIDES = "Said of when it shows, not what is wrong."
        BEFORE = "Said to be of before."
        LEAKS = { "water" => "water_leak", "oil" => "oil_leak" }.freeze

        def call(place)
          told(place) + counted(place) + denials(place) + circumstances(place) + before(place) + instead(place)
        end

        private

        # word => phrases that it is in
        def phrases = @setting.complaints

        def told(place)
          found(place).map do |one|
            no = inner_denial(one)
            next aside(one.from, one.to, DENIED, cost: one.cost).with(denies: true) if no

            candidate(one.from, one.to, [{ complaint: one.id, from: one.from, to: one.to }], cost: one.cost, left: unknown(one), strong: true)
          end
        end

        # "one ceramic wobbles": one of them, not the count of them.
        def counted(place)
          lattice.figures_at(place).select(&:whole?).flat_map do |count|
            at = skip(count.to)
            nouns = lattice.phrases_at(at).any?(&:noun?)
            nouns ? told(at).map { |one| one.with(from: place) } : NONE
          end
        end

        def found(place) = (@match ||= PhraseMatch.new(lattice, phrases)).at(place)

        def unknown(one) = ((one.from...one.to).to_a - one.places).reject { |place| known?(place) }

        def known?(place)
          lattice.mark?(place) || lattice.phrases_at(place).any? { |piece| piece.slip.zero? && piece.meaning.any? } || phrases.key?(norm(place))
        end

        # "the belt does not slip"
        def inner_denial(one)
          (one.from...one.to).find { |place| !one.places.include?(place) && says(place, :not).any? }
        end

        # "not leaking", "no oil leaks", "never loses pressure", "no water though"
        def denials(place)
          says(place, :not).flat_map do |no|
            at = skip(no.to)
            next NONE if at >= lattice.size

            phrased = found(at).reject do |one|
              one.places.first == place
            end.map { |one| aside(place, one.to, DENIED, cost: one.cost).with(denies: true) }
            phrased + subject(place, at)
          end
        end

        def subject(place, at)
          says(at, :subject).map do |piece|
            made = aside(place, piece.to, DENIED, cost: Costs::RULE - 0.3)
            made.with(settle: ->(path) { made if path.last { |one| one.items.any? { |item| LEAKS.value?(item[:complaint]) } } })
          end
        end

        # "even with no pressure", "only when it is hot"
        def circumstances(place)
          return NONE unless CIRCUMSTANCE.include?(norm(place))

          at = skip(place + (norm(place + 1) == "with" ? 2 : 1))
          return NONE if at >= lattice.size

          found(at).map { |one| aside(place, one.to, BESIDES, cost: one.cost - 0.2) }
        end

        # "used to leak oil"
        def before(place)
          return NONE unless norm(place) == "used" && norm(place + 1) == "to"

          at = skip(place + 2)
          (at < lattice.size ? found(at) : NONE).map do |one|
            Candidate.new(from: place, to: one.to, items: NONE, cost: one.cost - 0.2, rule: self.class, note: BEFORE, told: [one])
          end
        end

        # "now it's water", where something leaked before
        def instead(place)
          return NONE unless norm(place) == "now"

          at = skip(place + 1)
          id = LEAKS[norm(at)] or return NONE
          made = candidate(place, at + 1, [{ complaint: id, from: place, to: at + 1 }], strong: true)
          [made.with(settle: ->(path) { made if path.last { |one| one.note == BEFORE } })]
        end
      end
    end
  end
end
