# frozen_string_literal: true

require "json"
require_relative "../core/desk/terms"
require_relative "../core/input_error"
require_relative "../core/order/goods"
require_relative "../core/order/record"
require_relative "../core/order/agreed_on_screen"
require_relative "../core/order/steps"
require_relative "../present/measured_on_ticket"
require_relative "../present/plan"
require_relative "../present/stops"
require_relative "../present/ticket_view"
require_relative "order_changed"
require_relative "work_on_ticket"

module Gimlet
  module Counter
    # A ticket becomes an order: worked out once more from its entries, then kept as it is.
    class PlaceOrder
      # Entries came in that the specialist had not seen.
      class Stale < StandardError; end

      # Catalogue, price or shelf changed since the specialist looked.
      class Changed < StandardError
        attr_reader :changes

        # @param changes [Array<Hash>] as Core::Order::AgreedOnScreen has them
        def initialize(changes)
          @changes = changes
          super("Since you looked, this has changed: #{changes.first(3).map { |change| said(change) }.join('; ')}. Look at it, then save again.")
        end

        private

        def said(one)
          return "#{one[:was] || one[:is]} #{one[:was] ? 'is gone' : 'is new'}" unless one[:was] && one[:is]

          "“#{one[:was]}” is “#{one[:is]}” now"
        end
      end

      # @param view [WorkOnTicket::View] with a plan
      # @param reason [String, nil]
      # @param terms [Core::Desk::Terms]
      # @return [Hash] what is kept of it (Core::Order::Record)
      def self.record(view, reason, terms = Core::Desk::Terms.none)
        plan = Present::Plan.call(view.planned, owned: view.ticket.owned.keys, handed: view.ticket.handed, terms: terms)
        Core::Order::Record.of(view, plan: plan, measured: Present::MeasuredOnTicket.call(view.measured),
                                     stops: Present::Stops.call(view.stops), reason: reason)
      end

      # @param work [WorkOnTicket] on the newest catalogue
      # @param prices [Hash{String=>Core::KitPlan::Stock}] of what goes along
      # @param terms [Core::Desk::Terms] what prices are told with
      # @param shop [Hash] tickets, orders, lives, customers, pumps: the stores
      def initialize(work, database, prices:, terms: Core::Desk::Terms.none, **shop)
        @work = work
        @database = database
        @prices = prices
        @terms = terms
        @tickets, @orders, @lives, @customers, @pumps = shop.fetch_values(:tickets, :orders, :lives, :customers, :pumps)
      end

      # @param request [Hash{String=>Object}] of the OpenAPI schema PlaceOrder: "on" is the last entry that was seen, "seen" the
      #   plan that was, "revision" that of the order which is amended
      # @return [Array(Hash, Boolean), nil] order and whether it is new; nil when there is no such ticket
      # @raise [Core::InputError, Stale, Changed, OrderChanged] nothing was saved
      def call(request)
        id = request["ticket_id"]
        return unless @tickets.known?(id)

        existing = @orders.of_ticket(id)
        return [existing, false] if existing && Core::Ticket::TicketState.of(@tickets.entries(id)).state == "ordered"

        place(id, request)
      end

      private

      def place(id, request)
        view = @work.call(id, @tickets.entries(id))
        raise Stale unless view.ticket.last == request["on"]

        OrderChanged.check(view.amending, request["revision"]) if view.amending
        refuse(view, request["reason"])
        compare(view, request["seen"])
        record = self.class.record(view, request["reason"], @terms)
        @database.transaction(mode: :immediate) do
          now = @orders.of_ticket(id)
          next [now, false] if now && view.ticket.amends.nil?

          OrderChanged.check(@orders.brief(view.ticket.amends), request["revision"]) if view.ticket.amends
          raise Stale unless @tickets.last(id) == request["on"]

          [@orders.find(save(id, view, record, request)), true]
        end
      end

      def compare(view, seen)
        changes = Core::Order::AgreedOnScreen.changes(seen, Present::TicketView.call(view)[:seen])
        raise Changed, changes if changes.any?
      end

      def refuse(view, reason)
        refusal = view.readiness.refused(reason) or return
        Core::InputError.reject(refusal.field, refusal.code, refusal.text)
      end

      # A ticket that was opened again amends its order, for the reason that it was opened for.
      def keep(view, id, fields, request)
        goods = Core::Order::Goods.of(plain(fields[:document]), @prices)
        return amend(view, fields, goods, request) if view.ticket.amends

        @orders.create(ticket_id: id, **fields).tap do |order|
          step = request["quote"] ? Core::Order::Steps::Quote : Core::Order::Steps::Place
          step(order, step, request.slice("reason"), goods, request)
        end
      end

      def amend(view, fields, goods, request)
        why = view.ticket.lines.reverse.find { |line| line.kind == "reopened" }.body["reason"]
        body = { "reason" => why, "wanted" => goods.to_h { |good| [good.number, good.wanted] } }
        step(view.ticket.amends, Core::Order::Steps::Amend, body, goods, request) { @orders.amend(view.ticket.amends, **fields, reason: why) }
        view.ticket.amends
      end

      def step(order, step, body, goods, request)
        life = @lives.of(order)
        Core::Order::Steps.check(step.id, life) unless step::FROM.empty?
        outcome = step.call(body, life)
        yield if block_given?
        @lives.take(order, outcome, kind: step.id, key: "on #{request['on']}", who: request["who"] || "counter", goods: goods)
      end

      # As it is read again.
      def plain(record) = JSON.parse(JSON.generate(record))

      def remember(order, customer, view)
        told = view.ticket.readings.to_h { |row| row.transform_keys(&:to_sym).values_at(:trait, :value) }
        pump = @pumps.remember(customer, view.pump.designation, told["serial"]&.to_s)
        @pumps.change(pump, plate: told["plate"].to_s) if told["plate"]
        @orders.for_customer(order, customer, pump)
        @customers.remember_tools(customer, Core::Ticket::TicketState.of(@tickets.entries(view.id)).owned)
      end

      def save(id, view, record, request)
        customer = view.customer&.fetch(:id)
        order = keep(view, id, { customer_id: customer, catalogue_version: view.planned.catalogue_version, document: record }, request)
        @tickets.append(id, kind: "ordered", key: "order #{order} on #{view.ticket.last}", who: request["who"] || "counter") do
          { "order_id" => order, "reason" => request["reason"] }
        end
        remember(order, customer, view) if customer
        lent = record[:tools].select { |tool| tool[:how] == "lent" }.filter_map { |tool| tool[:number] }
        @lives.promise_tools(order, lent) unless request["quote"]
        order
      end
    end
  end
end
