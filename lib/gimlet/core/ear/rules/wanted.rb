# frozen_string_literal: true

require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # Work that is asked for: "wants packings and inlet valves", "just the delivery valves", "everything bar the plungers", "packings, no
      # plungers", "leave the valves", "two pumps". A noun that nothing asks for is no order, unless it is all there is.
      class Wanted < Rule
        # A noun that is a thing to look at first, and work only where nothing else is said.
        BARE = 1.0
        LOOKED_AT = 1.8
        AND = %w[and n plus & + also].freeze
        # So many words may stand between the request and what is requested.
        ADJECTIVES = 3
        DONE = %w[done replaced changed renewed].freeze
        # One more piece of work in a list.
        ALSO = 0.3
        KIT = /\b(?:kit|set|rebuild|overhaul|service)s?\b/i

        def call(place)
          asked_for(place) + bare(place) + left_out(place) + pumps(place)
        end

        private

        def areas(place) = place < lattice.size ? lattice.phrases_at(place).select { |piece| piece.areas.any? } : NONE

        def asked_for(place)
          says(place, :request).flat_map do |request|
            from = skip_comma(skip_more(request.to))
            (0..ADJECTIVES).flat_map do |count|
              at = from + count
              next NONE if at >= lattice.size || (count.positive? && lattice.separator?(at - 1))

              areas(at).first(2).flat_map { |piece| lists(piece).map { |run| requested(place, run, (from...at).to_a) } }
            end
          end
        end

        # "he'll do the valves himself" asks for nothing.
        def requested(place, run, left)
          at = skip(run.last.to)
          own = (at < lattice.size ? says(at, :himself).first : nil)
          own ? aside(place, own.to, "They do that themselves.") : made(place, run, left: left, strong: true)
        end

        # "could do with changing the", "needs new"
        def skip_more(place)
          loop do
            place = skip(place)
            more = place < lattice.size && says(place, :request).first or return place
            place = more.to
          end
        end

        def bare(place)
          return NONE if place.positive? && says(place - 1, :not).any?

          areas(place).flat_map do |piece|
            lists(piece).map do |run|
              sold = run.any? { |one| lattice.words(one.from, one.to).match?(KIT) } || run.sum { |one| one.areas.size } > 2
              looked = run.any?(&:noun?) && run.size == 1 ? LOOKED_AT : 0
              made(place, run, cost: Costs::RULE + (sold ? 0.5 : BARE + looked), weak: sold ? 2 : Costs::WEAK + 1, strong: sold, bare: true)
            end
          end
        end

        # @return [Array<Array<Piece>>] a piece of work, and with those that follow it: "packings, valves and oil seals"
        def lists(piece, asking: true)
          runs = [[piece]]
          while runs.size < 6
            at = after_and(runs.last.last.to, asking) or return runs
            following = areas(at).find { |one| goes_on?(one, runs.last) } or return runs
            runs << [*runs.last, following]
          end
          runs
        end

        def goes_on?(piece, run)
          piece.slip.zero? && !denied?(piece.from) && !sound?(piece.to) && !run.flat_map(&:areas).intersect?(piece.areas)
        end

        # "change the packings, valves look ok"
        def sound?(place)
          place += 1 while place < lattice.size && lattice.idle?(place) && says(place, :past).empty? && !lattice.separator?(place)
          place += says(place, :hedge).first.size_in_tokens if says(place, :hedge).any?
          says(place, :past).any? && !DONE.include?(norm(place))
        end

        def skip_but_and(place)
          place += 1 while place < lattice.size && !AND.include?(norm(place)) && !lattice.separator?(place) && lattice.idle?(place)
          place
        end

        def denied?(place) = says(place, :not).any? || says(place, :except).any?

        # @return [Integer, nil] past "and" or a comma; nil where there is none
        def after_and(place, asking)
          linked = place = skip_but_and(place)
          place += 1 while place < lattice.size && (AND.include?(norm(place)) || tokens[place].text == ",")
          return if place == linked || (!asking && (linked...place).none? { |at| AND.include?(norm(at)) })

          place = skip(place)
          more = place < lattice.size ? says(place, :request).first : nil
          asks = more || (linked...place).any? { |at| says(at, :request).any? }
          return if asks && !asking

          skip(more ? more.to : place)
        end

        def made(place, run, cost: Costs::RULE, left: NONE, **more)
          cost += run.sum(&:slip) + (ALSO * (run.size - 1))
          candidate(place, done(run.last.to), [{ areas: run.flat_map(&:areas).uniq, from: run.first.from, to: run.last.to }],
                    cost: cost, left: left, told: run, **more)
        end

        # "valves replaced", "packings now please"
        def done(place)
          at = skip(place)
          past = at < lattice.size && says(at, :past).find { |piece| DONE.include?(norm(piece.from)) }
          past ? past.to : place
        end

        # "everything except the plungers", "packings, no plungers", "leave the valves"
        def left_out(place)
          (says(place, :except) + says(place, :not)).flat_map { |small| leaving(place, small) } + all_but(place) + refused(place)
        end

        def leaving(place, small, **more)
          at = skip_more(small.to)
          areas(at).first(1).flat_map do |piece|
            # "not the packings, the oil seals" asks for those.
            runs = small.says(:except) ? lists(piece, asking: false) : [[piece]]
            runs.map { |run| except(place, run, small, **more) }
          end
        end

        # "all except the plungers"
        def all_but(place)
          return NONE unless norm(place) == "all"

          everything = vocabulary.work.map(&:areas).max_by(&:size)
          says(place + 1, :except).flat_map { |small| leaving(place, small, areas: everything) }
        end

        # "plungers no, packings yes", "valves not needed"
        def refused(place)
          areas(place).flat_map do |piece|
            says(skip(piece.to), :not).filter_map do |no|
              ending = norm(no.from) == "no" ? no.to : says(no.to, :request).first&.to
              except(place, [piece], no).with(to: ending) if ending && closed?(ending)
            end
          end
        end

        def closed?(place) = place >= lattice.size || lattice.separator?(place)

        def except(place, run, small, **more)
          item = { **more, except: run.flat_map(&:areas).uniq, from: place, to: run.last.to }
          candidate(place, run.last.to, [item], told: run, strong: small.says(:except))
        end

        def pumps(place)
          both = says(place, :every).select { |piece| norm(piece.from) == "both" }
          made = both.flat_map { |piece| counted(place, piece.to, 2) }
          made + lattice.figures_at(place).select do |piece|
            piece.whole? && piece.figure.between?(1, 99)
          end.flat_map { |count| counted(place, count.to, count.figure.to_i) }
        end

        def counted(place, at, count)
          (at < lattice.size ? says(at, :pumps) + says(at, :sets) : NONE).map do |noun|
            candidate(place, noun.to, [{ pumps: count, from: place, to: noun.to }], weak: 2)
          end
        end
      end
    end
  end
end
