# frozen_string_literal: true

require_relative "remark"

module Gimlet::Core
  class Doctor
    # The two springs of a pump: which is the stiffer one, their colours and turns, wherever they are told.
    class Springs
      include Saying

      STIFF = /\b(stiffer|softer|weaker)\b/
      SIDE = { "inlet" => :inlet, "suction" => :inlet, "discharge" => :discharge, "pressure" => :discharge, "outlet" => :discharge }.freeze
      ENDS = /\b(#{SIDE.keys.join('|')})\b/
      ANY = %w[plain black white red green blue yellow grey brown orange].join("|").freeze
      TURNS = /\b(\d+(?:\.\d+)?) turns\b/

      # @param series [Catalogue::Series]
      # @param known [Known] its sentences
      def initialize(series, known)
        @series = series
        @sentences = known.sentences
        @parts = series.parts.to_h { |part| [part.number, part] }
      end

      # @return [Array<Remark>]
      def call
        stiffer + changed_about + @series.stacks.flat_map { |stack| told(stack).flat_map { |text| colour(stack, text) + turns(stack, text) } }
      end

      private

      # Whoever says which one is the stiffer says the same.
      def stiffer
        claims = of_stacks + @sentences.flat_map { |sentence| of_words(sentence) }
        first = claims.first or return []
        other = claims.find { |_, side| side != first.last } or return []

        [warning(other.first, "says that the #{other.last} spring is the stiffer one; #{first.first} says the #{first.last} spring: one is wrong.")]
      end

      # @return [Array<Array(String, Symbol)>] place, and the side that is said to be stiffer
      def of_stacks
        @series.stacks.filter_map do |stack|
          side = SIDE[stack.id[ENDS, 1] || stack.id.split("_").first]
          word = told(stack).join(" ")[STIFF, 1]
          ["stacks.#{stack.id}.spring", word == "stiffer" ? side : other(side)] if side && word
        end
      end

      def of_words(sentence)
        sentence.text.split(/[;,.]/).filter_map do |clause|
          word, side = clause[STIFF, 1], SIDE[clause.downcase[ENDS, 1]]
          [sentence.place, word == "stiffer" ? side : other(side)] if word && side && clause.match?(/\bsprings?\b/)
        end
      end

      def other(side) = side == :inlet ? :discharge : :inlet
      def told(stack) = [stack.colour, stack.spring].compact

      # "White cage in the inlet": a clause that gives a side the colour of the other one's cage or spring.
      def changed_about
        sides = @series.stacks.to_h { |stack| [SIDE[stack.id[ENDS, 1] || stack.id.split("_").first], stack] }.compact
        @sentences.product(sides.to_a).filter_map { |sentence, (side, stack)| other_colour(sentence, clause(sentence, side), stack) }
      end

      # The words of a sentence that speak of this side alone.
      def clause(sentence, side)
        sentence.text.downcase.split(/[:;,.]/).find { |clause| SIDE[clause[ENDS, 1]] == side && clause.scan(ENDS).uniq.one? }
      end

      def other_colour(sentence, said, stack)
        colour, piece = said.to_s.match(/\b(#{ANY})[- ]?(?:plastic )?(cages?|springs?)\b/)&.captures
        has = colour && specs(stack, piece.delete_suffix("s")).filter_map { |spec| spec["colour"] }.uniq
        return if has.nil? || has.empty? || has.include?(colour)

        warning(sentence.place, "“#{sentence.short}” says #{colour} #{piece} for #{stack.id}, whose part is #{has.join(' or ')}: one is wrong.")
      end

      # The words that stand before "spring" or "cage", or the first of what is told of the spring, against the parts.
      def colour(stack, text)
        spring = text[/\b(#{ANY})(?:,? [a-z]+)? springs?\b/, 1] || (text[/\A(#{ANY})\b(?! \w)/, 1] if text.equal?(stack.spring))
        { "spring" => spring, "cage" => text[/\b(#{ANY})(?: plastic)? cage\b/, 1] }.compact.filter_map do |shape, said|
          has = specs(stack, shape).filter_map { |spec| spec["colour"] }.uniq
          next if has.empty? || has == [said]

          warning("stacks.#{stack.id}", "is told to have a #{said} #{shape}, its part is #{has.join(' or ')}: one is wrong.")
        end
      end

      def turns(stack, text)
        said = text.scan(TURNS).flatten.map(&:to_f)
        has = specs(stack, "spring").filter_map { |spec| spec["turns"]&.to_f }.uniq
        return [] if said.empty? || has.empty? || (said - has).empty?

        [warning("stacks.#{stack.id}", "is told to have a spring of #{said.join(' and ')} turns, its part has #{has.join(' or ')}: one is wrong.")]
      end

      # A valve that is one piece has the colour that is told of its spring or its cage.
      def specs(stack, shape)
        slots = stack.layers.select { |layer| [shape, "valve"].include?(layer.shape) }.map(&:slot)
        @series.fits.select { |fit| slots.include?(fit.slot) }.filter_map { |fit| @parts[fit.part]&.spec }
      end
    end
  end
end
