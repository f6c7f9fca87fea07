# frozen_string_literal: true

require "English"
require_relative "../value"

module Gimlet::Core
  module Safety
    # One part of a sentence, up to its comma or its "but": what is said in it is meant of one thing. `words` without capitals and apostrophes,
    # `places` [from, to] of each in the line, `clauses` a number for each: another behind every "and"; `line_words` those of the whole line,
    # `refused` whether it was asked and answered with no ("Cracked? No").
    Sentence = Value.of(:words, :places, :clauses, :line_words, :refused) do
      # @param told [Array<Integer>] places of words
      # @return [Boolean] whether it is so now, of this pump: not denied, not over, not asked in general, not of another machine
      def meant?(told)
        !refused && !denied?(told) && !mended?(told) && !supposed? && !elsewhere?
      end

      # @return [Boolean] whether whoever says it does not know, or speaks of long ago
      def doubtful?(told) = long_ago? || words.each_with_index.any? { |word, at| !told.include?(at) && self.class::HEDGES.include?(word) }

      # @return [Boolean] whether no "and" stands between them
      def one_clause?(told) = told.map { |at| clauses[at] }.uniq.one?

      def from(told) = places[told.min].first
      def to(told) = places[told.max].last

      # @param runs [Array<Array<String>>] words that follow each other
      # @return [Array<Integer>] where words of any of them stand
      def places_of(runs)
        starts = words.each_index.group_by { |at| words[at] }
        runs.flat_map { |run| starts.fetch(run.first, []).select { |at| words[at, run.size] == run }.flat_map { |at| (at...(at + run.size)).to_a } }
      end

      private

      # A word of denial reaches over the next words of its clause (NegEx: W. Chapman et al., Journal of Biomedical Informatics 34, 2001, 301-310);
      # one that belongs to what is told ("no guard") denies nothing; and what is said to be well is not ill.
      def denied?(told)
        before = ((told.min - self.class::REACH)...told.max).select { |at| at >= 0 && !told.include?(at) && denies?(at) }
        before.any? { |at| told.any? { |place| place > at && clauses[place] == clauses[at] } } || well?(told) || renewed?(told)
      end

      # "We replaced the cracked head".
      def renewed?(told)
        before = ((told.min - self.class::BEHIND)...told.min).select { |at| at >= 0 && clauses[at] == clauses[told.min] }
        before.any? { |at| self.class::RENEWED.include?(words[at]) } && !line_words.intersect?(self.class::AGAIN)
      end

      # "It was not", at the end, takes back as well.
      def well?(told)
        behind = ((told.max + 1)..(told.max + self.class::BEHIND)).select { |at| clauses[at] == clauses[told.max] }
        behind.any? { |at| words[at] == "not" ? at == words.size - 1 : self.class::WELL.include?(words[at]) && !denies?(at - 1) }
      end

      def denies?(at) = self.class::DENIES.include?(words[at])

      # Seen to since; not where it is so again, or where the word belongs to what is told ("fixed with a wire").
      def mended?(told) = told?(self.class::MENDED.reject { |run| told.any? { |at| run.last == words[at] } })
      def long_ago? = told?(self.class::LONG_AGO)
      def told?(runs) = runs.any? { |run| follows?(line_words, run) } && !line_words.intersect?(self.class::AGAIN)

      # Asked about in general.
      def supposed? = self.class::SUPPOSED.any? { |run| follows?(words, run) }
      def elsewhere? = self.class::ELSEWHERE.any? { |run| follows?(words, run) }

      def follows?(all, run) = all.each_cons(run.size).any?(run)
    end

    # Taking a line apart.
    class Sentence
      # How many words before what is told may deny it, and how many behind may call it well.
      REACH = 4
      BEHIND = 3
      DENIES = %w[no not never isnt arent wasnt werent doesnt didnt dont hasnt havent hadnt without none nothing nobody neither nor wont cant
                  cannot free].freeze
      WELL = %w[fine ok okay good alright intact whole tight new sound clean safe replaced renewed fixed sorted proof].freeze
      RENEWED = %w[replaced renewed swapped mended repaired changed].freeze
      HEDGES = %w[maybe might perhaps think thinks thought possibly probably guess reckon reckons suspect unsure wonder seems could].freeze
      LONG_AGO = ["last year", "last winter", "last season", "last summer", "years ago", "a year ago", "months ago", "used to", "in the past",
                  "once before", "old pump", "last pump"].map(&:split).freeze
      MENDED = ["had a new one", "have a new one", "got a new one", "was fixed", "been fixed", "been done", "is fixed", "since replaced",
                "was replaced", "been replaced", "fixed it", "replaced it", "fine now", "fixed now", "ok now", "okay now", "good now",
                "sorted now", "freed off"].map(&:split).freeze
      AGAIN = %w[again still].freeze
      SUPPOSED = ["would it", "would a", "would the", "would that", "could a", "is it dangerous", "is it safe", "is it ok", "is it okay",
                  "is that bad", "to avoid", "what if", "what happens if", "is it bad", "in case", "how do", "how can", "how to", "what torque",
                  "is there a", "do you sell", "do you have", "do you do", "have you got", "can you get", "to stop it", "so that it does not",
                  "to prevent", "what would", "price of", "how much"].map(&:split).freeze
      ELSEWHERE = ["other pump", "other one", "another pump", "other machine", "neighbours", "neighbour", "next door", "different pump",
                   "second pump", "spare pump", "different one", "his brothers", "friends pump", "mates pump"].map(&:split).freeze
      WORD = /[\p{L}\p{N}]+(?:['’]\p{L}+)*/
      # What answers a question.
      NO = /\A\?\s*(?:no|nope|nah)\b/i
      # Where one part ends: a stop, or a word that begins another.
      ENDS = /[,;.:?!()\u2013\u2014]|\b(?:but|although|though|however|except)\b/i

      # @param line [String]
      # @return [Array<Sentence>]
      def self.parts(line)
        all = line.downcase.scan(WORD).map { |word| plain(word) }
        spans(line).filter_map do |from, to|
          found = []
          refused = line[to..].match?(NO)
          line[from...to].scan(WORD) do
            found << [plain(::Regexp.last_match(0).downcase), from + $LAST_MATCH_INFO.begin(0), from + $LAST_MATCH_INFO.end(0)]
          end
          part(found, all, refused) if found.any?
        end
      end

      def self.part(found, all, refused)
        words = found.map(&:first)
        clause = 0
        clauses = words.map { |word| clause += word == "and" ? 1 : 0 }
        new(words: words, places: found.map { |_, first, last| [first, last] }, clauses: clauses, line_words: all,
            refused: refused)
      end

      def self.plain(word) = word.sub(/['’]s\z/, "").delete("'’")

      def self.spans(line)
        cuts = []
        line.scan(ENDS) { cuts << [$LAST_MATCH_INFO.begin(0), $LAST_MATCH_INFO.end(0)] }
        starts = [0, *cuts.map(&:last)]
        starts.zip([*cuts.map(&:first), line.size])
      end
      private_class_method :part, :plain, :spans
    end
  end
end
