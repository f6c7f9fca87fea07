# frozen_string_literal: true

require "digest"
require "json"
require_relative "../core/ticket/kinds"
require_relative "clock"
require_relative "entry_log"
require_relative "paging"

module Gimlet
  module Store
    # Live jobs at the counter, each an append-only list of entries.
    #
    #   id = tickets.open("a1")
    #   tickets.append(id, kind: "said", key: "a1", who: "Ines") { {words: "8 bolts", heard: {}} }.size # => 1
    class Tickets
      OPEN = "open"

      # @param database [Sequel::Database]
      def initialize(database)
        @database = database
        @log = EntryLog.new(database, :entries, :ticket_id)
      end

      # @param key [String] made by the client: the same key twice is the same ticket
      # @param call [Integer, nil] the first ticket of the call that it belongs to
      # @return [Integer] its id
      def open(key, call: nil, now: Clock.now)
        @database[:tickets].insert_conflict.insert(key: key, call_id: call, created_at: now, updated_at: now)
        @database[:tickets].where(key: key).get(:id)
      end

      # @return [Integer] the first ticket of its call, itself where it is alone
      def call_of(id) = @database[:tickets].where(id: id).get(:call_id) || id

      # @return [Array<Integer>] the tickets of its call, in the order in which they were opened
      def of_call(id) = call_of(id).then { |first| [first, *@database[:tickets].where(call_id: first).order(:id).select_map(:id)] }

      def known?(id) = !@database[:tickets].where(id: id).empty?

      # @return [Array<Core::Entry>] in order
      def entries(id) = @log.of(id)

      # @return [Array<Integer>] tickets that have an entry of this kind, the latest first
      def owners_of(kind) = @log.owners_of(kind)

      # @return [String] another for every ticket and entry, whatever database they are in
      def mark(id) = "#{Digest::SHA256.hexdigest(@database[:tickets].where(id: id).get(:key).to_s)[0, 12]}-#{last(id)}"

      # @return [Integer] 0 for a ticket without entries
      def last(id) = @log.last(id)

      # The same key twice counts once.
      # @yield [entries] what is there, within the transaction; answers the body, or raises
      # @return [Array<Core::Entry>] all of the ticket, with the one of this key
      def append(id, now: Clock.now, **fields, &body)
        @database.transaction(mode: :immediate) do
          all, added = @log.append(id, **fields, now: now, &body)
          listed_anew(id, added.kind, added.body, now) if added
          all
        end
      end

      # @param state [String]
      # @return [Array<Integer>] tickets that are in it
      def in_state(state) = @database[:tickets].where(state: state).order(:id).select_map(:id)

      # @param state [String] open, sighted, closed, ordered or any
      # @param words [String, nil] that were said
      # @return [Paging::Page] the latest first: id, state, updated_at, entries, words (what was said first)
      def page(state, words, page)
        rows = @database[:tickets]
        rows = rows.where(state: state) unless state == "any"
        Paging.call(rows, :words, words, page) { |some| listed(some.reverse(:updated_at, :id).select(:id, :state, :updated_at).all) }
      end

      private

      def listed_anew(id, kind, body, now)
        change = { updated_at: now }
        becomes = Core::Ticket::Kinds.of(kind)::BECOMES
        change[:state] = becomes if becomes
        change[:words] = Sequel.join([:words, body["words"].downcase, " "]) if kind == "said"
        @database[:tickets].where(id: id).update(change)
      end

      def listed(rows)
        ids = rows.map { |row| row[:id] }
        counts = @database[:entries].where(ticket_id: ids).group_and_count(:ticket_id).as_hash(:ticket_id, :count)
        said = @database[:entries].where(ticket_id: ids, kind: "said").order(:number).select_hash_groups(:ticket_id, :body)
        rows.map do |row|
          first = said[row[:id]]&.first
          row.merge(entries: counts.fetch(row[:id], 0), words: first && JSON.parse(first)["words"])
        end
      end
    end
  end
end
