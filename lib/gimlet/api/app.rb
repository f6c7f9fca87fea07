# frozen_string_literal: true

require "json"
require "sinatra/base"
require_relative "../counter/identify_pump"
require_relative "../counter/order_class_index"
require_relative "../counter/place_order"
require_relative "../counter/plan_rebuild"
require_relative "../store/catalogue"
require_relative "../store/customers"
require_relative "../store/orders"
require_relative "../store/sightings"
require_relative "../store/stock"
require_relative "../store/tickets"
require_relative "contract"
require_relative "errors"
require_relative "routes/catalogue"
require_relative "routes/counter"
require_relative "routes/orders"
require_relative "routes/pages"
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
      end

      register Errors
      register Routes::Counter
      register Routes::Tickets
      register Routes::Orders
      register Routes::Sightings
      register Routes::Catalogue
      register Routes::Pages

      # @param database [Sequel::Database]
      def initialize(database)
        super(nil)
        @catalogue = Store::Catalogue.new(database)
        @stock = Store::Stock.new(database)
        @customers = Store::Customers.new(database)
        @tickets = Store::Tickets.new(database)
        @orders = Store::Orders.new(database)
        @sightings = Store::Sightings.new(database)
        @indexes = {}
      end

      private

      attr_reader :catalogue, :stock, :customers, :tickets, :orders, :sightings

      # Sinatra works on a copy of the app for each request: the hash is shared, so it is filled and never replaced.
      def index(snapshot)
        @indexes.fetch(snapshot.version) do |version|
          @indexes.clear
          @indexes[version] = Counter::OrderClassIndex.new(snapshot)
        end
      end

      def identify
        snapshot = catalogue.snapshot
        Counter::IdentifyPump.new(index(snapshot), snapshot, customers)
      end

      def plan = Counter::PlanRebuild.new(catalogue.snapshot, stock.all)

      def place_order
        Counter::PlaceOrder.new(identify: identify, plan: plan, tickets: tickets, orders: orders, customers: customers)
      end

      # @param schema [String] in the OpenAPI document
      # @return [Hash] checked, string keys
      def body_as(schema)
        body = parsed_body
        Contract.check(schema, body)
        body
      end

      def parsed_body
        unless request.media_type == "application/json"
          raise Core::InputError.new("Send the request as application/json.", field: "Content-Type", code: "not_json")
        end

        JSON.parse(request.body.read)
      rescue JSON::ParserError
        raise Core::InputError.new("The request is not valid JSON.", field: "body", code: "not_json")
      end

      def answer(value, status = 200)
        self.status status
        content_type :json
        JSON.generate(value)
      end
    end
  end
end
