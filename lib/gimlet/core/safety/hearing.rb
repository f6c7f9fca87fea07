# frozen_string_literal: true

require_relative "../value"
require_relative "hazards"
require_relative "sentence"
require_relative "spellings"

module Gimlet::Core
  module Safety
    # A danger that a line tells of. `sure` is false where it may be meant: then it is asked about. `from` and `to` are places in the line.
    Heard = Value.of(:hazard, :sure, :from, :to)

    # Listens for dangers in a line by themselves, before and beside whatever the line also says.
    #
    #   Hearing.new(hazards).call("DK420, there are metal bits in the oil").map { |one| one.hazard.id } # => ["metal"]
    class Hearing
      # @param hazards [Hazards]
      def initialize(hazards)
        @hazards = hazards.all.values
        @idioms = hazards.idioms
        @spellings = Spellings.new(@hazards.flat_map { |hazard| hazard.said + hazard.asks }.flat_map(&:words))
      end

      # @param line [String] as it was typed
      # @return [Array<Heard>] each danger once, the gravest first, those that are sure before those that are asked about
      def call(line)
        parts = Sentence.parts(line).map { |part| [part, meant(part)] }
        found = @hazards.filter_map { |hazard| heard(hazard, parts) }
        found.partition(&:sure).flatten
      end

      private

      # What each word may be; one of an idiom is none.
      def meant(part)
        idle = part.places_of(@idioms)
        part.words.each_with_index.map { |word, at| idle.include?(at) ? [] : @spellings.call(word) }
      end

      def heard(hazard, parts)
        told = parts.filter_map { |part, meant| first(hazard, part, meant) }
        told.find(&:sure) || told.first
      end

      def first(hazard, part, meant)
        said = said(hazard.said, part, meant)
        places = said || said(hazard.asks, part, meant)
        places && Heard.new(hazard: hazard, sure: !said.nil? && !part.doubtful?(said), from: part.from(places), to: part.to(places))
      end

      # @return [Array<Integer>, nil] places of the words that tell it, and are not taken back
      def said(phrases, part, meant)
        phrases.each do |phrase|
          places = phrase.at(meant)
          return places if places && part.meant?(places) && (phrase.long? || part.one_clause?(places))
        end
        nil
      end
    end
  end
end
