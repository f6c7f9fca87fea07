# frozen_string_literal: true

require_relative "../0_quantities/units"
require_relative "costs"
require_relative "path"

module Gimlet::Core
  module Ear
    # The cheapest set of candidates without overlaps over a whole line, and those that cost little more: dynamic programming from left to right,
    # a few explanations being followed at each token. Candidates have a bounded reach, so time is linear in the line.
    class Chooser
      # @param lattice [Lattice]
      # @param rules [Array<#call>] each answers the candidates that begin at a token
      # @param earlier [Array<Candidate>] what the line before said
      def initialize(lattice, rules, earlier = [])
        @lattice = lattice
        @rules = rules
        @earlier = earlier
      end

      # @return [Array<Path>] the best first, then those within Costs::NEAR of it
      def call
        paths = Array.new(@lattice.size + 1) { [] }
        paths[0] << @earlier.reduce(Path.start) { |path, candidate| path.after(candidate) }
        @lattice.size.times do |place|
          go_on(paths, place, best(paths[place], &:cost))
          paths[place] = nil
        end
        ends = best(paths[@lattice.size], &:total)
        ends.take_while { |path| path.total - ends.first.total <= Costs::NEAR }
      end

      private

      # The cheapest of those that say different things; what costs far more is not followed.
      def best(paths, &)
        return paths if paths.size < 2

        sorted = paths.sort_by(&).uniq(&:key)
        most = yield(sorted.first) + Costs::FOLLOWED
        sorted.first(Costs::BEAM).take_while { |path| yield(path) <= most }
      end

      def go_on(paths, place, open)
        return if open.empty?

        skips = skips(place)
        closes = @lattice.separator?(place)
        candidates = closes ? [] : proposed(place)
        open.each do |path|
          skips.each { |ending, cost, strange, content| paths[ending] << path.passing(cost, strange, content, closes) }
          candidates.each { |candidate, left, key| take(paths, path, candidate, left, key) }
        end
      end

      # @return [Array<Array(Candidate, Float, Integer)>] with what their unexplained words cost, and their keys
      def proposed(place)
        @rules.flat_map { |rule| rule.call(place) }.map { |candidate| [candidate, left(candidate), candidate.key] }
      end

      def take(paths, path, candidate, left, key)
        if candidate.settle
          candidate = candidate.settle.call(path) or return
          key = candidate.key
        end
        paths[candidate.to] << path.taking(candidate, left, key)
      end

      # Words inside that are not explained cost what they cost outside.
      def left(candidate) = (candidate.left || []).sum { |place| skips(place).last[1] }

      # @return [Array<Array(Integer, Float, Integer, Integer)>] where passing over a word or phrase here ends, what it costs, and whether it is
      #   unknown
      #   and content
      def skips(place)
        @skips ||= []
        @skips[place] ||= phrases_passed(place) << [place + 1, *weight(place)]
      end

      def phrases_passed(place)
        @lattice.phrases_at(place).select { |piece| piece.to > place + 1 && piece.slip.zero? }
                .map { |piece| [piece.to, *(piece.says(:hedge) ? [Costs::FILLER, 0, 0] : weight_of([piece]))] } + figures_passed(place)
      end

      # "20 mm" is one thing that was not understood.
      def figures_passed(place)
        longest = @lattice.figures_at(place).max_by(&:to)
        longest && longest.to > place + 1 ? [[longest.to, Costs::FIGURE, 1, 1]] : []
      end

      def weight(place)
        return [0.0, 0, 0] if @lattice.separator?(place)
        return [Units.symbol(@lattice.tokens[place].text) ? Costs::SMALL : 0.0, 0, 0] if @lattice.mark?(place)

        pieces = @lattice.phrases_at(place).select { |piece| piece.to == place + 1 && piece.slip.zero? }
        return [Costs::FILLER, 0, 0] if pieces.any? { |piece| piece.says(:filler) }
        return [Costs::FIGURE, 1, 1] if @lattice.tokens[place].figure
        return [Costs::NAME, 1, 1] if @lattice.names_at(place).any? { |piece| piece.slip.zero? }

        weight_of(pieces)
      end

      def weight_of(pieces)
        return [Costs::FILLER, 0, 0] if pieces.any? { |piece| piece.says(:filler) }
        return [Costs::UNKNOWN, 1, 1] if pieces.empty?
        return [Costs::VALUE, 0, 1] if pieces.any? { |piece| piece.meaning.key?(:values) }
        return [Costs::NOUN, 0, 1] if pieces.any? { |piece| piece.noun? || piece.areas.any? }
        return [Costs::NOUN, 1, 1] if pieces.any? { |piece| piece.says(:things) }

        small?(pieces) ? [Costs::SMALL, 0, 0] : [Costs::UNKNOWN, 1, 1]
      end

      SMALL = %i[not instead except request hedge every some pumps sets seen past tool held place bound axis slot subject when against].freeze
      private_constant :SMALL

      def small?(pieces) = pieces.any? { |piece| SMALL.any? { |small| piece.says(small) } }
    end
  end
end
