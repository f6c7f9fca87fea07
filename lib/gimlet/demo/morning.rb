# frozen_string_literal: true

require "date"
require "yaml"
require_relative "../core/order/life"
require_relative "../counter/add_entry"
require_relative "../counter/buy"
require_relative "../counter/keep_stock"
require_relative "../counter/learn"
require_relative "../counter/look_after_pumps"
require_relative "../counter/place_order"
require_relative "../counter/current_reference"
require_relative "../counter/step_order"
require_relative "../counter/work_on_ticket"
require_relative "../present/ticket_view"
require_relative "../store/clock"
require_relative "../store/lives"
require_relative "../store/orders"
require_relative "../store/pumps"
require_relative "../store/purchases"
require_relative "../store/settings"
require_relative "../store/tickets"
require_relative "../store/tools"

module Gimlet
  class Demo
    # Three weeks of the invented shop up to this morning, played through the same use cases as the counter's; days count from today.
    #
    #   Morning.new(database, today: Date.today).play
    class Morning
      SCRIPT = File.expand_path("../../../data/demo/morning.yml", __dir__)
      # In seconds, from the first word to the order: what is played before its hour is over by now.
      LONGEST_CALL = 900
      # What happens to an order after it was placed, in this order, and how many hours later.
      WAY = { "picked" => 1, "checked" => 2, "handed_over" => 5, "closed" => 30 }.freeze
      # Numbers on one shelf.
      SHELF = 8
      DEPOSIT_CENTS = 2500

      # @param database [Sequel::Database] seeded with catalogue, prices and customers
      # @param today [Date]
      def initialize(database, today: Store::Clock.today)
        @database = database
        @today = today
        @script = YAML.load_file(SCRIPT)
        @stock, @customers, @orders = Store::Stock.new(database), Store::Customers.new(database), Store::Orders.new(database)
        @lives, @pumps, @tools = Store::Lives.new(database), Store::Pumps.new(database), Store::Tools.new(database)
        @tickets, @purchases = Store::Tickets.new(database), Store::Purchases.new(database)
        @reference = Counter::CurrentReference.new(database).current(newest: true)
      end

      def play
        Store::Settings.new(@database)["tax"] = @script["tax"]
        at(@script["calls"].first["ago"] + 1, "18:00") { furnish }
        calls = @script["calls"].each_with_index.map { |call, index| Call.new(self, call, index) }
        calls.flat_map(&:acts).sort_by(&:first).each { |time, act| Store::Clock.at(time) { act.call } }
        @script["vans"].each_with_index { |van, index| come(van, index) }
        at(2, "16:00") { buy }
        Counter::Learn.new(@database, @reference, orders: @orders, tickets: @tickets).call
      end

      attr_reader :reference, :stock, :customers, :orders, :tickets, :lives

      # @param ago [Integer] days
      # @return [Time] never to come
      def time(ago, clock)
        hour, minute = clock.split(":").map(&:to_i)
        day = @today - ago
        [Time.new(day.year, day.month, day.day, hour, minute), Time.now - LONGEST_CALL].min
      end

      def shop = { tickets: @tickets, orders: @orders, lives: @lives, customers: @customers, pumps: @pumps, tools: @tools }
      def care = Counter::LookAfterPumps.new(@pumps, @reference.snapshot, today: Store::Clock.today)
      def step_order = Counter::StepOrder.new(@database, care: care, **shop)
      def add_entry = Counter::AddEntry.new(@reference, @tickets, @customers)
      def work = Counter::WorkOnTicket.new(@reference, @stock.all, @customers, @orders)
      def keep_stock = Counter::KeepStock.new(@database, stock: @stock, lives: @lives, snapshot: @reference.snapshot, who: "Adela")
      def place_order = Counter::PlaceOrder.new(work, @database, prices: @stock.all, **shop)

      private

      def at(ago, clock, &) = Store::Clock.at(time(ago, clock), &)

      # Shelves, tools, and what is known of customers.
      def furnish
        @reference.snapshot.series.each_with_index { |series, at| shelve(series, ("A".ord + at).chr) }
        @script["levels"].each { |number, level| @stock.change(number, level: level) }
        made = @reference.snapshot.series.flat_map(&:tools).select(&:number)
        made.each_with_index { |tool, at| hang(tool, "T#{(at / SHELF) + 1}") }
        @script["customers"].each { |row| write_down(row) }
      end

      def shelve(series, rack)
        (series.kits + series.parts + series.tools + series.consumables).filter_map(&:number).each_with_index do |number, at|
          @stock.change(number, shelf: "#{rack}#{(at / SHELF) + 1}")
        end
      end

      def hang(tool, shelf)
        (@script["twice"].include?(tool.number) ? 2 : 1).times do |at|
          @tools.add(tag: "#{tool.number}/#{at + 1}", number: tool.number, name: tool.name, shelf: shelf, deposit_cents: DEPOSIT_CENTS)
        end
      end

      def write_down(row)
        id = @customers.named(row["name"])[:id]
        @customers.change(id, row.slice("phone", "email").transform_keys(&:to_sym))
        own = @pumps.of_customer(id).to_h { |pump| [pump[:designation], pump[:id]] }
        row["pumps"].each do |designation, told|
          due = told["due_in"] && (@today + told["due_in"]).iso8601
          care.change(own.fetch(designation), { **told.except("due_in"), "due_by_hand" => due })
        end
      end

      def buying
        Counter::Buy.new(@database, snapshot: @reference.snapshot, link: nil, who: "Adela", stock: @stock, purchases: @purchases, lives: @lives)
      end

      # A delivery of the weeks before, by which the next is foretold.
      def come(van, index)
        line = { "number" => @script["van"], "quantity" => 1 }
        id = at(van["ago"], "11:00") { buying.write("key" => "van #{index}", "lines" => [line]) }
        @purchases.change(id, state: "sent", supplier_ref: "S#{30_100 + index}", expected_on: (@today - van["ago"] + van["said"]).iso8601)
        at(van["ago"] - van["took"], "9:30") { buying.receive(id, { "lines" => [line] }) }
      end

      # What waits, and a little else, is on its way.
      def buy
        lines = buying.wanted.first(4).map { |one| { "number" => one.number, "quantity" => one.buy } }
        return if lines.empty?

        id = buying.write("key" => "morning", "lines" => lines)
        @purchases.change(id, state: "sent", supplier_ref: "S31207", expected_on: @today.iso8601)
      end
    end

    # One call of the script, as acts at their times.
    class Call
      def initialize(morning, call, index)
        @morning = morning
        @call = call
        @index = index
        @begun = morning.time(call["ago"], call["at"])
      end

      # @return [Array<Array(Time, Proc)>]
      def acts
        way = Morning::WAY.keys.take(Morning::WAY.keys.index(@call["to"]).to_i + 1) if Morning::WAY.key?(@call["to"])
        later = (way || []).map { |state| [[@begun + (Morning::WAY.fetch(state) * 3600), Time.now].min, -> { send(state) }] }
        later << [@begun + 3600, -> { step("cancel", "reason" => @call["because"]) }] if @call["to"] == "cancelled"
        [[@begun, -> { talk }], *later]
      end

      private

      def who = @call["who"]
      def key(name) = "morning #{@index} #{name}"

      def talk
        @ticket = @morning.tickets.open(key("ticket"))
        customer = @call["for"] && @morning.customers.named(@call["for"])[:id]
        entry("customer", "customer_id" => customer) if customer
        lines = [*@call["say"], *confirmed]
        lines.each_with_index { |words, at| Store::Clock.at(Store::Clock.now + (at * 40)) { entry("said", "words" => words) } }
        entry("closed", "reason" => @call["closed"]) if @call["closed"]
        order if @call["to"]
      end

      # Most callers tell more than the plate: what it has, counted and measured.
      def confirmed
        designation = @call["say"].first[/plate ([\w-]+)/, 1]
        variant = designation && @morning.reference.snapshot.variants_of(designation).first
        return [] if variant.nil? || (@index % 4).zero?

        [[variant.trait("head_bolts"), "head bolts"], [variant.trait("plunger_mm"), "mm plunger"]].filter_map do |value, noun|
          value && "#{value} #{noun}"
        end.first(1)
      end

      def entry(kind, **body)
        @entries = (@entries || 0) + 1
        @morning.add_entry.call(@ticket, { "kind" => kind, "key" => key(@entries), "who" => who, **body.transform_keys(&:to_s) })
      end

      def order
        entry("plan", "policy" => @call["plan"]) if @call["plan"]
        scope = view.ticket.scope
        # Somebody looks, agrees, and saves.
        agreed = { "areas" => scope, "agreed" => true, "pumps" => @call["pumps"] || 1 }
        Store::Clock.at(Store::Clock.now + 60 + (@index % 5 * 50)) { entry("work", **agreed) }
        seen = view
        reason = seen.readiness.blockers.any? ? "read off the plate twice" : nil
        request = { "ticket_id" => @ticket, "on" => seen.ticket.last, "seen" => Present::TicketView.call(seen)[:seen], "reason" => reason,
                    "who" => who, "quote" => @call["to"] == "quoted" }
        @order, = Store::Clock.at(Store::Clock.now + 150 + (@index % 7 * 40)) { @morning.place_order.call(request) }
        came unless %w[quoted waiting].include?(@call["to"])
        step("discount", "percent" => @call["discount"]) if @call["discount"]
      end

      def view = @morning.work.call(@ticket, @morning.tickets.entries(@ticket))

      # Somebody else looks again.
      def checker = who == "Oddny" ? "Ines" : "Oddny"

      def step(kind, who: self.who, **body)
        @steps = (@steps || 0) + 1
        @morning.step_order.call(@order.id, { "kind" => kind, "key" => key("step #{@steps}"), "who" => who, **body.transform_keys(&:to_s) })
      end

      def goods = @morning.lives.of(@order.id).goods

      # What was not there came with the next van.
      def came
        goods.select { |good| good.short.positive? }.each do |good|
          @morning.keep_stock.move("kind" => "received", "number" => good.number, "quantity" => good.short)
        end
      end

      def picked
        goods.each { |good| step("pick", "number" => good.number, "quantity" => good.reserved) if good.reserved.positive? }
      end

      def checked = goods.each { |good| step("check", who: checker, "number" => good.number, "quantity" => good.bagged) if good.bagged.positive? }

      def handed_over
        posted = @index % 6 == 2
        step("hand_over", "how" => posted ? "posted" : "fetched", "to" => posted ? "parcel #{@order.id}" : "the driver")
        lend(@call["lend"]) if @call["lend"]
      end

      def lend(told)
        step("lend", "tool" => "#{told['number']}/1", "until" => (Store::Clock.today + told["days"]).iso8601, "deposit" => "25")
      end

      def closed
        back = goods.select { |good| good.along.positive? && good.out.positive? }
        if @call["unused"]
          back.each do |good|
            step("take_back", "number" => good.number, "quantity" => [good.along, good.out].min, "because" => "unused", "to_shelf" => true)
          end
        end
        wrong if @call["wrong"]
        step("close")
      end

      def wrong
        good = goods.find { |one| one.out.positive? && one.along.zero? }
        step("take_back", "number" => good.number, "quantity" => 1, "because" => @call["wrong"], "to_shelf" => true)
      end
    end
    private_constant :Call
  end
end
