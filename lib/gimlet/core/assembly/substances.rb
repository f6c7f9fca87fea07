# frozen_string_literal: true

require_relative "../7_tools/tool_list"
require_relative "gap"

module Gimlet::Core
  module Assembly
    # What is smeared, dropped or filled. Where a sheet uses one and does not say how much, it is on the list all the same, without amount.
    #
    #   Substances.new([], ["Grease the lips."], []).used.map(&:name) # => ["grease"]
    class Substances
      # Name on the list => how a sentence uses it, the particular before the general: what one has taken is not read again.
      SAID = {
        "lithium grease" => /\blithium grease\b/i, "silicone grease" => /\bsilicone grease\b/i, "O-ring grease" => /\bO-ring grease\b/i,
        "petroleum jelly" => /\b(?:petroleum )?jelly\b/i, "packing lubricant" => /\bpacking lubricant\b/i,
        "thread lubricant" => /\bthread lubricant\b|\bthreads?\b[^.;]*\blubricated\b/i, "anti-seize" => /\banti-seize\b/i,
        "sealant" => /\bsealant\b/i,
        "thread adhesive" => /\badhesive\b/i, "crankcase oil" => /\bfresh oil\b|\bfill the crankcase\b/i,
        "grease" => /\bgreas(?:e|ed)\b/i, "lubricant" => /\blubricant\b/i,
        "oil" => /\boiled\b|\boil (?:it|them|the)\b|\b(?:trace|film|drop) of oil\b/i
      }.freeze
      # A place where there may be none, or what is left of it.
      WITHOUT = /\b(?:no|never|old|holds?|soften the|none|without)\b[^.;]{0,30}\z/i
      # What a layer may be set in with that comes out of a tap, or out of nothing.
      FREE = %w[dry water].freeze
      # Any of its kind does where a sentence says no more.
      GENERAL = { "grease" => /(?:grease|petroleum jelly)\z/, "lubricant" => /lubricant\z/ }.freeze

      # @param on_file [Array<Tools::Used>] with amounts
      # @param texts [Array<String>] what the steps say
      # @param layers [Array<Catalogue::Layer>] what is set in
      # @param by_piece [Array<String>] names of what pieces themselves take
      def initialize(on_file, texts, layers, by_piece = [])
        @on_file = on_file
        @by_piece = by_piece
        @needed = (layers.filter_map(&:lube).uniq - FREE) | texts.flat_map { |text| said(text) }
      end

      # @return [Array<Tools::Used>] what is on file, and what is used besides: how much of that is not on file
      def used
        more = @needed.reject { |name| listed?(name) || (@needed - [name]).any? { |other| general?(name, other) } }
        @on_file + more.map { |name| Tools::Used.new(name: name) }
      end

      # @return [Array<Gap>] what is sold and nowhere used
      def gaps
        unused = @on_file.reject { |one| @by_piece.include?(one.name) || @needed.any? { |name| same?(one.name, name) } }
        unused.map { |one| Gap.new(place: "consumables", text: "“#{one.name}” is counted and no step uses it: say where it goes, or leave it out.") }
      end

      private

      def listed?(name) = @on_file.any? { |one| same?(one.name, name) }

      def said(text)
        SAID.filter_map do |name, words|
          rest = text.gsub(words) { |found| Regexp.last_match.pre_match.match?(WITHOUT) ? found : "" }
          found = rest.size < text.size
          text = rest
          name if found
        end
      end

      # "anti-seize paste" is "anti-seize", "medium thread adhesive" is "thread adhesive"; "silicone grease" is what a sentence calls "grease".
      def same?(listed, name) = listed.downcase.include?(name.downcase) || general?(name, listed) || SAID.fetch(name).match?(listed)
      def general?(name, other) = GENERAL[name]&.match?(other)
    end
  end
end
