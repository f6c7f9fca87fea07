# frozen_string_literal: true

require_relative "../core/desk/code"
require_relative "../core/order/steps"
require_relative "../core/ticket/ticket"
require_relative "order_changed"

module Gimlet
  module Counter
    # One step of an order's life: checked against where it stands, booked in the ledger, noted.
    #
    #   StepOrder.new(database, care: care, **shop).call(7, "kind" => "pick", "key" => "a", "number" => "PW-K220", "quantity" => 1)
    class StepOrder
      # Who asks has another role.
      class NotTheirs < StandardError; end

      # @param database [Sequel::Database]
      # @param care [LookAfterPumps]
      # @param role [String, nil] of who asks; nil while nobody is on file
      # @param shop [Hash] tickets, orders, lives, customers, pumps, tools: the stores
      def initialize(database, care:, role: nil, **shop)
        @database = database
        @care = care
        @role = role
        @tickets, @orders, @lives, @customers, @pumps, @tools = shop.fetch_values(:tickets, :orders, :lives, :customers, :pumps, :tools)
      end

      # @param id [Integer] of an order that there is
      # @param request [Hash{String=>Object}] of the OpenAPI schema NewStep
      # @raise [Core::InputError, OrderChanged, NotTheirs] nothing was changed
      def call(id, request)
        step = Core::Order::Steps::ALL.fetch(request["kind"])
        whose = Core::Roles.with(step::RIGHT).map(&:id).join(", ")
        step.for?(@role) || raise(NotTheirs, "To #{step::NAME} is for #{whose}; you are signed in as #{@role}.")
        @database.transaction(mode: :immediate) do
          next if @lives.taken?(id, request["key"])

          OrderChanged.check(@orders.brief(id), request["revision"]) if request["revision"]
          take(id, step, request)
          going_along(id).each { |other| along(other, step, request) } if request["together"]
        end
      end

      private

      # @return [Array<Integer>] the other orders of its call with something in their bags
      def going_along(id)
        others = @tickets.of_call(@orders.brief(id).ticket_id).filter_map { |ticket| @orders.id_of(ticket) } - [id]
        others.select { |other| Core::Order::Steps::HandOver.goes_along?(@lives.of(other)) }
      end

      # All of them go or none does.
      def along(id, step, request)
        take(id, step, request)
      rescue Core::InputError => e
        raise Core::InputError.new("Order #{id} of the same call: #{e.message}", field: e.field, code: e.code)
      end

      def take(id, step, request)
        as_agreed(id) if step::AS_AGREED
        life = @lives.of(id).with(who: request["who"])
        outcome = Core::Order::Steps.check(step.id, life).call(named(request.slice(*step.fields.keys)), life)
        @lives.take(id, outcome, kind: step.id, key: request["key"], who: request["who"] || "counter")
        keep_tools(id) if step::PROMISES_TOOLS
        whose(id, outcome.columns[:customer_id]) if outcome.columns.key?(:customer_id)
        pump = step::SERVICE && @orders.pump_of(id)
        @care.settle(pump) if pump
      end

      def as_agreed(id)
        ticket = @orders.brief(id).ticket_id
        return unless Core::Ticket::TicketState.of(@tickets.entries(ticket)).changing?

        Core::InputError.reject("kind", "being_amended",
                                "Order #{id} is being changed in ticket #{ticket}: save that ticket or close it, then go on.")
      end

      def keep_tools(id)
        lent = @orders.find(id).record["tools"].select { |tool| tool["how"] == "lent" }
        @lives.promise_tools(id, lent.filter_map { |tool| tool["number"] })
      end

      def whose(id, customer)
        pump = @orders.find(id).record["pump"]
        @orders.for_customer(id, customer, @pumps.remember(customer, pump["model"], nil))
        @orders.describe(id)
      end

      # With whom or what it speaks of.
      def named(body)
        return body.merge("found" => @tools.find(Core::Desk::Code.read(body["tool"]).value)) if body["tool"]
        return body unless body["customer_id"]

        customer = @customers.find(body["customer_id"]) ||
                   Core::InputError.reject("customer_id", "unknown_customer", "There is no customer #{body['customer_id']}.")
        body.merge("customer" => customer[:name])
      end
    end
  end
end
