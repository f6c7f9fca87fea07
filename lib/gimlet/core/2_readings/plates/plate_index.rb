# frozen_string_literal: true

require_relative "glyph_filter"
require_relative "../likelihoods"
require_relative "plate_match"

module Gimlet::Core
  module Readings
    # Many names, ready for damaged texts: the few that share most glyphs with a text are aligned with it.
    class PlateIndex
      # How far below the best count a name may share glyphs: two whole glyphs, one where runs are missing.
      MARGIN = 4
      RUN_MARGIN = 1
      ENOUGH = 8
      # With more names than this sharing as many glyphs, evenly spaced ones speak for all.
      ALIGNED = 400
      REMEMBERED = 64

      # @return [GlyphFilter]
      attr_reader :filter

      # @param names [Array<String>] plain, by place
      # @param before [PlateIndex, nil] one of nearly the same names
      def initialize(names, before = nil)
        @names = names
        @filter = GlyphFilter.new(names, before&.filter)
        @answers = {}
      end

      # @param text [String] as read
      # @return [Hash{Integer=>Float}] place => log-likelihood of those near the best
      def search(text)
        plain = PlateMatch.plain(text)
        @answers.delete(@answers.first.first) if @answers.size > REMEMBERED
        @answers[plain] ||= aligned(PlateMatch.new(plain))
      end

      private

      def aligned(match)
        near = @filter.best(match.glyphs, margin: match.glyphs.include?("*") ? RUN_MARGIN : MARGIN, enough: ENOUGH)
        few = near.size <= ALIGNED ? near : near.each_slice((near.size / ALIGNED.to_f).ceil).map(&:first)
        found = few.to_h { |place| [place, match.log_likelihood(@names[place])] }
        return found if few.size == near.size

        typical = Math.log(found.values.sum { |score| Math.exp(score) } / found.size)
        near.to_h { |place| [place, found[place] || typical] }
      end
    end

    # The names of every place of a column: a pump's designation with its spellings, or the numbers of its parts.
    class NameIndex
      # @return [PlateIndex]
      attr_reader :index

      # @param values [Array<Array<String>>] by place, nil or empty where nothing is on file
      # @param before [NameIndex, nil] one of nearly the same names
      def initialize(values, before = nil)
        @size = values.count { |names| names && !names.empty? }
        @holders = Hash.new { |all, name| all[name] = [] }
        values.each_with_index { |names, place| Array(names).each { |name| @holders[PlateMatch.plain(name)] << place } }
        @holders.default_proc = nil
        @plain = @holders.keys.freeze
        @index = PlateIndex.new(@plain, before&.index)
        @values = values
      end

      # @return [Hash{Integer=>Float}] place => likelihood of its best name; those far off are left out
      def search(text)
        @index.search(text).each_with_object({}) do |(at, score), best|
          chance = Math.exp(score)
          @holders[@plain[at]].each { |place| best[place] = chance if chance > (best[place] || 0.0) }
        end
      end

      # @return [Array(String, Float), nil] the name nearest to a text, and its log-likelihood
      def nearest(text)
        at, score = @index.search(text).max_by(&:last)
        at && [@plain[at], score]
      end

      # @return [Float] chance that just any pump's name is read so
      def mean(found) = @size.zero? ? 0.0 : found.values.sum / @size

      # @return [Hash] family => chance that some other of its names is read so
      def family_means(found, families)
        @sizes ||= families.tally
        sums = Hash.new(0.0)
        found.each { |place, chance| sums[families[place]] += chance }
        @sizes.to_h { |family, size| [family, sums[family] / size] }
      end

      def readable(text) = text.count("A-Za-z0-9")

      # A pump that no catalogue has carries a name of its own: one glyph or two from those of its siblings, or letters that nobody knows.
      # @param found [Hash] as `search` gives it
      # @return [Float]
      def unheard_of(text, found)
        sibling = found.values.sum { |chance| [chance * Likelihoods::SIBLING_GLYPH, Likelihoods::SIBLING_NAME].min }
        (Likelihoods::KNOWN_SERIES * sibling / [@size, 1].max) + ((1 - Likelihoods::KNOWN_SERIES) * (Likelihoods::CHANCE_GLYPH**readable(text))) +
          (Likelihoods::NO_NAME * mean(found) * Likelihoods::SIBLING_NAME)
      end
    end
  end
end
