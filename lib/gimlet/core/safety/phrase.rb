# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  module Safety
    # Groups of words, all of which stand close together in one sentence, in any order; a group behind "!" is one none of which is said there
    # (data/vocabulary/hazards.yml).
    #
    #   Phrase.new("@clothes hole|pinhole !saw", "clothes" => %w[glove gloves]).at(meant)
    #   # => [1, 3]; `meant` are the words of phrases that each word of the sentence may be
    class Phrase
      # So many words may stand between, and one more for each group.
      BETWEEN = 5

      # @param text [String]
      # @param names [Hash{String=>Array<String>}] names for many words
      # @raise [KeyError] for a name that is not there
      def initialize(text, names)
        unwanted, wanted = text.split.partition { |group| group.start_with?("!") }
        @groups = wanted.map { |group| runs(group, names) }
        @unless = unwanted.map { |group| runs(group.delete_prefix("!"), names) }
        freeze
      end

      # @return [Boolean] whether so much must be said that an "and" may stand between
      def long? = @groups.size > 2

      # @return [Array<String>] every word of it, with its star
      def words = (@groups + @unless).flat_map(&:values).flatten

      # @param meant [Array<Array<String>>] of each word in one sentence, the words of phrases that it may be
      # @return [Array<Integer>, nil] the places of its words, in order; nil where it does not say so
      def at(meant)
        return unless @groups.all? { |group| meant.any? { |words| words.any? { |word| group.key?(word) } } }

        found = @groups.map { |group| places(group, meant) }
        closest(found) unless found.any?(&:empty?) || @unless.any? { |group| places(group, meant).any? }
      end

      private

      # A group's runs of words, by the first word of each.
      def runs(group, names)
        group.split("|").flat_map { |one| one.start_with?("@") ? names.fetch(one.delete_prefix("@")) : [one] }
             .map { |run| run.split("_") }.group_by(&:first)
      end

      # @return [Array<Array<Integer>>] runs of words that stand for the group
      def places(group, meant)
        found = []
        meant.each_with_index do |words, at|
          words.each { |word| group[word]&.each { |run| found << (at...(at + run.size)).to_a if follows?(run, meant, at) } }
        end
        found.uniq
      end

      def follows?(run, meant, at) = run.each_with_index.all? { |word, step| meant[at + step]&.include?(word) }

      # One run for each group, no word for two of them, as close together as may be.
      def closest(found)
        reach = found.size + BETWEEN
        found.first.flat_map { |run| chains(found.drop(1), run, reach) }.min_by { |places| places.max - places.min }&.sort
      end

      def chains(rest, taken, reach)
        return [taken] if rest.empty?

        rest.first.reject { |run| run.intersect?(taken) }.flat_map do |run|
          both = taken + run
          both.max - both.min < reach + both.size ? chains(rest.drop(1), both, reach) : []
        end
      end
    end
  end
end
