# frozen_string_literal: true

# A shop of 50,000 orders and 500,000 movements: how long Today, the lists and a step take over HTTP's inside (rack-test), in ms.
# Bar: Today and any list at most 150 ms.
# Run: bundle exec ruby bench/shop.rb [orders]
ENV["GIMLET_HOSTS"] = "example.org"
require "bundler/setup"
require "rack/test"
require "tmpdir"
require_relative "../lib/gimlet/api/app"
require_relative "../lib/gimlet/command"

ORDERS = Integer(ARGV.fetch(0, "50000"))
EACH = 10
LIVE = 200
SLICE = 2000
BEGUN = Time.now.utc - (400 * 86_400)

# Copies of one order, with goods and movements of their own.
class BigShop
  include Rack::Test::Methods

  attr_reader :app

  def initialize
    @database = Gimlet::Store.connect(File.join(Dir.mktmpdir, "big.sqlite3"))
    Gimlet::Demo.seed(@database)
    Gimlet::Demo.morning(@database)
    grow
    @app = Gimlet::API::App.new(Gimlet::Counter::Shop.new(@database))
    @app.helpers.shop.ready
  end

  def grow
    @order, @listed = @database[:orders].order(:id).first, @database[:order_list].order(:order_id).first
    @numbers = @database[:stock].select_map(:number)
    @first = @database[:orders].max(:id) + 1
    (0...ORDERS).each_slice(SLICE) { |some| @database.transaction { slice(some) } }
  end

  def slice(some)
    @database[:tickets].multi_insert(some.map do |one|
      { id: 10_000 + one, key: "big #{one}", state: "ordered", created_at: BEGUN, updated_at: BEGUN }
    end)
    @database[:orders].multi_insert(some.map { |one| order(one) })
    @database[:order_list].multi_insert(some.map { |one| @listed.merge(order_id: @first + one) })
    @database[:movements].multi_insert(some.flat_map { |one| Array.new(EACH) { |step| movement(one, step) } })
  end

  def order(one)
    state, at = one > ORDERS - LIVE ? "handed_over" : "closed", BEGUN + (one * 600)
    @order.merge(id: @first + one, ticket_id: 10_000 + one, stage: state, state: state, since: at, handed_at: at, created_at: at, pump_id: nil)
  end

  # In and out in turn, so that the shelf is never below zero.
  def movement(one, step)
    { at: BEGUN + (one * 600) + step, who: "Ines", kind: step.even? ? "received" : "scrapped", number: @numbers[one % @numbers.size], quantity: 1,
      on_hand: step.even? ? 1 : -1 }
  end

  def timed(name)
    times = Array.new(7) do
      from = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      yield
      abort "#{name}: #{last_response.status} #{last_response.body[0, 200]}" unless last_response.successful?
      (Process.clock_gettime(Process::CLOCK_MONOTONIC) - from) * 1000
    end
    puts format("%-34s median %7.1f ms   worst %7.1f ms", name, times.sort[3], times.max)
  end

  def run
    puts "#{@database[:orders].count} orders, #{@database[:movements].count} movements"
    { "Today" => "/api/today", "orders, first page" => "/api/orders", "orders found by words" => "/api/orders?q=saltmarsh",
      "orders, page 900" => "/api/orders?page=900",
      "stock" => "/api/prices", "stock found by name" => "/api/prices?q=seal", "one number" => "/api/stock/PW-K220", "to buy" => "/api/to-buy",
      "customers" => "/api/customers?q=dairy", "a customer's file" => "/api/customers/5", "tools" => "/api/tools", "purchases" => "/api/purchases",
      "calendar" => "/api/due.ics", "figures" => "/api/figures", "history of a day" => "/api/history", "one order" => "/api/orders/30" }
      .each do |name, path|
      timed(name) { get path }
    end
    timed("received") { post "/api/movements", JSON.generate(kind: "received", number: "PW-K220", quantity: 1), "CONTENT_TYPE" => "application/json" }
  end
end

BigShop.new.run
