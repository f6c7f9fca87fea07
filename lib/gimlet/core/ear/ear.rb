# frozen_string_literal: true

require_relative "../0_quantities/units"
require_relative "complaints"
require_relative "grammar"
require_relative "parse_result"
require_relative "lexicon"
require_relative "measures"
require_relative "pieces"

module Gimlet
  module Core
    # Understands what a specialist types while somebody talks.
    #
    #   ear = Ear::Listener.new(vocabulary, names, on_file)
    #   ear.call("8 bolts, hex 6, not brass").readings.map { |fields| fields[:trait] }
    #   # => ["head_bolts", "head_bolt_drive", "manifold_material"]
    #
    # A line becomes tokens, tokens become pieces (names of the catalogue, phrases of the lexicon, figures with units), and the
    # grammar joins figures and values to the nouns beside them. All of it takes time in proportion to the line.
    module Ear
      # A lexicon and a catalogue's names, ready to listen.
      class Listener
        # @return [Lexicon]
        attr_reader :lexicon

        # @param vocabulary [Readings::Vocabulary]
        # @param names [Names]
        # @param on_file [Hash{String=>Array}] trait id => values that some pump has
        def initialize(vocabulary, names, on_file = {})
          @vocabulary = vocabulary
          @names = names
          @lexicon = Lexicon.new(vocabulary, on_file)
          @complaints = Complaints.new(vocabulary.complaints.values)
        end

        # @param line [String]
        # @param asked [String, nil] the trait that was asked for
        # @return [ParseResult]
        def call(line, asked: nil)
          measured, rest = Measures.call(line)
          pieces = Pieces.new(@lexicon, @names).call(rest)
          heard = Grammar.new(@vocabulary, @names, @complaints, rest, asked && @vocabulary.trait(asked, "asked")).call(pieces)
          items = Measures.lips(heard.items)
          heard.with(items: measured.empty? ? items : in_order(measured + items))
        end

        private

        # As they stand in the line.
        def in_order(items)
          items.each_with_index.sort_by { |item, at| [item.from || 0, at] }.map(&:first)
        end
      end
    end
  end
end
