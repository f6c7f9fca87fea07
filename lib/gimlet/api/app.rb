# frozen_string_literal: true

require "forwardable"
require "json"
require "sinatra/base"
require_relative "../counter/add_entry"
require_relative "../counter/identify_pump"
require_relative "../counter/look_after_customers"
require_relative "../counter/look_after_pumps"
require_relative "../core/desk/shop_format"
require_relative "../counter/note_at_bench"
require_relative "../counter/place_order"
require_relative "../counter/price_terms"
require_relative "../counter/plan_rebuild"
require_relative "../counter/shop"
require_relative "../present/stops"
require_relative "../counter/work_on_ticket"
require_relative "../store/acts"
require_relative "authentication"
require_relative "authorization"
require_relative "errors"
require_relative "known_host"
require_relative "openapi"
require_relative "peer"
require_relative "request_limits"
require_relative "router"
require_relative "routes/bench"
require_relative "routes/photos"
require_relative "routes/buying"
require_relative "routes/catalogue"
require_relative "routes/counter"
require_relative "routes/customers"
require_relative "routes/desk"
require_relative "routes/drafts"
require_relative "routes/history"
require_relative "routes/look_up"
require_relative "routes/measuring"
require_relative "routes/orders"
require_relative "routes/people"
require_relative "routes/prices"
require_relative "routes/session"
require_relative "routes/sightings"
require_relative "routes/tickets"
require_relative "routes/tools"
require_relative "routes/uploads"
require_relative "safe_answers"
require_relative "serving"

module Gimlet
  module API
    # The web face of the counter. A request passes SafeAnswers, KnownHost, Router and RequestLimits, then who asks is found out and whether that
    # role may; the routes are in routes/, one file a resource, each under the id of its operation in the OpenAPI document.
    class App < Sinatra::Base
      configure do
        set :environment, :production
        set :show_exceptions, false
        set :raise_errors, false
        set :static, false
        set :host_authorization, permitted_hosts: []
        disable :dump_errors, :protection, :method_override
      end

      use SafeAnswers
      use KnownHost
      use Router
      use RequestLimits

      register Errors
      register Serving
      register Routes::Session
      register Routes::Counter
      register Routes::Customers
      register Routes::Tickets
      register Routes::Orders
      register Routes::Bench
      register Routes::Buying
      register Routes::Desk
      register Routes::Photos
      register Routes::Sightings
      register Routes::Measuring
      register Routes::Catalogue
      register Routes::LookUp
      register Routes::Drafts
      register Routes::History
      register Routes::People
      register Routes::Prices
      register Routes::Tools
      register Routes::Uploads
      all_served!

      # Each request is answered by a copy of this object, which is frozen: what a request has read is that copy's own, and gone with it.
      # @param shop [Counter::Shop]
      # @param demo [Boolean] whether one key signs in on this machine
      def initialize(shop, demo: false)
        super(nil)
        @shop = shop
        @authentication = Authentication.new(shop.database, demo: demo)
        @authorization = Authorization.new(@authentication)
        freeze
      end

      # @return [Counter::Shop]
      attr_reader :shop

      # All that a shop knows is no part of a message.
      def inspect = "#<#{self.class}>"

      # Nothing is added to a file that is damaged.
      before { problem(503, "damaged", health.damage) if health.damage && !request.get? }
      before { @person = @authorization.call(env, env.fetch(Router::CALL).operation) }

      private

      extend Forwardable

      def_delegators :shop, :database, :health, :catalogue, :references, :uploads, :supplier, :stock, :customers, :tickets, :orders, :lives, :pumps,
                     :tools, :purchases, :bench, :photos
      attr_reader :authentication, :person

      def peer = Peer.new(env)
      def operation = env.fetch(Router::CALL).operation

      # One catalogue for each request: the same from its first look to its last.
      def reference = @reference ||= references.current

      # What is agreed and kept is worked out on the newest.
      def newest = @reference = references.current(newest: true)

      # @return [Counter::Reference] with pumps in it
      def stocked
        return reference if reference.snapshot.variants.any?

        Core::InputError.reject("catalogue", "empty_catalogue", "There is no pump in the catalogue yet: import documents with bin/gimlet import.")
      end

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

      # Until people sign in, what orders are made of is not changed from anywhere on the network.
      def from_this_machine
        return if person || peer.here?

        problem(403, "not_from_here", "Until somebody is on file, catalogue and prices are only changed on the machine that Gimlet runs on.")
      end

      # Of a list that is shown by the page.
      def page_asked
        page = params.fetch("page", "1")
        page.match?(/\A[1-9]\d{0,5}\z/) ? page.to_i : Core::InputError.reject("page", "bad_page", "A page is a whole number from 1.")
      end

      def state_asked
        state = params.fetch("state", Store::Tickets::OPEN)
        return state if %w[open sighted closed ordered any].include?(state)

        Core::InputError.reject("state", "bad_state", "A ticket is open, sighted, closed or ordered; or any.")
      end

      def listed(page, name) = { name => page.rows, total: page.total, page: page.page, pages: page.pages }

      def place_order(ticket)
        newest
        work = Counter::WorkOnTicket.new(reference, stock_for(ticket), customers, orders, arrivals_for(ticket))
        Counter::PlaceOrder.new(work, database, prices: stock_for(ticket), terms: terms, **stores)
      end

      def stores
        { tickets: tickets, orders: orders, lives: lives, customers: customers, pumps: pumps, tools: tools, purchases: purchases, bench: bench }
      end

      # @param schema [String] in the OpenAPI document
      # @return [Hash] checked, string keys
      def body_as(schema)
        body = parsed_body
        OpenAPI.check(schema, body)
        signed(schema, body)
      end

      # Who is signed in is who it was, whatever the request says.
      def signed(schema, body)
        person && OpenAPI.property?(schema, body, "who") ? body.merge("who" => person.name) : body
      end

      # @return [String] whose doing it is
      def who_asks = person&.name || "nobody signed in"

      # What is asked for with a key is done once, however often it is sent.
      # @param body [Hash] with its key
      # @yield does it
      # @return [Object] what the block answered, as plain data
      def once(body, &)
        call = env.fetch(Router::CALL)
        place = [call.operation.id, *call.values].join(" ")
        Store::Acts.new(database).once(body.fetch("key"), place, body.except("key", "who"), who: who_asks, &)
      end

      # @param what [String] as the history calls it
      def noted_as(what, **detail) = Store::History.new(database).note(what, detail, who: who_asks)

      # As the request limits have read it.
      def parsed_body = env.fetch(RequestLimits::BODY)

      def render_json(value, status = 200)
        self.status status
        content_type :json
        JSON.generate(value)
      end
    end
  end
end
