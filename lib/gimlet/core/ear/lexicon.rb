# frozen_string_literal: true

require_relative "../2_readings/vocabulary"
require_relative "number_words"
require_relative "spelling"
require_relative "token"

module Gimlet
  module Core
    module Ear
      # Every word and phrase of the vocabulary and the catalogue, by what it may mean.
      #
      # A meaning is a hash: `nouns` (ids of traits that it names), `values` ({ trait id => value }), `alone` (ids of traits that its
      # value speaks of without a noun), `areas`, and what small words do (`not`, `hedge`, `key` ...).
      class Lexicon
        NOTHING = {}.freeze
        TELLING = 3
        LISTED = %w[unsure absent not hedge damage every some pumps sets observed elsewhere other_places past times money heat holders
                    papers ends starts gaps filler].freeze
        TABLES = { "keys" => :key, "threads" => :thread, "tools" => :tool, "slots" => :slot, "wishes" => :wish,
                   "spelled" => :letter }.freeze

        # @return [Spelling]
        attr_reader :spelling

        # @param vocabulary [Readings::Vocabulary]
        # @param on_file [Hash{String=>Array}] trait id => values that some pump of the catalogue has
        def initialize(vocabulary, on_file = {})
          @vocabulary = vocabulary
          @meanings = {}
          @longest = Hash.new(0)
          traits(on_file)
          vocabulary.work.each { |row| row.called.each { |phrase| add(phrase, areas: row.areas) } }
          makers = (on_file["maker"] || []).flat_map { |name| Tokens.of(name).map(&:norm) }
          named = (@meanings.keys.flat_map(&:split) + makers).uniq
          small_words
          plain = NumberWords::SIMPLE.keys + (vocabulary.words["common"] || []) + (@meanings.keys.flat_map(&:split) - named)
          @spelling = Spelling.new(named + complaint_words, plain)
        end

        # @param tokens [Array<Token>]
        # @return [Array(Integer, Hash)] how many tokens the longest known phrase at this place takes, and what it may mean
        def longest(tokens, at)
          most = @longest[tokens[at].norm]
          spoken = []
          best = [0, NOTHING]
          tokens[at, most * 2].each_with_index do |token, offset|
            next best if soft?(token) && offset.positive?
            break if (token.separator? && !across?(spoken, tokens, at + offset)) || spoken.size == most

            spoken << token.norm unless token.separator?
            found = @meanings[spoken.join(" ")]
            best = [offset + 1, found] if found && !token.separator?
          end
          best
        end

        private

        def soft?(token) = %w[- / . '].include?(token.text) && !token.separator?

        # A comma belongs to a phrase when the phrase goes on after it: "three on top, three in front".
        def across?(spoken, tokens, at)
          following = tokens[at + 1] or return false
          spoken.size > 1 && @commas&.include?([*spoken, following.norm].join(" "))
        end

        def traits(on_file)
          @vocabulary.traits.each_value do |trait|
            trait.called.each { |phrase| add(phrase, nouns: [trait.id]) }
            trait.alone.each { |phrase| add(phrase, alone: [trait.id]) }
            trait.values.each { |value, names| [value, *names].each { |name| value(name, trait, value) } }
            # Makers and series are names.
            next unless trait.way.worded? && !%w[maker series].include?(trait.id)

            (on_file[trait.id] || []).each do |value|
              value(value, trait, value)
              # So many words are not said of anything else.
              add(value, alone: [trait.id]) if value.to_s.split.size >= TELLING
            end
          end
        end

        def value(phrase, trait, value)
          return if trait.way.heard_as_figure?(phrase)

          add(phrase, values: { trait.id => value })
        end

        def small_words
          words = @vocabulary.words
          LISTED.each { |kind| (words[kind] || []).each { |phrase| add(phrase, kind.to_sym => true) } }
          TABLES.each { |table, kind| (words[table] || {}).each { |id, names| names.each { |phrase| add(phrase, kind => id) } } }
          (words["foreign"] || {}).each { |phrase, use| add(phrase, foreign: use) }
        end

        def complaint_words
          @vocabulary.complaints.values.flat_map do |complaint|
            complaint.phrases.flat_map do |phrase|
              phrase.split(/[ |]/)
            end
          end.map { |one| Tokens.norm(one) }
        end

        def add(phrase, **meaning)
          pieces = NumberWords.merged(Tokens.of(phrase.to_s))
          spoken = pieces.reject(&:mark?).map(&:norm)
          spoken = pieces.map(&:norm) if spoken.empty?
          return if spoken.empty?

          note_commas(pieces)
          @longest[spoken.first] = [@longest[spoken.first], spoken.size].max
          known = @meanings[spoken.join(" ")] ||= {}
          meaning.each { |key, told| known[key] = joined(known[key], told) }
        end

        def note_commas(pieces)
          at = pieces.index(&:separator?) or return
          before = pieces.take(at).map(&:norm)
          (@commas ||= {})[[*before, pieces[at + 1].norm].join(" ")] = true if pieces[at + 1]
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
end
