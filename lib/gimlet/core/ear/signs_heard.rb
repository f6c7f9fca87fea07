# frozen_string_literal: true

require_relative "phrase_match"
require_relative "token"

module Gimlet::Core
  module Ear
    # What a complaint says more closely than its kind: where it drips, what was opened, what is not so. It is heard beside the rest of the line,
    # in the same words, and takes nothing from it.
    #
    #   "changed the seals yesterday, nothing drips" # => opened_seals, and no water_leak
    #
    # What is denied follows NegEx: a word of denial reaches over the next five words of its clause, not past "but" (W. Chapman et al.,
    # A simple algorithm for identifying negated findings, Journal of Biomedical Informatics 34, 2001, 301-310).
    class SignsHeard
      # `absent` says that it is not so.
      Heard = Value.of(:sign, :absent, :from, :to)

      REACH = 5
      # In a line that describes a pump and complains of nothing, so many words must say it.
      SURE = 3
      TURNS = %w[but although though yet except still since after when because until while if].freeze
      CANNOT = %w[wont cant couldnt wouldnt hardly].freeze

      # @param phrases [Hash{String=>Array}] of ComplaintPhrases.with_signs
      def initialize(phrases)
        @phrases = phrases
      end

      # @param lattice [Lattice]
      # @param items [Array<Item>] what was heard by rules
      # @return [Array<Heard>] places in tokens
      def call(lattice, items)
        complaints = items.select(&:complaint)
        told = complaints.map(&:complaint)
        least = complaints.any? || items.none?(&:readings) ? 1 : SURE
        found(lattice, complaints, least).uniq(&:sign).reject { |one| told.include?(one.sign) }
      end

      private

      # What is said in the most words counts first.
      def found(lattice, complaints, least)
        match = PhraseMatch.new(lattice, @phrases)
        all = lattice.tokens.each_index.flat_map { |place| match.at(place) }.select { |one| one.places.size >= least }
        closest(lattice, all).filter_map do |one|
          sign, which = one.id
          absent = which == :fine || denied?(lattice, one)
          counts = which == :rules ? absent && complaints.none? { |item| overlap?(lattice, one, item) } : true
          Heard.new(sign: sign, absent: absent, from: one.from, to: one.to) if counts
        end
      end

      # Words that are part of a longer phrase say that and no more, where it is said of one thing: "water under the head and oil" is two.
      def closest(lattice, all)
        whole = all.reject { |one| one.id.last == :rules || (one.from...one.to).any? { |place| lattice.tokens[place].norm == "and" } }
        closer = all.reject { |one| one.id.last != :rules && whole.any? { |other| part?(one, other) } }
        closer.sort_by { |one| [-one.places.size, one.id.last == :fine ? 0 : 1] }
      end

      def part?(one, other) = other.places.size > one.places.size && (one.places - other.places).empty?
      def overlap?(lattice, one, item) = lattice.tokens[one.from].from < item.to && lattice.tokens[one.to - 1].to > item.from

      def denied?(lattice, one)
        clause = lattice.clause(one.from)
        first = [one.from - REACH, 0].max
        before = (first...one.to).reject { |place| one.places.include?(place) || lattice.clause(place) != clause }
        turn = before.rindex { |place| place < one.from && TURNS.include?(lattice.tokens[place].norm) }
        (turn ? before.drop(turn + 1) : before).any? { |place| denies?(lattice, place, one) }
      end

      def denies?(lattice, place, one)
        CANNOT.include?(lattice.tokens[place].norm) || lattice.says(place, :not).any? { |no| no.to <= one.to && free?(no, one) }
      end

      # "will not turn" is no turning that is denied.
      def free?(word, one) = (word.from...word.to).none? { |place| one.places.include?(place) }
    end
  end
end
