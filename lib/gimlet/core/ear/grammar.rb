# frozen_string_literal: true

require_relative "../2_readings/vocabulary"
require_relative "parse_result"
require_relative "grammar/answers"
require_relative "grammar/attached"
require_relative "grammar/numbers"
require_relative "grammar/unheard_words"
require_relative "grammar/wanted"
require_relative "grammar/wrongs"

module Gimlet
  module Core
    module Ear
      # From the pieces of a line to what it says: figures and values with their nouns, clause by clause; what is left over may be the
      # answer to the open question; what is still left was not heard.
      class Grammar
        include Answers
        include Attached
        include Numbers
        include UnheardWords
        include Wanted
        include Wrongs

        # So many pieces on either side may belong to a word.
        REACH = 12

        NEEDS = %w[want wanted need needed needing change replace renew new fit].freeze

        # @param asked [Readings::Trait, nil]
        def initialize(vocabulary, names, complaints, line, asked)
          @vocabulary = vocabulary
          @names = names
          @complaints = complaints
          @line = line
          @asked = asked
          @items = []
        end

        # @param pieces [Array<Piece>]
        # @return [ParseResult]
        def call(pieces)
          @hedged, @tool, @paper = hedged?(pieces), said_tool(pieces), false
          plate(pieces)
          answer_alone(pieces)
          pieces.slice_when { |piece, _| piece.separator? }.each { |clause| hear(clause.reject(&:separator?)) }
          @hedged, @tool, @paper = hedged?(pieces), said_tool(pieces), false
          answer_parts(pieces)
          ParseResult.new(items: @items.sort_by(&:from).freeze, unheard: unheard(pieces).freeze)
        end

        private

        def hear(clause)
          return if clause.empty?

          @hedged, @tool, @paper = hedged?(clause), said_tool(clause), clause.any? { |piece| piece.says(:papers) }
          number_signs(clause)
          complain(clause)
          numbers(clause)
          serial(clause)
          not_known(clause)
          damage(clause)
          one_of_them(clause)
          attach(clause)
          denials_of_nouns(clause)
          pumps(clause)
          standing_alone(clause)
          work(clause)
          wishes(clause)
          @topic = clause.reverse.find(&:noun?) || @topic
        end

        def unused(clause) = clause.reject(&:used)
        def trait(id) = @vocabulary.trait(id)

        # @param pieces [Array<Piece>] they are used up
        # @param clause [Array<Piece>] whose small words colour the reading
        def reading(trait, told, pieces, clause)
          denied = denial(pieces, clause)
          pieces = [*pieces, denied].compact
          fields = { trait: trait.id, **told, **colour(trait), denied: denied && true, heard: words(pieces) }
          note(pieces, readings: [fields.compact])
        end

        # Doubt and tool are said once for a clause.
        def colour(trait)
          { hedged: @hedged, tool: (@tool if trait.way.with_tool?), observer: ("old_invoice" if @paper && trait.id == "part_number") }
        end

        def says?(pieces, small) = pieces.any? { |piece| piece.says(small) }
        def needs?(pieces) = pieces.any? { |piece| NEEDS.include?(piece.norm) }
        def hedged?(pieces) = says?(pieces, :hedge) || nil
        def said_tool(pieces) = pieces.filter_map { |piece| piece.says(:tool) }.first

        # Pieces before and after one in its clause, the nearest first.
        def before(clause, piece) = clause[[at(clause, piece) - REACH, 0].max...at(clause, piece)].reverse
        def after(clause, piece) = clause[at(clause, piece) + 1, REACH]
        def at(clause, piece) = piece.place - clause.first.place

        # "not brass", "isn't the left side"
        def denial(pieces, clause)
          return if clause.empty?

          before = before(clause, pieces.first).find { |piece| !(piece.says(:filler) || piece.mark?) }
          # "four, no, eight bolts" puts it right.
          return if before&.norm == "no" && pieces.first.figure

          before if before&.says(:not) && !before.used && pieces.any? { |piece| piece.values.any? } && pieces.none? do |piece|
            piece.says(:not)
          end
        end

        def note(pieces, **said)
          pieces.each { |piece| piece.used = true }
          @items << Item.new(**said, from: pieces.map(&:from).min, to: pieces.map(&:to).max)
        end

        def words(pieces) = @line[pieces.map(&:from).min...pieces.map(&:to).max]
      end
    end
  end
end
