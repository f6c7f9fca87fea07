# frozen_string_literal: true

require_relative "../entry"
require_relative "../value"
require_relative "kinds"

module Gimlet::Core
  module Ticket
    # Something that an entry says: readings (fields for Readings::Reading.from), work, a complaint, a wish ... `of` is the entry's number
    # and `item` its place in it.
    Item = Value.of(:of, :item, :readings, :areas, :except, :complaint, :wish, :pumps, :unit, :measure, :seen, :customer, :instead, :from, :to,
                    :sign, :absent, :struck)
    # One line of the call as it went. `choices` are those still open: { choice:, words:, options: }.
    TicketLine = Value.of(:number, :kind, :at, :who, :words, :items, :choices, :unheard, :struck, :body)

    # What the kinds of entry make of a ticket, each its own fields (kinds/).
    KIND_FIELDS = Kinds::ALL.each_value.flat_map { |kind| kind.fold([], []).keys }.freeze

    # A ticket as its entries leave it.
    #
    #   ticket = Ticket::TicketState.of(entries)
    #   ticket.readings # => the readings that count, in the order they were taken
    TicketState = Value.of(:lines, :last, :state, :order_id, :amends, *KIND_FIELDS) do
      # @return [Boolean] whether it was opened again to change its order, and still is
      def changing? = !amends.nil? && state == "open"

      def items = lines.flat_map(&:items)
      def live = items.reject(&:struck)

      # @return [Array<Hash>] fields for Readings::Reading.from
      def readings = live.flat_map { |item| item.readings || [] }
      def complaints = live.filter_map(&:complaint).uniq

      # @return [Hash{String=>Boolean}] signs of the diagnosis that were told of, or said not to be so; the last word counts
      def signs
        live.each_with_object({}) do |item, all|
          all[item.complaint] = true if item.complaint
          all[item.sign] = !item.absent if item.sign
        end
      end

      # @return [Hash{String=>Object}] what is pumped and how hot, as far as it was said
      def service
        told = live.filter_map(&:measure).select { |measure| measure["what"] == Kinds::Measured::SERVICE }
        told.map { |measure| measure["measure"] }.reduce({}, :merge)
      end

      # @return [String, nil] the day that what was said asks for, to be taken up
      def day_offered = wishes.include?("today") ? "today" : nil

      def wishes = live.filter_map(&:wish).uniq

      # @return [Array<Item>] what the last typed line said and still counts: a word like "sorry" speaks of it
      def before = (lines.reverse.find { |line| %w[said picked answered].include?(line.kind) }&.items || []).reject(&:struck)
    end

    # Folding entries. Nothing is ever changed in place: striking out and bringing back are entries too.
    class TicketState
      # @param entries [Array<Entry>] in order of their numbers
      # @return [TicketState]
      def self.of(entries) = Folding.new(entries).call
    end

    # The fold itself.
    class Folding
      OPEN = "open"
      NONE = [].freeze

      def initialize(entries)
        @entries = entries
        @by_kind = entries.group_by(&:kind)
        @struck = entries.each_with_object({}) { |entry, struck| Kinds.of(entry.kind).strike(entry.body, struck) }
      end

      def call
        lines = @entries.map { |entry| line(entry) }
        live = lines.flat_map(&:items).reject(&:struck)
        made = Kinds::ALL.map { |id, kind| kind.fold(@by_kind.fetch(id, NONE), live) }.reduce({}, :merge)
        TicketState.new(lines: lines, last: @entries.last&.number || 0, **state, **made)
      end

      private

      # What became of it: its order, or the order that is being amended.
      def state
        last = @entries.reverse.find { |entry| Kinds.of(entry.kind)::BECOMES }
        order = @by_kind.fetch("ordered", NONE).last&.body&.fetch("order_id")
        ordered = last&.kind == "ordered"
        { state: last ? Kinds.of(last.kind)::BECOMES : OPEN, order_id: ordered ? order : nil, amends: ordered ? nil : order }
      end

      def line(entry)
        items = Kinds.of(entry.kind).items(entry.body).each_with_index.map do |fields, at|
          Item.new(**fields, of: entry.number, item: at, struck: @struck.key?([entry.number, at]) || @struck.key?([entry.number, nil]))
        end
        TicketLine.new(number: entry.number, kind: entry.kind, at: entry.at, who: entry.who, words: entry.body["words"], items: items,
                       choices: choices(entry), unheard: unheard(entry), body: entry.body,
                       struck: @struck.key?([entry.number, nil]) || (items.any? && items.all?(&:struck)))
      end

      # Those that nobody has settled yet.
      def choices(entry)
        open = entry.body.dig("heard", "choices") || NONE
        return NONE if open.empty?

        picked = @by_kind.fetch("picked", NONE).select { |other| other.body["of"] == entry.number }.map { |other| other.body["choice"] }
        open.each_with_index.reject { |_, at| picked.include?(at) || @struck.key?([entry.number, nil]) }
            .map { |row, at| { choice: at, words: row["words"], options: row["options"].map { |items| items(items) } } }
      end

      def items(rows) = Kinds::Said.items("heard" => { "items" => rows }).map { |fields| Item.new(**fields) }

      # Words that were taken up since are heard.
      def unheard(entry)
        left = entry.body.dig("heard", "unheard") || NONE
        return left if left.empty?

        taken = @by_kind.fetch("taken_up", NONE).select { |other| other.body["of"] == entry.number }.map { |other| other.body["words"] }
        left.reject { |row| taken.include?(row["words"]) }
      end
    end
    private_constant :Folding
  end
end
