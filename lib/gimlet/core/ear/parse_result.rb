# frozen_string_literal: true

require_relative "../value"

module Gimlet
  module Core
    module Ear
      # One thing made of some words. `readings` are fields for Readings::Reading.from; `from` and `to` say which characters of the line.
      # `measure` is what the bench works on: { "what", "measure" }.
      Item = Value.of(:readings, :areas, :complaint, :wish, :pumps, :unit, :measure, :from, :to)
      # Words nothing was made of; `note` says why where that is known.
      Unheard = Value.of(:words, :note, :from, :to)

      # What one typed line says.
      ParseResult = Value.of(:items, :unheard) do
        def readings = items.flat_map { |item| item.readings || [] }
        def scope = items.flat_map { |item| item.areas || [] }.uniq
        def complaints = items.filter_map(&:complaint)
        def wishes = items.filter_map(&:wish).uniq
        def pumps = items.filter_map(&:pumps).last
        def unit = items.filter_map(&:unit).last
        def unread = unheard.map(&:words)
      end
    end
  end
end
