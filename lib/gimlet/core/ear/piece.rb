# frozen_string_literal: true

module Gimlet
  module Core
    module Ear
      # A stretch of a typed line that means one thing: a figure with its unit, a noun, a value, a name of the catalogue, a small word.
      # Pieces know what they may mean and whether something was made of them.
      class Piece
        # @return [Array<Token>]
        attr_reader :tokens
        attr_accessor :figure, :unit, :span, :sizes, :key, :size, :thread, :name, :plate, :number, :digits, :used, :chunk, :ending, :alien,
                      :place

        # @param tokens [Array<Token>]
        # @param meaning [Hash] as Lexicon gives it
        def initialize(tokens, meaning = {}, **known)
          @tokens = tokens
          @meaning = meaning
          known.each { |key, value| public_send(:"#{key}=", value) }
        end

        def nouns = @meaning[:nouns] || []
        def values = @meaning[:values] || {}
        def areas = @meaning[:areas] || []
        def alone = @meaning[:alone] || []

        # @param small [Symbol] :not, :hedge, :filler ...
        # @return [Object, nil]
        # @return [Numeric, nil] the figure, or the upper end of a span
        def upper = figure || span&.last

        def says(small) = @meaning[small]

        def from = tokens.first.from
        def to = tokens.last.to
        def norm = tokens.map(&:norm).join(" ")
        def separator? = tokens.first.separator?
        def mark? = tokens.all?(&:mark?)
        def noun? = nouns.any?
        def whole? = !figure.nil? && unit.nil? && !alien && figure.denominator == 1

        # @return [Boolean] whether it may be part of a plate or a number
        def code? = !used && unit.nil? && !(figure || chunk).nil?

        # @return [Boolean] whether it can say something of a noun
        def modifier? = !alien && (!(figure || span || sizes || thread).nil? || !(key && size).nil? || values.any?)

        # @return [Rational, nil] a size in inches, for threads
        def inches
          figure if figure && (unit == "in" || thread || (unit.nil? && figure.denominator > 1))
        end

        # @return [Boolean] whether it carries nothing by itself
        def idle?
          separator? || mark? || says(:filler) || %i[hedge every some tool sets].any? { |small| says(small) }
        end
      end
    end
  end
end
