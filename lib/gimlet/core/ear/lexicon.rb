# frozen_string_literal: true

require_relative "../0_quantities/units"
require_relative "../2_readings/vocabulary"
require_relative "number_words"
require_relative "spelling"
require_relative "token"

module Gimlet::Core
  module Ear
    # Every word and phrase of the vocabulary and the catalogue, by what it may mean.
    #
    # A meaning is a hash: `nouns` (ids of traits that it names), `values` ({ trait id => value }), `alone` (ids of traits that its
    # value speaks of without a noun), `areas`, and what small words do (`not`, `hedge`, `key` ...).
    class Lexicon
      NOTHING = {}.freeze
      # So many words are not said of anything else.
      TELLING = 3
      # Lists of small words, and tables of them by what they stand for.
      LISTED = %w[unsure absent not instead except request hedge damage every some pumps sets past when times money heat things outside
                  subject aside mine papers ends starts held himself place against short filler].freeze
      TABLES = { "keys" => :key, "threads" => :thread, "tools" => :tool, "slots" => :slot, "wishes" => :wish, "media" => :medium,
                 "bounds" => :bound, "seen" => :seen, "gaps" => :gaps, "spelled" => :letter, "measures" => :axis }.freeze

      # @return [Spelling]
      attr_reader :spelling

      # The values that some pump of a catalogue has, for `new`.
      # @param vocabulary [Readings::Vocabulary]
      # @yield [id] a trait
      # @yieldreturn [Array] its values, nil where a pump has none
      # @return [Hash{String=>Array}] trait id => values
      def self.on_file(vocabulary)
        worded = vocabulary.traits.values.select { |trait| trait.kind.worded? }.map(&:id)
        worded.to_h { |id| [id, yield(id).compact.flatten.uniq] }
      end

      # @param vocabulary [Readings::Vocabulary]
      # @param on_file [Hash{String=>Array}] as `on_file` gives it
      def initialize(vocabulary, on_file = {})
        @vocabulary = vocabulary
        @on_file = on_file
        @meanings = {}
        @openings = {}
        traits(on_file)
        vocabulary.work.each { |row| row.called.each { |phrase| add(phrase, areas: row.areas) } }
        small_words
        @spelling = spelling_of(on_file)
      end

      # @return [Boolean] whether it is one of this vocabulary and these values
      def of?(vocabulary, on_file) = @vocabulary.equal?(vocabulary) && @on_file == on_file

      # @param word [String] the first of a phrase, as Token#norm gives it
      # @return [Integer] how many words a phrase that begins so may have
      def longest(word) = @openings.fetch(word, 0)

      # @param phrase [String] words as Token#norm gives them, with spaces between
      # @return [Hash, nil] what it may mean
      def [](phrase) = @meanings[phrase]

      private

      def traits(on_file)
        @vocabulary.traits.each_value do |trait|
          trait.called.each { |phrase| add(phrase, nouns: [trait.id]) }
          trait.alone.each { |phrase| add(phrase, alone: [trait.id]) }
          trait.values.each { |value, names| [value, *names].each { |name| value(name, trait, value) } }
          # Makers and series are names.
          next unless trait.kind.worded? && !%w[maker series].include?(trait.id)

          (on_file[trait.id] || []).each do |value|
            value(value, trait, value)
            add(value, alone: [trait.id]) if value.to_s.split.size >= TELLING
          end
        end
      end

      def value(phrase, trait, value)
        return if trait.kind.heard_as_figure?(phrase)

        add(phrase, values: { trait.id => value })
      end

      def small_words
        words = @vocabulary.words
        LISTED.each { |kind| (words[kind] || []).each { |phrase| add(phrase, kind.to_sym => true) } }
        TABLES.each { |table, kind| (words[table] || {}).each { |id, names| names.each { |phrase| add(phrase, kind => id) } } }
        (words["foreign"] || {}).each { |phrase, use| add(phrase, foreign: use) }
      end

      # Words of nouns, values and complaints, and makers, may be mistyped; others are only known.
      def spelling_of(on_file)
        makers = (on_file["maker"] || []).flat_map { |name| Tokens.of(name).map(&:norm) }
        telling = @meanings.select { |_, meaning| %i[nouns values areas key].any? { |kind| meaning.key?(kind) } }.keys.flat_map(&:split)
        common = (@vocabulary.words["common"] || []).map { |word| Tokens.norm(word) }
        Spelling.new((telling + makers + complaint_words).uniq,
                     NumberWords::WORDS.keys + common + @meanings.keys.flat_map(&:split) + Units::SPELLINGS.keys)
      end

      def complaint_words
        phrases = @vocabulary.complaints.values.flat_map(&:phrases)
        [*(@vocabulary.words["roles"] || {}).values.flatten, *phrases.flat_map { |phrase| phrase.split(/[ |]/) }].map { |word| Tokens.norm(word) }
      end

      def add(phrase, **meaning)
        spoken = Tokens.of(phrase.to_s).reject(&:mark?).map(&:norm)
        spoken = Tokens.of(phrase.to_s).map(&:norm) if spoken.empty?
        return if spoken.empty?

        @openings[spoken.first] = [@openings.fetch(spoken.first, 0), spoken.size].max
        known = @meanings[spoken.join(" ")] ||= {}
        meaning.each { |key, told| known[key] = joined(known[key], told) }
      end

      def joined(old, new)
        case old
        when Array then (old + new).uniq
        when Hash then new.merge(old)
        else old || new
        end
      end
    end
  end
end
