# frozen_string_literal: true

require_relative "../entry"
require_relative "../value"

module Gimlet::Core
  module Bench
    # The entries of a bench as they leave the work on one pump, by kind:
    #
    #   ticked     item, done                      a line of the card
    #   tightened  fastener, turn, value, unit, by what a wrench read at one turn of the walk; `by` is "typed" or "wrench"
    #   found      slot, position, outcome, name   what became of a piece that was looked at
    #
    # Each names its `pump`, from 1, where an order is for several; what is laid out for all of them is ticked once. `ticked` are ids of lines
    # that are done, `readings` { [fastener, turn] => body of the last }, `history` the entries of all of them. A turn that was ticked since has
    # no reading any more: a wrench that clicks shows none. `found` are entries.
    Log = Value.of(:last, :ticked, :readings, :history, :found) do
      def ticked?(item) = ticked.include?(item)
      def reading(fastener, turn) = readings[[fastener, turn]]

      # @return [Array<Core::Entry>] every reading of one turn, the first first
      def all(fastener, turn) = history.fetch([fastener, turn], [])
    end

    # Folding entries: the last word on each thing counts.
    class Log
      # Sections of the card that are laid out once for all pumps.
      SHARED = /\A(?:part|held|tool|used) /

      # @param entries [Array<Core::Entry>] in order of their numbers
      # @param pump [Integer, nil] from 1; nil for all of them
      # @return [Log]
      def self.of(entries, pump = 1)
        own = entries.select { |entry| of_pump?(entry.body, pump) }
        ticks = own.select { |entry| entry.kind == "ticked" }.to_h { |entry| entry.body.values_at("item", "done") }
        new(last: entries.last&.number || 0, ticked: ticks.select { |_, done| done }.keys, readings: readings(own),
            history: own.select { |entry| entry.kind == "tightened" }.group_by { |entry| entry.body.values_at("fastener", "turn") },
            found: own.select { |entry| entry.kind == "found" })
      end

      # @return [String] what a turn of the wrench is called where it is ticked
      def self.turn(fastener, turn) = "turn #{fastener} #{turn}"

      def self.of_pump?(body, pump) = pump.nil? || (body["pump"] || 1) == pump || body["item"].to_s.match?(SHARED)

      def self.readings(entries)
        told = entries.reject { |entry| entry.kind == "found" }
                      .to_h { |entry| [entry.body["item"] || turn(*entry.body.values_at("fastener", "turn")), entry] }
        told.values.select { |one| one.kind == "tightened" }.to_h { |one| [one.body.values_at("fastener", "turn"), one.body] }
      end
      private_class_method :of_pump?, :readings
    end
  end
end
