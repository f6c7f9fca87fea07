# frozen_string_literal: true

require_relative "glyph_filter"
require_relative "plate_match"
require_relative "plate_tree"

module Gimlet
  module Core
    module Candidates
      # Every designation of a catalogue, ready for damaged plates. A plate with enough glyphs left is aligned with the few
      # designations that share most of them; one with next to nothing left, or with runs missing, goes through the tree.
      class PlateIndex
        # How far below the best count a designation may share glyphs: two whole glyphs.
        MARGIN = 4
        ENOUGH = 8
        FEW = 400
        READABLE = 4
        REMEMBERED = 64

        # @param spellings [Array<Array<String>>] how each designation may be written on a plate, by place
        def initialize(spellings)
          named = spellings.each_with_index.flat_map { |names, place| Array(names).map { |name| [PlateMatch.plain(name), place] } }
          @names, @places = named.transpose.map(&:freeze)
          @filter = GlyphFilter.new(@names)
          @answers = {}
        end

        # @param text [String] as read
        # @return [Hash{Integer=>Float}] place => log-likelihood of those near the best
        def search(text)
          @answers.delete(@answers.first.first) if @answers.size > REMEMBERED
          @answers[text] ||= by_place(near(PlateMatch.new(text)))
        end

        private

        # The best spelling speaks for its designation.
        def by_place(scores)
          scores.each_with_object({}) do |(at, score), best|
            place = @places[at]
            best[place] = score if score > (best[place] || -Float::INFINITY)
          end
        end

        def near(match)
          readable = match.glyphs.count { |glyph| glyph != "?" }
          return tree.search(match) if match.glyphs.include?("*") || readable < READABLE

          few = @filter.best(match.glyphs, margin: MARGIN, enough: ENOUGH)
          few.empty? || few.size > FEW ? tree.search(match) : few.to_h { |place| [place, match.log_likelihood(@names[place])] }
        end

        def tree = @tree ||= PlateTree.new(@names)
      end
    end
  end
end
