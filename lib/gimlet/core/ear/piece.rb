# frozen_string_literal: true

require_relative "../../core"

module Gimlet::Core
  module Ear
    # A span of tokens with one of the things that it may mean: a figure with its unit, a noun, a value, a name of the catalogue, a small word.
    # Pieces of a lattice overlap: "left" is a side and a verb, "20 mm" a size and a figure with a word behind it.
    class Piece
      NOTHING = {}.freeze
      FIELDS = %i[figure unit span sizes key size thread name plate digits text alien sum].freeze

      # `from` and `to` count tokens, `slip` is what a misspelling costs, `alien` says why a figure is none of a pump.
      attr_reader :from, :to, :slip, :meaning, *FIELDS

      # @param meaning [Hash] as Lexicon gives it
      def initialize(from, to, meaning = NOTHING, slip: 0, **known)
        @from = from
        @to = to
        @meaning = meaning
        @slip = slip
        known.each { |field, value| instance_variable_set(:"@#{field}", value) }
        freeze
      end

      def size_in_tokens = to - from
      def nouns = meaning[:nouns] || []
      def values = meaning[:values] || NOTHING
      def areas = meaning[:areas] || []
      def alone = meaning[:alone] || []

      # @param small [Symbol] :not, :hedge, :filler ...
      # @return [Object, nil]
      def says(small) = meaning[small]

      def noun? = meaning.key?(:nouns)
      def whole? = !figure.nil? && unit.nil? && !alien && figure.denominator == 1
      def figures? = !(figure || span || sizes).nil?

      # @return [Numeric, nil] the figure, or the upper end of a span
      def upper = figure || span&.last || span&.first

      # @return [Boolean] whether it can say something of a noun
      def modifier? = !alien && (!(figure || span || thread).nil? || !(key && size).nil? || meaning.key?(:values))

      # @return [Rational, nil] a size in inches, for threads
      def inches
        figure if figure && (unit == "in" || thread || (unit.nil? && figure.denominator > 1))
      end
    end
  end
end
