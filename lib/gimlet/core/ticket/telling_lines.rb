# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Ticket
    # Which line of a call moved the belief most, and which lines made it less certain.
    #
    #   TellingLines.of({ 1 => [40, 20], 2 => [6, 3], 3 => [9, 5] }, 45) # most: 2, from 20 orders to 3; less: [3]
    TellingLines = Value.of(:most, :less)

    # Working it out of how many orders were still possible after each line.
    class TellingLines
      # A line with the orders that were possible before it and after it.
      Turn = Value.of(:line, :before, :after)

      # @param steps [Hash{Integer=>Array(Integer, Integer)}] line => pumps and orders still possible after it
      # @param all [Integer] orders before anything was said
      # @return [TellingLines] `most` is nil where no line narrowed the field
      def self.of(steps, all)
        turns = steps.sort.each_with_object([]) do |(line, (_, after)), found|
          found << Turn.new(line: line, before: found.last ? found.last.after : all, after: after)
        end
        narrowed = turns.select { |turn| turn.after < turn.before }
        new(most: narrowed.max_by { |turn| Rational(turn.before, [turn.after, 1].max) }, less: turns.select do |turn|
          turn.after > turn.before
        end.map(&:line))
      end
    end
  end
end
