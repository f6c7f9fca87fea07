# frozen_string_literal: true

require_relative "chooser"
require_relative "commands"
require_relative "complaint_phrases"
require_relative "lattice"
require_relative "lexicon"
require_relative "names"
require_relative "outcome"
require_relative "parse_result"
require_relative "rules"
require_relative "signs_heard"

module Gimlet::Core
  # Understands what a specialist types while somebody talks.
  #
  #   ear = Ear::Listener.new(vocabulary, names, on_file)
  #   ear.call("8 bolts, hex 6, not brass").readings.map { |fields| fields[:trait] }
  #   # => ["head_bolts", "head_bolt_drive", "manifold_material"]
  #
  # A line becomes a lattice of pieces, each span keeping all that it may mean. Every rule proposes candidates and changes nothing; the chooser
  # takes the cheapest set of them over the whole line. What costs little more and says something else is offered as a choice.
  module Ear
    # A lexicon and a catalogue's names, ready to listen.
    class Listener
      # @return [Lexicon]
      attr_reader :lexicon

      # @param vocabulary [Readings::Vocabulary]
      # @param names [Names]
      # @param on_file [Hash{String=>Array}] as Lexicon.on_file gives it
      # @param signs [Array<Diagnosis::Sign>] what complaints may say more closely
      # @param before [Listener, nil] one that may have the same lexicon
      def initialize(vocabulary, names, on_file = {}, signs = [], before: nil)
        @vocabulary = vocabulary
        @names = names
        @lexicon = before&.lexicon&.of?(vocabulary, on_file) ? before.lexicon : Lexicon.new(vocabulary, on_file)
        @complaints = ComplaintPhrases.of(vocabulary)
        @signs = SignsHeard.new(ComplaintPhrases.with_signs(vocabulary, signs))
        @many = vocabulary.traits.values.select(&:many).map(&:id)
      end

      # @param line [String]
      # @param asked [String, nil] the trait that was asked for
      # @param before [Array<#of, #item, #readings, #areas, #pumps>] what the line before said: "sorry" may speak of it
      # @param customers [Hash{String=>Integer}] name => id
      # @return [ParseResult]
      def call(line, asked: nil, before: [], customers: {})
        lattice = Lattice.new(line, @lexicon, @names)
        trait = asked && @vocabulary.trait(asked, "asked")
        setting = Rules::Setting.new(vocabulary: @vocabulary, names: @names, complaints: @complaints, asked: trait, customers: customers)
        rules = Rules::ALL.map { |rule| rule.new(lattice, setting) }
        earlier = before.map { |item| Candidate.earlier(item) }
        Outcome.new(lattice, @many, @signs).call(Chooser.new(lattice, rules, earlier).call)
      end
    end
  end
end
