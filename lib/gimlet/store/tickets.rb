# frozen_string_literal: true

require "digest"
require "json"
require_relative "../core/ticket/entry"
require_relative "../core/ticket/kinds"
require_relative "paging"

module Gimlet
  module Store
    # Live jobs at the counter, each an append-only list of entries.
    class Tickets
      OPEN = "open"

      def initialize(database)
        @database = database
      end

      # @param key [String] made by the client: the same key twice is the same ticket
      # @return [Integer] its id
      def open(key, now: Time.now.utc)
        @database[:tickets].insert_conflict.insert(key: key, created_at: now, updated_at: now)
        @database[:tickets].where(key: key).get(:id)
      end

      def known?(id) = !@database[:tickets].where(id: id).empty?

      # @return [Array<Core::Ticket::Entry>] in order
      def entries(id)
        @database[:entries].where(ticket_id: id).order(:number).map do |row|
          Core::Ticket::Entry.new(number: row[:number], kind: row[:kind], body: JSON.parse(row[:body]), at: row[:at], who: row[:who])
        end
      end

      # @return [String] another for every ticket and entry, whatever database they are in
      def mark(id) = "#{Digest::SHA256.hexdigest(@database[:tickets].where(id: id).get(:key).to_s)[0, 12]}-#{last(id)}"

      # @return [Integer] 0 for a ticket without entries
      def last(id) = @database[:entries].where(ticket_id: id).max(:number) || 0

      # The same key twice counts once.
      # @yield [entries] what is there, within the transaction; answers the body, or raises
      # @return [Array<Core::Ticket::Entry>] all of the ticket, with the one of this key
      def append(id, kind:, key:, who:, now: Time.now.utc)
        @database.transaction(mode: :immediate) do
          known = entries(id)
          next known unless @database[:entries].where(ticket_id: id, key: key).empty?

          text = JSON.generate(yield(known))
          number = (known.last&.number || 0) + 1
          @database[:entries].insert(ticket_id: id, number: number, kind: kind, body: text, key: key, who: who, at: now)
          body = JSON.parse(text)
          told(id, kind, body, now)
          [*known, Core::Ticket::Entry.new(number: number, kind: kind, body: body, at: now, who: who)]
        end
      end

      # @param state [String] open, closed, ordered or any
      # @param words [String, nil] that were said
      # @return [Paging::Page] the latest first: id, state, updated_at, entries, words (what was said first)
      def page(state, words, page)
        rows = @database[:tickets]
        rows = rows.where(state: state) unless state == "any"
        Paging.call(rows, :words, words, page) { |some| listed(some.reverse(:updated_at, :id).select(:id, :state, :updated_at).all) }
      end

      private

      def told(id, kind, body, now)
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
