# frozen_string_literal: true

require_relative "costs"

module Gimlet::Core
  module Ear
    # An explanation of a line up to some token: what was chosen, the last first, and what it costs so far.
    #
    # A clause's weak explanations and its unknown words weigh against each other whichever comes first, so both are carried along.
    class Path
      # What is carried along of a clause (see Candidate) and of the line: unknown words and content passed over, and candidates of each kind.
      Clause = Struct.new(:weak, :lonely, :strange, :content, :bare, :wrong)
      Standing = Struct.new(:strange, :lonely, :strong, :unframed)
      CLAUSE = Clause.new(0.0, 0, 0, 0, 0, 0).freeze
      LINE = Standing.new(0, 0, 0, 0).freeze

      # @return [Candidate, nil] nil where a word was passed over, or at the start
      attr_reader :candidate
      attr_reader :parent, :cost, :key, :clause, :line

      # Nothing chosen yet.
      def self.start = new(nil, nil, 0.0, 0, CLAUSE, LINE)

      def initialize(parent, candidate, cost, key, clause, line)
        @parent = parent
        @candidate = candidate
        @cost = cost
        @key = key
        @clause = clause
        @line = line
      end

      # @param cost [Float] of the word or phrase that is passed over
      # @param strange [Integer] whether it is unknown
      # @param content [Integer] whether it says something
      # @param closes [Boolean] whether it ends the clause
      # @return [Path]
      def passing(cost, strange, content, closes)
        return Path.new(self, nil, @cost + cost, key, CLAUSE, line) if closes
        return Path.new(self, nil, @cost + cost, key, clause, line) if content.zero?

        weighed = (strange * clause.weak) + (content * clause.lonely * Costs::LONELY)
        changed = clause.dup
        changed.strange += strange
        changed.content += content
        Path.new(self, nil, @cost + cost + weighed, key, changed, strange.zero? ? line : line.dup.tap { |one| one.strange += strange })
      end

      # @param candidate [Candidate] of the line before
      # @return [Path]
      def after(candidate) = Path.new(self, candidate, cost, key, clause, line)

      # @param candidate [Candidate]
      # @param left [Float] what its unexplained words cost
      # @param told [Integer] its key
      # @return [Path]
      def taking(candidate, left, told)
        weak, lonely, bare, wrong = candidate.weak || 0, candidate.lonely ? 1 : 0, candidate.bare ? 1 : 0, candidate.complaint? ? 1 : 0
        weighed = (weak * clause.strange) + (lonely * clause.content * Costs::LONELY)
        weighed += Costs::BARE * ((bare * clause.wrong) + (wrong * clause.bare))
        Path.new(self, candidate, cost + candidate.cost + left + weighed + put_right(candidate), key + told, with_clause(weak, lonely, bare, wrong),
                 with_line(candidate, lonely))
      end

      # @return [Float] with what can be said only of the whole line
      def total
        lonely = line.lonely.positive? && line.strange.positive? && line.strong.zero? ? Costs::LONELY : 0
        bare = line.unframed.positive? && line.strong.zero? ? Costs::UNFRAMED * line.unframed : 0
        cost + lonely + bare
      end

      # @return [Array<Candidate>] in the order of the line
      def candidates
        found = []
        path = self
        while path
          found << path.candidate if path.candidate
          path = path.parent
        end
        found.reverse
      end

      # So many steps back may be referred to.
      BACK = 12

      # @yield [Candidate] those chosen, the last first, until the block answers something
      # @return [Object, nil]
      def last
        path = self
        BACK.times do
          return if path.nil?

          found = path.candidate && yield(path.candidate)
          return found if found

          path = path.parent
        end
        nil
      end

      private

      # "sorry" is said of what was spoken of before.
      def put_right(candidate)
        return 0 unless candidate.says? && opened?

        traits, work = candidate.traits, candidate.work?
        same = last { |one| one.says? && (one.traits.intersect?(traits) || (work && one.work?)) }
        same ? Costs::PUT_RIGHT : Costs::IN_VAIN
      end

      # @return [Boolean] whether the last thing taken is such a word
      def opened?
        path = self
        path = path.parent while path.parent && path.candidate.nil?
        path.candidate&.instead == true
      end

      def with_clause(weak, lonely, bare, wrong)
        return clause if weak.zero? && (lonely + bare + wrong).zero?

        Clause.new(clause.weak + weak, clause.lonely + lonely, clause.strange, clause.content, clause.bare + bare, clause.wrong + wrong)
      end

      def with_line(candidate, lonely)
        return line unless candidate.strong || candidate.unframed || lonely.positive?

        Standing.new(line.strange, line.lonely + lonely, line.strong + (candidate.strong ? 1 : 0), line.unframed + (candidate.unframed ? 1 : 0))
      end
    end
  end
end
