# frozen_string_literal: true

require "json"
require_relative "../core/desk/shop_format"
require_relative "../counter/add_entry"
require_relative "../counter/identify_pump"
require_relative "../counter/look_after_customers"
require_relative "../counter/look_after_pumps"
require_relative "../counter/note_at_bench"
require_relative "../counter/place_order"
require_relative "../counter/plan_rebuild"
require_relative "../counter/price_terms"
require_relative "../counter/work_on_ticket"
require_relative "../present/stops"
require_relative "../present/ticket_view"

module Gimlet
  module API
    # The counter's use cases, given what this request reads and who asks.
    module UseCases
      private

      def identify = Counter::IdentifyPump.new(stocked, customers)
      def plan = Counter::PlanRebuild.new(stocked.snapshot, stock.all, reference.tables)
      # How this shop writes money and dates, and what it prints on.
      def ways = Core::Desk::ShopFormat.of(JSON.parse(shop.settings["ways"] || "{}"))

      # @param before [Integer, nil] the order that pieces are for
      def terms(before: nil)
        Counter::PriceTerms.of(purchases, stock, tax: tax, format: ways, today: Store::Clock.today, before: before)
      end

      # Who this shop is, on paper.
      def face = Core::Desk::ShopFace.of(JSON.parse(shop.settings["face"] || "{}"))

      def look_after_customers = Counter::LookAfterCustomers.new(database, customers, who: who_asks)
      def look_after_pumps = Counter::LookAfterPumps.new(pumps, reference.snapshot, today: Store::Clock.today)
      def known(entries) = Counter::EntryContext.new(reference, customers, Core::Ticket::TicketState.of(entries))
      def add_entry = Counter::AddEntry.new(stocked, tickets, customers)
      def note_at_bench = Counter::NoteAtBench.new(bench)
      def known_order(id) = (order = orders.find(id)) ? standing(order) : missing("There is no order #{id}.")

      # With the dangers that stand now: what was lifted since it was placed is on no paper any more, what was told since is on all.
      def standing(order)
        stops = Core::Safety::Stops.of(Core::Ticket::TicketState.of(tickets.entries(order.ticket_id)).lines, Counter::EntryContext::HAZARDS)
        order.with(record: order.record.merge("stops" => JSON.parse(JSON.generate(Present::Stops.call(stops)))))
      end

      def known_ticket(id) = tickets.known?(id) || missing("There is no ticket #{id}.")
      def work_on(id, entries) = Counter::WorkOnTicket.new(stocked, stock_for(id), customers, orders, arrivals_for(id)).call(id, entries)

      def arrivals_for(ticket) = terms(before: ticket && orders.id_of(ticket)).arrivals

      # A ticket that has an order already finds its own pieces free.
      def stock_for(ticket) = (order = ticket && orders.id_of(ticket)) ? stock.for_order(order) : stock.all

      def view(id, entries = tickets.entries(id))
        shown = work_on(id, entries)
        Present::TicketView.call(shown, terms(before: orders.id_of(id)), jobs: jobs(id) do |other|
          other == id ? shown : work_on(other, tickets.entries(other))
        end)
      end

      # @yield [Integer] a ticket
      # @return [Array] what is made of each ticket of a call that has several
      def jobs(id, &) = tickets.of_call(id).then { |all| all.one? ? [] : all.map(&) }

      def place_order(ticket)
        newest
        work = Counter::WorkOnTicket.new(reference, stock_for(ticket), customers, orders, arrivals_for(ticket))
        Counter::PlaceOrder.new(work, database, prices: stock_for(ticket), terms: terms, **stores)
      end

      def stores
        { tickets: tickets, orders: orders, lives: lives, customers: customers, pumps: pumps, tools: tools, purchases: purchases, bench: bench }
      end
    end
  end
end
