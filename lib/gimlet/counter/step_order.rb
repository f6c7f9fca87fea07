# frozen_string_literal: true

require_relative "../core/order/steps"
require_relative "order_changed"

module Gimlet
  module Counter
    # One step of an order's life: checked against where it stands, booked in the ledger, noted.
    #
    #   StepOrder.new(database, orders: orders, lives: lives, customers: customers).call(7, "kind" => "pick", "key" => "a", "number" => "PW-K220", "quantity" => 1)
    class StepOrder
      # Somebody whose work it is not.
      class NotTheirs < StandardError; end

      # @param database [Sequel::Database]
      # @param role [String, nil] of who asks; nil while nobody is on file
      def initialize(database, orders:, lives:, customers:, role: nil)
        @database = database
        @orders = orders
        @lives = lives
        @customers = customers
        @role = role
      end

      # @param id [Integer] of an order that there is
      # @param request [Hash{String=>Object}] of the OpenAPI schema NewStep
      # @raise [Core::InputError, OrderChanged, NotTheirs] nothing was changed
      def call(id, request)
        step = Core::Order::Steps::ALL.fetch(request["kind"])
        step.for?(@role) || raise(NotTheirs, "To #{step::NAME} is for #{[*step::ROLES, 'owner'].join(', ')}; you are signed in as #{@role}.")
        @database.transaction(mode: :immediate) do
          next if @lives.taken?(id, request["key"])

          OrderChanged.check(@orders.brief(id), request["revision"]) if request["revision"]
          take(id, step, request)
        end
      end

      private

      def take(id, step, request)
        life = @lives.of(id)
        outcome = Core::Order::Steps.check(step.id, life).call(named(request.slice(*step.fields.keys)), life)
        @lives.take(id, outcome, kind: step.id, key: request["key"], who: request["who"] || "counter")
      end

      def named(body)
        return body unless body["customer_id"]

        customer = @customers.find(body["customer_id"]) ||
                   Core::InputError.reject("customer_id", "unknown_customer", "There is no customer #{body['customer_id']}.")
        body.merge("customer" => customer[:name])
      end
    end
  end
end
