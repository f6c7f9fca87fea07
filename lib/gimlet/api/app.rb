# frozen_string_literal: true

require "json"
require "sinatra/base"
require_relative "../counter/add_entry"
require_relative "../counter/identify_pump"
require_relative "../counter/import_catalogue"
require_relative "../counter/note_at_bench"
require_relative "../counter/place_order"
require_relative "../counter/plan_rebuild"
require_relative "../counter/references"
require_relative "../counter/work_on_ticket"
require_relative "../present/old_records"
require_relative "../store/bench"
require_relative "../store/customers"
require_relative "../store/orders"
require_relative "../store/sightings"
require_relative "../store/stock"
require_relative "../store/tickets"
require_relative "../store/wellbeing"
require_relative "contract"
require_relative "door"
require_relative "errors"
require_relative "gate"
require_relative "routes/bench"
require_relative "routes/catalogue"
require_relative "routes/counter"
require_relative "routes/history"
require_relative "routes/measuring"
require_relative "routes/orders"
require_relative "routes/pages"
require_relative "routes/people"
require_relative "routes/prices"
require_relative "routes/session"
require_relative "routes/sightings"
require_relative "routes/tickets"

module Gimlet
  module API
    # The web face of the counter: routes are in routes/, one file a resource.
    class App < Sinatra::Base
      UI = File.expand_path("../../../ui/dist", __dir__)

      configure do
        set :environment, :production
        set :public_folder, UI
        set :show_exceptions, false
        set :raise_errors, false
        set :host_authorization, permitted_hosts: []
        disable :dump_errors
        # The gate sees to all of it, and in words.
        disable :protection
      end

      use Gate

      register Errors
      register Routes::Session
      register Routes::Counter
      register Routes::Tickets
      register Routes::Orders
      register Routes::Bench
      register Routes::Sightings
      register Routes::Measuring
      register Routes::Catalogue
      register Routes::History
      register Routes::People
      register Routes::Prices
      register Routes::Pages

      # @param database [Sequel::Database]
      def initialize(database)
        super(nil)
        @database = database
        @references = Counter::References.new(database)
        @stock = Store::Stock.new(database)
        @customers = Store::Customers.new(database)
        @tickets = Store::Tickets.new(database)
        @orders = Store::Orders.new(database, read: Present::OldRecords.method(:read))
        @bench = Store::Bench.new(database)
        @sightings = Store::Sightings.new(database)
        @door = Door.new(database)
        @wellbeing = Store::Wellbeing.new(database)
      end

      # Reads the catalogue before the first request asks for it.
      def ready = @references.current

      # Nothing is added to a file that is damaged.
      before { problem(503, "damaged", wellbeing.damage) if wellbeing.damage && !request.get? }
      before { env[Door::PERSON] = door.pass(env, env[Gate::OPERATION]) if env[Gate::OPERATION] }

      private

      attr_reader :database, :wellbeing, :stock, :customers, :tickets, :orders, :bench, :sightings, :door

      def catalogue = @references.catalogue
      def import_catalogue = Counter::ImportCatalogue.new(catalogue, Counter::References.vocabulary_of(@database))

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
      def plan = Counter::PlanRebuild.new(stocked.snapshot, stock.all)
      def add_entry = Counter::AddEntry.new(stocked, tickets, customers)
      def note_at_bench = Counter::NoteAtBench.new(bench)
      def known_order(id) = orders.find(id.to_i) || missing("There is no order #{id}.")
      def known_ticket(id) = tickets.known?(id) || missing("There is no ticket #{id}.")
      def work_on(id, entries) = Counter::WorkOnTicket.new(stocked, stock.all, customers).call(id, entries)
      def view(id) = Present::TicketView.call(work_on(id, tickets.entries(id)))

      # What every torque comes from is not changed from anywhere on the network.
      def from_this_machine
        return if env[Door::PERSON] || Door.here?(env)

        problem(403, "not_from_here", "The catalogue is only changed on the machine that Gimlet runs on: use bin/gimlet import there.")
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

      def place_order
        newest
        work = Counter::WorkOnTicket.new(reference, stock.all, customers)
        Counter::PlaceOrder.new(work, database, tickets: tickets, orders: orders, customers: customers)
      end

      # @param schema [String] in the OpenAPI document
      # @return [Hash] checked, string keys
      def body_as(schema)
        body = parsed_body
        Contract.check(schema, body)
        signed(schema, body)
      end

      # Who is signed in is who it was, whatever the request says.
      def signed(schema, body)
        person = env[Door::PERSON]
        person && Contract.property?(schema, "who") ? body.merge("who" => person.name) : body
      end

      def session_view(person)
        { person: person&.to_h&.slice(:name, :role), people: door.people.all.map { |one| one.to_h.slice(:name, :role) }, demo: door.demo?(env) }
      end

      # Read by no script, sent to no other site.
      def session_cookie(told, seconds)
        response.set_cookie(Door::COOKIE, value: told, path: "/", httponly: true, same_site: :strict, max_age: seconds.to_s,
                                          secure: request.env["HTTP_X_FORWARDED_PROTO"] == "https")
      end

      # @return [String] whose doing it is
      def who_asks = env[Door::PERSON]&.name || "nobody signed in"

      # As the gate has read it.
      def parsed_body = env.fetch(Gate::BODY)

      def answer(value, status = 200)
        self.status status
        content_type :json
        JSON.generate(value)
      end
    end
  end
end
