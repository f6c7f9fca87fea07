# frozen_string_literal: true

require_relative "../core/desk/due"
require_relative "../core/order/states"
require_relative "../core/safety/stops"
require_relative "../core/ticket/ticket"
require_relative "../core/value"
require_relative "found_at_bench"
require_relative "entry_context"

module Gimlet
  module Counter
    # What the day waits for, by what is to be done next.
    #
    #   TodayPiles.new(sightings, **shop).call.map(&:id) # => ["to_answer", "to_pick", ...]
    class TodayPiles
      # `total` counts all, `rows` are the first that wait.
      Pile = Core::Value.of(:id, :name, :total, :rows)
      # `to` is where it is done; `since` when it began to wait.
      Row = Core::Value.of(:to, :what, :detail, :since)

      # Rows of a pile.
      SHOWN = 12

      # @param sightings [Sightings]
      # @param shop [Hash] tickets, orders, bench, tools, pumps, purchases: the stores
      def initialize(sightings, **shop)
        @sightings = sightings
        @tickets, @orders, @bench, @tools, @pumps, @purchases = shop.fetch_values(:tickets, :orders, :bench, :tools, :pumps, :purchases)
      end

      # @return [Array<Pile>] also those in which nothing waits
      def call
        [calls, found, *Core::Order::States.piled.map { |state| orders(state.id, *state.pile.drop(1)) }, deliveries, overdue, due, *not_on_file]
      end

      private

      def calls
        page = @tickets.page("open", nil, 1)
        rows = page.rows.first(SHOWN).map do |row|
          Row.new(to: "/tickets/#{row[:id]}", what: "ticket #{row[:id]}", detail: row[:words] || "nothing said yet", since: row[:updated_at])
        end
        Pile.new(id: "to_answer", name: "To answer", total: page.total, rows: rows)
      end

      # What the bench sent back and nobody has taken to its ticket yet.
      def found
        waiting = @bench.owners_of("found").filter_map do |id|
          order = @orders.find(id)
          from_bench = FoundAtBench.new(order, @bench.of(id), @tickets.entries(order.ticket_id))
          [order, from_bench] if from_bench.waiting.any?
        end
        rows = waiting.first(SHOWN).map do |order, from_bench|
          Row.new(to: "/orders/#{order.id}", what: "order #{order.id} · #{order.customer || 'nobody named'}",
                  detail: from_bench.findings.reject { |one| one[:taken] }.map { |one| one[:text] }.join("; "), since: from_bench.findings.last[:at])
        end
        Pile.new(id: "to_agree", name: "Found at the bench, to agree", total: waiting.size, rows: rows)
      end

      def orders(state, id, name)
        rows, total = @orders.in_state(state, SHOWN)
        Pile.new(id: id, name: name, total: total, rows: rows.map { |row| order(row) })
      end

      def deliveries
        open = @purchases.open
        rows = open.first(SHOWN).map do |one|
          Row.new(to: "/desk/buying", what: "purchase #{one[:id]}", since: one[:at],
                  detail: [one[:state] == "written" ? "not sent yet" : "expected #{one[:expected_on]}", *one[:lines].map do |line|
                    line[:number]
                  end].join(", "))
        end
        Pile.new(id: "to_receive", name: "Deliveries expected", total: open.size, rows: rows)
      end

      def overdue
        rows = @tools.overdue(SHOWN).map do |tool|
          Row.new(to: "/orders/#{tool.order_id}", what: "#{tool.tag} · #{tool.customer || 'nobody named'}",
                  detail: "#{tool.name}, back by #{tool.until}", since: "#{tool.until}T00:00:00Z")
        end
        Pile.new(id: "overdue", name: "Tools overdue", total: @tools.count_overdue, rows: rows)
      end

      def due
        rows, total = @pumps.due(Core::Desk::Due::AHEAD, SHOWN)
        told = rows.map do |row|
          where = [row[:designation], row[:stands]].reject(&:empty?).join(", ")
          Row.new(to: "/desk/customers/#{row[:customer_id]}", what: [row[:name], row[:phone]].reject(&:empty?).join(" · "),
                  detail: "#{where}: due #{row[:due_on]}", since: nil)
        end
        Pile.new(id: "to_ring", name: "To ring", total: total, rows: told)
      end

      # Pumps that are not on file: those whose sheet is to be found, and those that it came for.
      def not_on_file
        here, missing = @sightings.open.partition(&:fits)
        [sighted("on_file_now", "On file now, to ring", here) { |one| "#{one.fits.series.maker.name} #{one.fits.designation} fits what they said" },
         sighted("to_find", "Not on file, sheet to find", missing) { |one| "they hear by #{one.due_on}: #{one.words.join(' · ')}" }]
      end

      def sighted(id, name, all)
        rows = all.first(SHOWN).map do |one|
          who = one.customer&.values_at(:name, :phone)&.reject { |word| word.to_s.empty? } || ["nobody named"]
          Row.new(to: "/sightings/#{one.ticket_id}", what: who.join(" · "), detail: yield(one), since: one.at.iso8601)
        end
        Pile.new(id: id, name: name, total: all.size, rows: rows)
      end

      # A danger that stands comes first here too.
      def stopped(id)
        lines = Core::Ticket::TicketState.of(@tickets.entries(@orders.ticket_of(id))).lines
        Core::Safety::Stops.of(lines, EntryContext::HAZARDS).select(&:sure).map { |stop| "STOP, #{stop.hazard.name}. " }.join
      end

      def order(row)
        wanted = "Wanted by #{row['wanted']}. " if row["wanted"]
        Row.new(to: "/orders/#{row['id']}", what: "order #{row['id']} · #{row['customer'] || 'nobody named'}",
                detail: "#{stopped(row['id'])}#{wanted}#{row['model']}: #{row['work'].join(', ')}", since: row["since"])
      end
    end
  end
end
