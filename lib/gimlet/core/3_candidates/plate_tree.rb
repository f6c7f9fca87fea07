# frozen_string_literal: true

require_relative "plate_match"

module Gimlet
  module Core
    module Candidates
      # Designations as a tree of letters, so that a damaged plate is aligned with all of them at once. Branches that can no
      # longer come near the best are left out.
      #
      # The alignment is PlateMatch's: a column holds, for each number of glyphs read, the best log-probability so far.
      class PlateTree
        # Designations this far below the best, in natural logarithms, count as not matching.
        WINDOW = 11.0

        # `ends` are places of designations that end here; `least` and `most` letters are still to come below.
        Node = Struct.new(:children, :ends, :least, :most)

        # @param names [Array<String>] plain, by place
        def initialize(names)
          @root = Node.new({}, [], 0, 0)
          names.each_with_index { |name, place| insert(name, place) }
          measure(@root)
        end

        # @param match [PlateMatch]
        # @return [Hash{Integer=>Float}] place => log-likelihood of those near the best
        def search(match) = Search.new(@root, match).call

        private

        def insert(letters, place)
          node = letters.each_char.reduce(@root) { |at, letter| at.children[letter] ||= Node.new({}, [], 0, 0) }
          node.ends << place
        end

        def measure(node)
          below = node.children.each_value.map { |child| measure(child) }
          node.least = node.ends.empty? ? below.map(&:least).min + 1 : 0
          node.most = (below.map(&:most).max || -1) + 1
          node
        end

        # One plate against the tree, the most promising branch first.
        class Search
          def initialize(root, match)
            @root = root
            @glyphs = match.glyphs
            @costs = @glyphs.map { |glyph| match.costs(glyph) }
            @left = (0..@glyphs.size).map { |at| @glyphs.drop(at).count { |glyph| glyph != "*" } }
            @open = (0..@glyphs.size).map { |at| @glyphs.drop(at).include?("*") || (at.positive? && @glyphs[at - 1] == "*") }
            @found = {}
            @best = -Float::INFINITY
          end

          def call
            column = @costs.reduce([0.0]) { |all, costs| all << (all.last + (costs ? PlateMatch::ADDED : PlateMatch::RUN)) }
            visit(@root, column, column.last)
            @found.select { |_, score| score >= @best - WINDOW }
          end

          private

          def visit(node, column, finished)
            node.ends.each { |place| record(place, finished) }
            branches = node.children.map do |letter, child|
              below = step(column, letter)
              ended = [below.last, finished + PlateMatch::LOST_END].max
              [hope(below, ended, child), child, below, ended]
            end
            branches.sort_by { |hope, *| -hope }.each do |hope, child, below, ended|
              break if hope < @best - WINDOW

              visit(child, below, ended)
            end
          end

          def record(place, score)
            @found[place] = score if score > (@found[place] || -Float::INFINITY)
            @best = score if score > @best
          end

          def step(column, letter)
            below = [column[0] + PlateMatch::LOST_END]
            at = 0
            @costs.each do |costs|
              at += 1
              below << (costs ? aligned(column, below, at, costs[letter]) : run(column, below, at))
            end
            below
          end

          def aligned(column, below, at, cost)
            best = column[at - 1] + cost
            dropped = column[at] + PlateMatch::DROPPED
            best = dropped if dropped > best
            added = below[at - 1] + PlateMatch::ADDED
            added > best ? added : best
          end

          # A run swallows this letter too, or begins after it.
          def run(column, below, at)
            begun = below[at - 1] + PlateMatch::RUN
            column[at] > begun ? column[at] : begun
          end

          # The best that any designation below can still reach: letters and glyphs left over must be paid for.
          def hope(column, finished, node)
            best = finished + (node.least * PlateMatch::LOST_END)
            column.each_with_index do |score, at|
              left = @left[at]
              if left > node.most
                score += (left - node.most) * PlateMatch::ADDED
              elsif left < node.least && !@open[at]
                score += (node.least - left) * PlateMatch::LOST_END
              end
              best = score if score > best
            end
            best
          end
        end
        private_constant :Search
      end
    end
  end
end
