# frozen_string_literal: true

require_relative "../entry"
require_relative "../value"

module Gimlet
  module Core
    module Bench
      # The entries of a bench as they leave the work, by kind:
      #
      #   ticked     item, done                      a line of the card
      #   tightened  fastener, turn, value, unit, by what a wrench read at one turn of the walk; `by` is "typed" or "wrench"
      #
      # That is `ticked` ids of lines that are done, `readings` { [fastener, turn] => body of the last }. A turn that
      # was ticked since has no reading any more: a wrench that clicks shows none.
      Log = Value.of(:last, :ticked, :readings) do
        def ticked?(item) = ticked.include?(item)
        def reading(fastener, turn) = readings[[fastener, turn]]
      end

      # Folding entries: the last word on each thing counts.
      class Log
        # @param entries [Array<Core::Entry>] in order of their numbers
        # @return [Log]
        def self.of(entries)
          ticks = entries.select { |entry| entry.kind == "ticked" }.to_h { |entry| entry.body.values_at("item", "done") }
          new(last: entries.last&.number || 0, ticked: ticks.select { |_, done| done }.keys, readings: readings(entries))
        end

        # @return [String] what a turn of the wrench is called where it is ticked
        def self.turn(fastener, turn) = "turn #{fastener} #{turn}"

        def self.readings(entries)
          told = entries.to_h { |entry| [entry.body["item"] || turn(*entry.body.values_at("fastener", "turn")), entry] }
          told.values.select { |one| one.kind == "tightened" }.to_h { |one| [one.body.values_at("fastener", "turn"), one.body] }
        end
        private_class_method :readings
      end
    end
  end
end
