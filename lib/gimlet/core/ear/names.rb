# frozen_string_literal: true

require_relative "../1_catalogue/by_series"
require_relative "../1_catalogue/variant"
require_relative "../2_readings/plates/plate_match"

module Gimlet::Core
  module Ear
    # Makers, series, designations, part and kit numbers of the catalogue, to be recognised wherever they stand.
    class Names
      # A log-likelihood below this is more than one slip away from a name of the catalogue.
      NEAR = -8.5
      SHORTEST_NEAR = 3
      # Texts that were looked for lately.
      REMEMBERED = 2000
      # In so short a text only a glyph that looks like another may be wrong.
      SHORT = 4
      SHORT_NEAR = -5.0

      # @param exact [Hash{String=>Array(String, String)}] plain text => [trait id, value]
      # @param damaged [Hash{String=>Proc}] trait id => finds [name, log-likelihood] for a text
      def initialize(exact, damaged = {})
        @exact = exact
        @damaged = damaged
        @longest = exact.keys.map(&:size).max || 0
        @near = {}
      end

      # What a catalogue calls its makers, series, pumps, parts and kits.
      # @param snapshot [Catalogue::Snapshot]
      # @param known [Catalogue::BySeries] what each series calls them: kept from catalogue to catalogue
      # @return [Hash{String=>Array(String, String)}] for `new`; where names clash, pumps come before parts, parts before series
      def self.exact_of(snapshot, known = by_series)
        of_each = snapshot.series.map { |series| known[series] }
        of_each.transpose.flatten(1).reduce({}) { |names, some| names.merge!(some) }.except("")
      end

      # @return [Catalogue::BySeries] for `exact_of`
      def self.by_series = Catalogue::BySeries.new { |series| names_of(series) }

      # @return [Array<Hash>] of series and makers, kits, parts, pumps
      def self.names_of(series)
        [{ "maker" => [series.maker.name], "series" => [series.name] }, { "part_number" => series.kits.map(&:number) },
         { "part_number" => series.parts.map(&:number) },
         { "plate" => Catalogue::Variant.of_series(series).uniq(&:model).flat_map(&:spellings) }].map do |named|
          named.flat_map { |id, names| names.map { |name| [plain(name), [id, name].freeze] } }.to_h.freeze
        end
      end
      private_class_method :names_of

      # @return [Integer] glyphs of the longest name
      attr_reader :longest

      def self.plain(text) = Readings::PlateMatch.plain(text)

      # @return [Array(String, String), nil] trait id and value
      def exact(text) = exact_plain(self.class.plain(text))

      # @param text [String] plain already
      # @return [Array(String, String), nil]
      def exact_plain(text) = @exact[text]

      # @return [String, nil] the trait that a slightly wrong text is nearest to
      def near(text)
        plain = self.class.plain(text)
        return if plain.size < SHORTEST_NEAR || plain.size > longest + 1

        @near.clear if @near.size > REMEMBERED
        @near.fetch(plain) { @near[plain] = nearest(plain) }
      end

      private

      def nearest(plain)
        trait, score = @damaged.map { |id, find| [id, find.call(plain)&.last || -Float::INFINITY] }.max_by(&:last)
        trait if score && score > (plain.size < SHORT ? SHORT_NEAR : NEAR)
      end
    end
  end
end
