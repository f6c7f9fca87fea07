# frozen_string_literal: true

require_relative "../value"

module Gimlet::Core
  module Ear
    # One thing made of some words. `readings` are fields for Readings::Reading.from; `from` and `to` say which characters of the line.
    # `measure` is what the bench works on: { "what", "measure" }. `instead` are the words that it puts right, `strikes`
    # what it strikes out of the line before: [entry, item].
    # `sign` is what a complaint says more closely, `absent` that it is not so.
    Item = Value.of(:readings, :areas, :except, :complaint, :wish, :pumps, :unit, :measure, :seen, :customer, :instead, :strikes, :sign,
                    :absent, :from, :to)
    # Words nothing was made of; `note` says why where that is known.
    Unheard = Value.of(:words, :note, :from, :to)
    # Words that may mean one thing or another: `options` are lists of items, the likelier first. Nothing of it counts until one is taken.
    Choice = Value.of(:words, :options, :from, :to)

    # What one typed line says.
    ParseResult = Value.of(:items, :choices, :unheard) do
      def readings = items.flat_map { |item| item.readings || [] }
      def scope = items.reduce([]) { |all, item| (all | (item.areas || [])) - (item.except || []) }
      def complaints = items.filter_map(&:complaint).uniq
      def wishes = items.filter_map(&:wish).uniq
      def pumps = items.filter_map(&:pumps).last
      def unit = items.filter_map(&:unit).last
      def unread = unheard.map(&:words)
    end
  end
end
