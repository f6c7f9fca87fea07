# frozen_string_literal: true

require "forwardable"
require "json"
require "sinatra/base"
require_relative "../counter/shop"
require_relative "asked"
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
require_relative "use_cases"

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
      include Asked
      include UseCases

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

      # Until people sign in, what orders are made of is not changed from anywhere on the network.
      def from_this_machine
        return if person || peer.here?

        problem(403, "not_from_here", "Until somebody is on file, catalogue and prices are only changed on the machine that Gimlet runs on.")
      end

      def render_json(value, status = 200)
        self.status status
        content_type :json
        JSON.generate(value)
      end
    end
  end
end
