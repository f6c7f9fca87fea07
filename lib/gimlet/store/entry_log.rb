# frozen_string_literal: true

require "json"
require "sequel"
require_relative "../core/entry"
require_relative "clock"

module Gimlet
  module Store
    # Append-only lists of entries in one table: one for each ticket, or for each order at the bench.
    #
    #   log = EntryLog.new(database, :entries, :ticket_id)
    #   log.append(7, kind: "said", key: "a1", who: "Ines") { |_before| { words: "8 bolts" } }
    #   log.of(7).last.body # => {"words" => "8 bolts"}
    class EntryLog
      # @param database [Sequel::Database]
      # @param table [Symbol]
      # @param owner [Symbol] the column that says whose an entry is
      def initialize(database, table, owner)
        @database = database
        @table = table
        @owner = owner
      end

      # @param id [Integer] of the owner
      # @return [Array<Core::Entry>] in order
      def of(id) = rows(id).order(:number).map { |row| Core::Entry.new(**row.slice(:number, :kind, :at, :who), body: JSON.parse(row[:body])) }

      # @return [Array<Integer>] owners that have an entry of this kind, the latest first
      def owners_of(kind) = @database[@table].where(kind: kind).group(@owner).order(Sequel.desc(Sequel.function(:max, :at))).select_map(@owner)

      # @return [Integer] 0 where there are none
      def last(id) = rows(id).max(:number) || 0

      # The same key twice counts once.
      # @yield [Array<Core::Entry>] what is there, within the transaction; answers the body, or raises
      # @return [Array(Array<Core::Entry>, Core::Entry)] all, and the one that was added, nil where its key was there
      def append(id, kind:, key:, who:, now: Clock.now)
        @database.transaction(mode: :immediate) do
          known = of(id)
          next [known, nil] unless rows(id).where(key: key).empty?

          text = JSON.generate(yield(known))
          number = (known.last&.number || 0) + 1
          @database[@table].insert(@owner => id, number: number, kind: kind, body: text, key: key, who: who, at: now)
          added = Core::Entry.new(number: number, kind: kind, body: JSON.parse(text), at: now, who: who)
          [[*known, added], added]
        end
      end

      private

      def rows(id) = @database[@table].where(@owner => id)
    end
  end
end
