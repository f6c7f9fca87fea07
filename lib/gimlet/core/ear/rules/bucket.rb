# frozen_string_literal: true

require_relative "../../0_quantities/units"
require_relative "../../plain"
require_relative "rule"

module Gimlet::Core
  module Ear
    module Rules
      # A bucket and a watch: "bucket 20 litres in 85 seconds, nozzle 045, 140 bar", "takes a minute and a half to fill 20 litres", "bucket 20 l
      # in 85, supply 20 l in 60 s".
      class Bucket < Rule
        LITRES = { "L" => 1, "US gal" => Units::GALLON_L }.freeze
        SECONDS = { "s" => 1, "sec" => 1, "second" => 1, "min" => 60, "minute" => 60 }.freeze
        SPENT = %w[in take took taken needs].freeze
        FILLS = %w[bucket fill filled filling fills drum barrel container churn tub jerrycan].freeze
        FEED = %w[feed supply tap inlet mains].freeze
        RATED = %w[rated should ought nominal].freeze
        AGAINST = %w[instead rather not should ought of].freeze
        REACH = 40
        NEAR = 5

        def call(place)
          return NONE unless begins?(place)

          @told, @at, @volume, @spent, @ends = {}, place, nil, nil, nil
          @fills = false
          read(place)
          [made(place)].compact
        end

        private

        def begins?(place)
          return true if FILLS.include?(norm(place)) || (SPENT.include?(norm(place)) && (duration(place + 1) || duration(skip(place + 1))))

          return bucket_near?(place) if duration(place) && (place...(place + NEAR + 2)).any? { |at| volume(at) }

          (volume(place) || norm(place + 1) == "nozzle" || norm(place) == "nozzle") && bucket_near?(place)
        end

        def bucket_near?(place) = (place...(place + 12)).any? { |at| FILLS.include?(norm(at)) } || (volume(place) && spent_behind?(place))

        def spent_behind?(place)
          at = skip(volume(place).to)
          duration(at) || (duration(skip(at + 1)) if SPENT.include?(norm(at)))
        end

        def read(place)
          at = place
          while at < lattice.size && at - place < REACH
            following = step(at) or break
            at = following
          end
        end

        # @return [Integer, nil] past what is of the measurement here
        def step(at)
          return at + 1 if lattice.separator?(at) && !lattice.stop?(at)
          return fills(at) if FILLS.include?(norm(at))

          supply(at) || rated(at) || nozzle(at) || litres(at) || time(at) || pressure(at) || turns(at) || small(at)
        end

        def fills(at)
          @fills = true
          @ends = at + 1 if complete?
          at + 1
        end

        def small(at)
          return at + 1 if (lattice.mark?(at) && !lattice.separator?(at)) || %w[at the with gun lance gauge shaft pump test turn runs
                                                                                turns].include?(norm(at))

          says(at, :filler).first&.to || says(at, :hedge).first&.to
        end

        def volume(place) = place < lattice.size ? lattice.figures_at(place).find { |piece| LITRES[piece.unit] && !piece.alien } : nil

        def litres(at)
          return if @volume

          @volume = volume(at) or return
          ended(@volume.to)
        end

        def time(at)
          return if @spent

          found = duration(at) || (bare_seconds(at) if @volume)
          return unless found

          @spent, ending = found
          ended(ending)
        end

        def ended(ending)
          @ends = ending
        end

        # "85" behind "20 l in"
        def bare_seconds(at)
          return unless SPENT.include?(norm(at - 1))

          lattice.figures_at(at).find(&:whole?)&.then { |piece| [piece.figure, piece.to] }
        end

        # @return [Array(Rational, Integer), nil] seconds and where they end: "85 s", "1 min 25", "a minute and a half", "2 minutes ten"
        def duration(place)
          return if place >= lattice.size
          return clock(place) if tokens[place].figure && tokens[place + 1]&.text == ":"

          count, at = number(place)
          unit = (SECONDS[norm(at)] if count) or return
          return [count * unit, at + 1] if unit == 1

          more(count * unit, at + 1)
        end

        # "1:25"
        def clock(place)
          seconds = tokens[place + 2]
          return unless seconds&.glued && seconds.text.match?(/\A[0-5]\d\z/)

          [(tokens[place].figure * 60) + seconds.figure, place + 3]
        end

        def number(place)
          return [1r / 2, place + 2] if norm(place) == "half" && norm(place + 1) == "a"

          return [1r, place + 1] if %w[a an].include?(norm(place)) && SECONDS[norm(place + 1)]

          found = NumberWords.at(tokens, place)
          [found.value, place + found.length] if found
        end

        def more(seconds, at)
          linked = norm(at) == "and" ? at + 1 : at
          count, share = linked > at ? NumberWords.share(tokens, linked) : nil
          return [seconds + (share * 60), linked + count] if count

          found = linked < lattice.size && NumberWords.at(tokens, linked)
          return [seconds, at] unless found && found.value < 60 && !lattice.separator?(linked) && !volume(linked)

          ending = linked + found.length
          unless SECONDS[norm(ending)] == 1 || linked > at || ending >= lattice.size || lattice.separator?(ending) || norm(ending) == "for"
            return [seconds,
                    at]
          end

          [seconds + found.value, SECONDS[norm(ending)] == 1 ? ending + 1 : ending]
        end

        # "supply 25", "feed alone gives 9 litres a minute", "supply 20 l in 60 s"
        def supply(at) = FEED.include?(norm(at)) ? flow("supply", at + 1) : nil
        def rated(at) = RATED.include?(norm(at)) ? flow("rated", at + 1) : nil

        def flow(name, at)
          place = (at...[at + NEAR, lattice.size].min).find { |there| lattice.figures_at(there).any? } or return
          return if (at...place).any? { |there| lattice.separator?(there) }

          timed(name, place) || plain_flow(name, place)
        end

        def timed(name, place)
          litres = volume(place) or return
          at = skip(litres.to)
          at = skip(at + 1) if SPENT.include?(norm(at))
          seconds, ending = duration(at)
          return unless seconds&.positive?

          @told[name] = Plain.number((litres.figure * LITRES[litres.unit] * 60 / seconds).round(2))
          ended(ending)
        end

        def plain_flow(name, place)
          piece = lattice.figures_at(place).find { |one| one.unit.nil? || LITRES[one.unit] || Units::KIND_OF[one.unit] == :flow } or return
          gallons = ["US gal", "US gpm"].include?(piece.unit)
          @told[name] = [text(piece), ("gpm" if gallons)].compact.join(" ")
          ended(piece.to)
        end

        def nozzle(at)
          if norm(at) == "nozzle"
            place = ((at + 1)...[at + 4, lattice.size].min).find { |there| tokens[there].figure } or return
            @told["nozzle"] = tokens[place].text
            return ended(place + 1)
          end
          return unless tokens[at].figure && norm(at + 1) == "nozzle"

          @told["nozzle"] = tokens[at].text
          ended(at + 2)
        end

        def pressure(at)
          piece = lattice.figures_at(at).find { |one| Units::KIND_OF[one.unit] == :pressure } or return
          @told["pressure"] = "#{text(piece)} #{piece.unit}"
          ended(piece.to)
        end

        def turns(at)
          piece = lattice.figures_at(at).find { |one| one.unit == "rpm" } or return
          @told["turns"] = text(piece)
          instead = rated_turns(piece.to)
          ended(instead || piece.to)
        end

        # "1160 rpm instead of 1450"
        def rated_turns(at)
          return unless AGAINST.include?(norm(at))

          place = (at...[at + 4, lattice.size].min).find { |there| tokens[there].figure } or return
          piece = lattice.figures_at(place).first
          @told["rated_turns"] = Plain.number(piece.figure)
          piece.to
        end

        def text(piece) = tokens[piece.from].figure && piece.text ? piece.text : Plain.number(piece.figure)
        def complete? = @volume && @spent

        def made(place)
          return unless complete? && @spent.positive?

          litres = @volume.unit == "L" ? text(@volume) : Plain.number((@volume.figure * LITRES[@volume.unit]).round(2))
          bucket = { "litres" => litres, "seconds" => Plain.number(@spent), **@told }
          measure = { "what" => "flow", "measure" => { "bucket" => bucket } }
          candidate(place, @ends, [{ measure: measure, from: place, to: @ends }], weak: @fills ? 0 : 1)
        end
      end
    end
  end
end
