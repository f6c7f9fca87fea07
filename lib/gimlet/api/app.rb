# frozen_string_literal: true

require "json"
require "sinatra/base"
require_relative "../counter/add_entry"
require_relative "../counter/identify_pump"
require_relative "../counter/look_after_customers"
require_relative "../counter/look_after_pumps"
require_relative "../core/desk/ways"
require_relative "../counter/note_at_bench"
require_relative "../counter/place_order"
require_relative "../counter/plan_rebuild"
require_relative "../counter/references"
require_relative "../counter/uploads"
require_relative "../counter/work_on_ticket"
require_relative "../store/entry_log"
require_relative "../store/customers"
require_relative "../store/lives"
require_relative "../store/orders"
require_relative "../store/pumps"
require_relative "../store/purchases"
require_relative "../store/photos"
require_relative "../store/settings"
require_relative "../store/sightings"
require_relative "../store/stock"
require_relative "../store/tools"
require_relative "../store/tickets"
require_relative "../store/health"
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

      # @param database [Sequel::Database]
      # @param demo [Boolean] whether one key signs in on this machine
      # @param supplier [Exchange::SupplierLink, nil]
      def initialize(database, demo: false, supplier: nil)
        super(nil)
        @supplier = supplier
        @database = database
        @references = Counter::References.new(database)
        stores_of(database)
        @authentication = Authentication.new(database, demo: demo)
        @authorization = Authorization.new(@authentication)
        @health = Store::Health.new(database)
        @uploads = Counter::Uploads.new(database.opts[:database])
      end

      attr_reader :uploads

      # Reads the catalogue before the first request asks for it, and lists what an earlier version did not.
      def ready
        @references.current
        @orders.describe_all
      end

      # Once a day, and not where the owner has switched it off.
      def learn_anew
        return if !learn.on? || Counter::Learn.learned(database)&.fetch("at") == Store::Clock.today.iso8601

        learn.call
      end

      # Nothing is added to a file that is damaged.
      before { problem(503, "damaged", health.damage) if health.damage && !request.get? }
      before { @person = @authorization.call(env, env.fetch(Router::CALL).operation) }

      private

      def stores_of(database)
        @stock, @customers, @pumps = Store::Stock.new(database), Store::Customers.new(database), Store::Pumps.new(database)
        @tickets, @sightings, @photos = Store::Tickets.new(database), Store::Sightings.new(database), Store::Photos.new(database)
        @orders, @lives, @bench = Store::Orders.new(database), Store::Lives.new(database), Store::EntryLog.new(database, :bench_entries, :order_id)
        @tools, @purchases, @shop = Store::Tools.new(database), Store::Purchases.new(database), Store::Settings.new(database)
      end

      attr_reader :database, :health, :stock, :customers, :tickets, :orders, :lives, :pumps, :tools, :purchases, :supplier, :shop, :bench,
                  :sightings, :photos, :authentication, :person

      def peer = Peer.new(env)
      def operation = env.fetch(Router::CALL).operation

      def catalogue = @references.catalogue

      # One catalogue for each request: the same from its first look to its last.
      def reference = @reference ||= @references.current

      # What is agreed and kept is worked out on the newest.
      def newest = @reference = @references.current(newest: true)

      # @return [Counter::Reference] with pumps in it
      def stocked
        return reference if reference.snapshot.variants.any?

        Core::InputError.reject("catalogue", "empty_catalogue", "There is no pump in the catalogue yet: import documents with bin/gimlet import.")
      end

      def identify = Counter::IdentifyPump.new(stocked, customers)
      def plan = Counter::PlanRebuild.new(stocked.snapshot, stock.all, reference.tables)
      # How this shop writes money and dates, and what it prints on.
      def ways = Core::Desk::Ways.of(JSON.parse(shop["ways"] || "{}"))

      def look_after_customers = Counter::LookAfterCustomers.new(database, customers, who: who_asks)
      def look_after_pumps = Counter::LookAfterPumps.new(pumps, reference.snapshot, today: Store::Clock.today)
      def known(entries) = Counter::Known.new(reference, customers, Core::Ticket::Folded.of(entries))
      def add_entry = Counter::AddEntry.new(stocked, tickets, customers)
      def note_at_bench = Counter::NoteAtBench.new(bench)
      def known_order(id) = orders.find(id) || missing("There is no order #{id}.")
      def known_ticket(id) = tickets.known?(id) || missing("There is no ticket #{id}.")
      def work_on(id, entries) = Counter::WorkOnTicket.new(stocked, stock_for(id), customers, orders).call(id, entries)

      # A ticket that has an order already finds its own pieces free.
      def stock_for(ticket) = (order = ticket && orders.id_of(ticket)) ? stock.for_order(order) : stock.all
      def view(id, entries = tickets.entries(id)) = Present::TicketView.call(work_on(id, entries))

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
        if %w[open closed ordered
              any].include?(state)
          state
        else
          Core::InputError.reject("state", "bad_state", "A ticket is open, closed or ordered; or any.")
        end
      end

      def listed(page, name) = { name => page.rows, total: page.total, page: page.page, pages: page.pages }

      def place_order(ticket)
        newest
        work = Counter::WorkOnTicket.new(reference, stock_for(ticket), customers, orders)
        Counter::PlaceOrder.new(work, database, prices: stock_for(ticket), **stores)
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

      # @param what [String] as the history calls it
      def noted_as(what, **detail) = Store::History.new(database).note(what, detail, who: who_asks)

      # As the request limits have read it.
      def parsed_body = env.fetch(RequestLimits::BODY)

      def answer(value, status = 200)
        self.status status
        content_type :json
        JSON.generate(value)
      end
    end
  end
end
