# frozen_string_literal: true

require_relative "facing"
require_relative "../1_catalogue/piece_names"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # Which way the pieces look by the sentences, against their layers. Words can be misread, so all of this is warned of and none refused.
    class Spoken
      include Saying

      # A note that tells what happens when a piece is the wrong way round.
      WRONG = /\b(?:leaks?|wrong|reversed|swapped|otherwise|no pressure|no water)\b/

      # What it does then, or that it must not be so, is told of the wrong way too.
      HARM = /\b(?:cuts?|breaks?|scores?|tears?)\b/
      DENIED = /\b(?:never|not|no)\b[^;,.]*\z/i
      # "On the flat side" of what it sits on.
      ON_SIDE = /\bon the (flat|pointed|wide|narrow) side\b/
      # "The outlet's mark shows through the outlet port".
      MARK = /\b(inlet|outlet)(?:'s)?(?: mark| face)?\b[^;,.]*?\bthrough (?:the |its )?(inlet|outlet) port/

      # @param series [Catalogue::Series]
      # @param known [Known] its sentences
      def initialize(series, known)
        @series = series
        @sentences = known.sentences
      end

      # @return [Array<Remark>]
      def call
        @sentences.flat_map { |one| directions(one) + sides(one) + marks(one.place, one.text) + material(one) } + facings
      end

      private

      def directions(sentence)
        return [] if sentence.text.match?(HARM) || (sentence.phase == "note" && sentence.text.match?(WRONG))

        subjects(sentence).reject { |named| sentence.text[0...named.from].match?(DENIED) }.filter_map do |named|
          opens = named.layer.opens_to or next
          told = Facing.new(named.stack, named.at).ends(named.words).find { |_, way| way != opens } or next
          warning(sentence.place, "“#{sentence.short}” puts #{named.layer.name} with its #{told.first} so that it opens to " \
                                  "#{named.stack[told.last]}, but its layer opens to #{named.stack[opens]}: one of them is wrong.")
        end
      end

      # Where a sentence names no piece, it speaks of the one that has a direction, if there is one only.
      def subjects(sentence)
        named = sentence.named
        return named if named.any? || sentence.phase != "work"

        layers = sentence.names.flat_map { |names| names.stack.layers.each_index.map { |at| [names.stack, at] } }
        turned = layers.select { |stack, at| stack.layers[at].opens_to }
        turned.size == 1 ? [Catalogue::PieceNames::Named.new(stack: turned[0][0], at: turned[0][1], from: 0, size: 0, words: sentence.text)] : []
      end

      def sides(sentence)
        sentence.named.filter_map do |named|
          is, told = named.layer.facing.to_s[ON_SIDE, 1], named.words[ON_SIDE, 1]
          next if is.nil? || told.nil? || is == told

          warning(sentence.place,
                  "“#{sentence.short}” puts #{named.layer.name} on the #{told} side, its layer on the #{is} side: one of them is wrong.")
        end
      end

      def facings
        @series.stacks.flat_map { |stack| stack.layers.flat_map { |layer| marks("stacks.#{stack.id}.#{layer.slot}", layer.facing.to_s) } }
      end

      def marks(place, text)
        text.scan(MARK).reject { |mark, port| mark == port }.map do |mark, port|
          warning(place, "shows the #{mark}'s mark through the #{port} port: each shows through its own.")
        end
      end

      # A head is of one material, whoever speaks of it.
      def material(sentence)
        is = @series.traits["manifold_material"] or return []
        told = sentence.text[/\b(?:head|manifold|body)s? (?:is|are) (brass|aluminium|plastic|steel|cast iron)\b/, 1] ||
               sentence.text[/\bthe (brass|aluminium|plastic|steel) (?:cracks|gives|strips)\b/, 1]
        return [] if told.nil? || told == is

        [warning(sentence.place, "“#{sentence.short}” speaks of #{told}; manifold_material is #{is}: say the same.")]
      end
    end
  end
end
