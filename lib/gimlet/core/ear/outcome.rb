# frozen_string_literal: true

require_relative "../0_quantities/units"
require_relative "parse_result"

module Gimlet::Core
  module Ear
    # From the explanations that the chooser found to what was heard: items, choices where two are near, and the words that nothing was made of.
    class Outcome
      # @param lattice [Lattice]
      # @param many [Array<String>] traits that may have several values: numbers on old bags
      # @param signs [SignsHeard]
      def initialize(lattice, many, signs)
        @lattice = lattice
        @many = many
        @signs = signs
      end

      # @param paths [Array<Path>] the best first
      # @return [ParseResult]
      def call(paths)
        chosen, @strikes = put_right(paths.first.candidates)
        chosen, doubted = at_odds(chosen)
        choices = doubted + choices(chosen, paths.drop(1).map { |path| put_right(path.candidates).first })
        offered = choices.flat_map { |choice| choice[:of] }
        heard = chosen.reject { |candidate| offered.include?(candidate) }
        gone = @strikes.values.flatten.reject(&:earlier)
        with_signs(heard.flat_map { |candidate| items(candidate) }, choices.map { |choice| choice[:made] }, unheard(chosen, gone))
      end

      private

      # What is heard of signs was heard.
      def with_signs(told, choices, unheard)
        signs = @signs.call(@lattice, told).map { |one| sign(one) }
        left = unheard.reject { |words| signs.any? { |one| one.from <= words.from && one.to >= words.to } }
        ParseResult.new(items: (told + signs).sort_by(&:from).freeze, choices: choices.freeze, unheard: left.freeze)
      end

      def sign(heard)
        Item.new(sign: heard.sign, absent: heard.absent, from: @lattice.tokens[heard.from].from, to: @lattice.tokens[heard.to - 1].to)
      end

      # Two values of one trait, with nothing that puts the one right: which is it?
      # @return [Array(Array<Candidate>, Array<Hash>)] what counts, and the choices
      def at_odds(chosen)
        single = chosen.select { |candidate| candidate.traits.size == 1 && candidate.contents.size == 1 && plain?(candidate) }
        pair = single.group_by(&:traits).except(*@many.map { |id| [id] }).each_value.lazy.map do |all|
          all.uniq do |one|
            value(one)
          end.first(2)
        end.find { |two| two.size == 2 }
        [chosen, pair ? [{ of: pair, made: choice(pair.first(1), pair.last(1)) }] : []]
      end

      def plain?(candidate) = candidate.contents.first.last.then { |fields| !fields[:denied] && !fields[:unknown] }
      def value(candidate) = candidate.contents.first.last.values_at(:value, :range)

      # What was said before a word like "sorry" counts no more where the same is said behind it.
      # @return [Array(Array<Candidate>, Hash)] what counts, and what each of it strikes out of the line before
      def put_right(candidates)
        pending = false
        strikes = Hash.new { |all, key| all[key] = [] }.compare_by_identity
        kept = candidates.each_with_object([]) do |candidate, all|
          gone = denied(all, candidate)
          if candidate.instead == true then pending = true
          elsif candidate.instead then gone << candidate.instead
          elsif pending && candidate.says?
            gone += replaced(all, candidate)
            pending = false
          end
          all.delete_if { |one| gone.any? { |other| one.equal?(other) } }
          strikes[candidate] = gone
          all << candidate
        end
        [known(kept.reject(&:earlier)), strikes]
      end

      # "no idea, three?": a value counts, not that it was not known.
      def known(kept)
        told = kept.reject { |one| unknown?(one) }.flat_map(&:traits)
        kept.reject { |one| unknown?(one) && (one.traits - told).empty? }
      end

      def unknown?(candidate) = candidate.traits.any? && candidate.contents.all? { |_, fields| fields&.fetch(:unknown, nil) }

      # "black cover, not black": what is denied was not said before.
      def denied(kept, candidate)
        contents = candidate.contents.select { |_, fields| fields&.fetch(:denied, nil) }.map { |said, fields| [said, fields.except(:denied)] }
        kept.select { |one| contents.any? && one.contents.size == 1 && contents.include?(one.contents.first) }
      end

      def replaced(kept, candidate)
        kept.select do |one|
          one.traits.intersect?(candidate.traits) || (one.work? && candidate.work?) || (one.items.any? do |item|
            item[:pumps]
          end && candidate.items.any? do |item|
                   item[:pumps]
                 end)
        end
      end

      # Where another explanation says something else of the same words.
      def choices(chosen, others)
        others.each_with_object([]) do |other, found|
          one, two = differing(chosen, other)
          next if one.empty? || two.empty? || !overlap?(one, two) || within?(two, one)

          same = found.find { |choice| overlap?(choice[:of], one) }
          same ? same[:made] = with_option(same, one, two) : found << { of: one, made: choice(one, two) }
        end
      end

      # @return [Array(Array<Candidate>, Array<Candidate>)] what only the one says, and what only the other
      def differing(chosen, other)
        said = [chosen, other].map { |candidates| candidates.select(&:says?) }
        contents = said.map { |candidates| candidates.flat_map { |one| contents_of(one) } }
        said.each_with_index.map { |candidates, at| (candidates - said[1 - at]).reject { |one| (contents_of(one) - contents[1 - at]).empty? } }
      end

      # The same kind of thing made of fewer words is no other meaning.
      def within?(two, one)
        one.map(&:rule) == two.map(&:rule) && span(two) != span(one) && span(one).first <= span(two).first && span(one).last >= span(two).last
      end

      def span(candidates) = [candidates.map(&:from).min, candidates.map(&:to).max]

      def contents_of(candidate) = (@contents ||= {}.compare_by_identity)[candidate] ||= candidate.contents

      def overlap?(one, two) = one.any? { |a| two.any? { |b| a.from < b.to && b.from < a.to } }

      def choice(one, two)
        all = one + two
        from, to = all.map(&:from).min, all.map(&:to).max
        options = [one, two].map { |option| option.flat_map { |candidate| items(candidate) } }
        Choice.new(words: @lattice.words(from, to), options: options, from: @lattice.tokens[from].from, to: @lattice.tokens[to - 1].to)
      end

      def with_option(same, one, two)
        return same[:made] unless same[:of] == one

        option = two.flat_map { |candidate| items(candidate) }
        known = same[:made].options.any? { |items| contents(items) == contents(option) }
        known ? same[:made] : same[:made].with(options: [*same[:made].options, option])
      end

      def contents(items) = items.map { |item| [item.readings&.map { |fields| fields.except(:heard) }, item.to_h.except(:readings, :from, :to)] }

      def items(candidate)
        gone = @strikes.fetch(candidate, [])
        instead = (words_of(gone.first) if gone.any? && candidate.contents.none? { |_, fields| fields&.fetch(:denied, nil) })
        strikes = gone.filter_map(&:earlier).then { |all| all.empty? ? nil : all }
        candidate.items.flat_map do |item|
          readings = item[:readings] || [nil]
          shown = item.merge(from: @lattice.tokens[item[:from]].from, to: @lattice.tokens[item[:to] - 1].to, instead: instead, strikes: strikes)
          readings == [nil] || item[:measure] ? [Item.new(**shown)] : readings.map { |fields| Item.new(**shown, readings: [fields]) }
        end
      end

      def words_of(other)
        other.earlier ? other.items.first[:readings]&.first&.fetch(:heard, nil) : @lattice.words(other.from, other.to)
      end

      # Words that nothing was made of, side by side.
      def unheard(chosen, gone)
        explained = explained(chosen + gone)
        said = chosen.select(&:says?).to_h { |candidate| [@lattice.clause(candidate.from), true] }
        aside = chosen.select(&:note).flat_map { |candidate| (candidate.from...candidate.to).to_a }.to_h { |place| [place, true] }
        left = (0...@lattice.size).reject { |place| explained[place] || @lattice.separator?(place) || (!aside[place] && passed_over?(place, said)) }
        runs(left, explained).map do |run|
          from, to = run.first, run.last + 1
          Unheard.new(words: @lattice.words(from, to), note: note(run, chosen), from: @lattice.tokens[from].from, to: @lattice.tokens[to - 1].to)
        end
      end

      def explained(chosen)
        chosen.select { |candidate| candidate.says? || candidate.instead || candidate.quiet }.each_with_object({}) do |candidate, all|
          (candidate.from...candidate.to).each { |place| all[place] = true unless candidate.left&.include?(place) }
        end
      end

      def runs(left, explained)
        left.slice_when { |one, two| ((one + 1)...two).any? { |place| explained[place] || @lattice.separator?(place) } || @lattice.separator?(two) }
      end

      PASSED = %i[hedge every some tool sets request instead].freeze
      BESIDE = %i[nouns areas damage subject place when].freeze
      private_constant :PASSED, :BESIDE

      # A small word, or a noun that only says what the rest of its clause was about.
      def passed_over?(place, said)
        return true if @lattice.idle?(place)
        return false if @lattice.tokens[place].figure
        return true if @lattice.tokens[place].norm == "one" || PASSED.any? { |small| @lattice.says(place, small).any? }

        said[@lattice.clause(place)] && BESIDE.any? { |small| @lattice.says(place, small).any? }
      end

      def note(run, chosen)
        aside = chosen.find { |candidate| candidate.note && candidate.from <= run.first && candidate.to > run.first }
        return aside.note if aside

        alien = run.lazy.flat_map { |place| @lattice.figures_at(place) }.find(&:alien)
        return alien.alien if alien

        figure = run.lazy.flat_map { |place| @lattice.figures_at(place) }.find(&:unit)
        "#{@lattice.words(figure.from, figure.to)} of what?" if figure && Units::KIND_OF[figure.unit]
      end
    end
  end
end
