# frozen_string_literal: true

require_relative "item_texts"

module Gimlet
  module Present
    # A pump that is not on file, as it was said.
    #
    #   Sighting.new(reference).call(sighting)[:words].first # => {words: "it's a ...", texts: ["head bolts 8"], ...}
    class Sighting
      # @param reference [Counter::Reference]
      def initialize(reference)
        @vocabulary = reference.vocabulary
        @texts = ItemTexts.new(@vocabulary, reference.diagnosis)
      end

      # @param sighting [Counter::Sightings::Sighting]
      # @return [Hash] of the OpenAPI schema Sighting
      def call(sighting)
        ticket = sighting.ticket
        { ticket_id: sighting.ticket_id, open: ticket.state == Core::Ticket::Kinds::Sighted::BECOMES,
          at: sighting.at.iso8601, due_on: sighting.due_on, customer: sighting.customer&.slice(:id, :name, :place, :phone),
          words: ticket.lines.select(&:words).map { |line| line(line) },
          readings: ticket.readings.map { |row| { trait: row[:trait], text: reading(row) } },
          lacking: sighting.lacking.filter_map { |trait| asked(trait) },
          fits: sighting.fits && { pump: sighting.fits.designation, maker: sighting.fits.series.maker.name, series_id: sighting.fits.series.id } }
      end

      private

      def line(line)
        { number: line.number, at: line.at.iso8601, who: line.who, words: line.words, struck: line.struck,
          texts: line.items.reject(&:struck).flat_map { |item| @texts.texts(item) }, unheard: line.unheard.map { |row| row["words"] } }
      end

      def reading(row) = @texts.texts(Core::Ticket::Item.new(readings: [row])).first
      def asked(trait) = (known = @vocabulary.traits[trait]) && { trait: trait, name: known.name }
    end
  end
end
