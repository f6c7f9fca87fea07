# frozen_string_literal: true

require_relative "../value"
require_relative "costs"
require_relative "names"

module Gimlet::Core
  module Ear
    # What a rule makes of a span of tokens: `items` are the fields of what it says, `left` the tokens inside that it does not explain, `cost`
    # how far it is to believe.
    #
    # `earlier` is of another line. `weak` is what each unknown word of its clause adds; `lonely` says that it counts only in a line about a
    # pump; `framed` is false for a rating that needs others beside it. `told` are the pieces it was made of, for what refers back to it. `note`
    # is for words that were
    # understood and are no reading. `denies` says that
    # a complaint was denied. `quiet` words only say
    # where and when of what was heard. `bare` is
    # work that nothing asked for: beside a complaint in its clause it only says where. `settle` makes the candidate depend on what stands
    # before: it is called with the candidates chosen so far, the last first, and answers another or nil.
    Candidate = Value.of(:from, :to, :items, :cost, :rule, :left, :weak, :lonely, :unframed, :told, :note, :settle, :instead, :strong, :bare,
                         :quiet, :denies, :earlier) do
      # What the line before said: `earlier` is [entry, item].
      def self.earlier(item)
        fields = { readings: item.readings, areas: item.areas, pumps: item.pumps, from: 0, to: 0 }.compact
        new(from: -1, to: 0, items: [fields], cost: 0, earlier: [item.of, item.item])
      end

      def says? = items.any?
      def traits = items.flat_map { |item| (item[:readings] || []).map { |fields| fields[:trait] } }
      def work? = items.any? { |item| item[:areas] }
      def complaint? = denies || items.any? { |item| item[:complaint] }

      # One candidate is another only where it is the same object.
      def ==(other) = equal?(other)
      alias_method :eql?, :==
      def hash = object_id

      # @return [Array] what each of its items says, apart from the words it was said in
      def contents
        items.flat_map do |item|
          said = item.except(:from, :to, :readings)
          (item[:readings] || [nil]).map { |fields| [said, fields && plain(fields)] }
        end
      end

      # @return [Integer] the same for candidates that say the same
      def key = contents.sum(&:hash)

      # A plate is the same with its dashes and without.
      def plain(fields)
        told = fields.except(:heard, :hedged, :tool, :observer)
        %w[plate part_number].include?(told[:trait]) && told[:value] ? told.merge(value: Names.plain(told[:value])) : told
      end
      private :plain
    end
  end
end
