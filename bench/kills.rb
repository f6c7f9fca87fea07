# frozen_string_literal: true

# Kills a served demo while four tills write, again and again: nothing that was acknowledged may be lost or there twice.
#
#   ruby bench/kills.rb [kills]
require "bundler/setup"
require "sqlite3"
require_relative "support/served_demo"

KILLS = Integer(ARGV.fetch(0, "100"))
LINE = "plate TK4R20, serial 31500, 15 lpm, green, packings"
Written = Struct.new(:lines, :orders)
written = Written.new([], [])
lock = Mutex.new
count = 0
demo = ServedDemo.new(4691)

# A ticket, and for every third of them its order.
till = lambda do
  demo.connection do |http|
    loop do
      key = lock.synchronize { "kill #{count += 1}" }
      ticket = demo.post(http, "/api/tickets", kind: "said", key: key, words: LINE)
      next unless ticket.code == "201"

      lock.synchronize { written.lines << key }
      view = JSON.parse(ticket.body)
      next unless (view["id"] % 3).zero?

      order = demo.post(http, "/api/orders", ticket_id: view["id"], on: view["last"], seen: view["seen"])
      lock.synchronize { written.orders << JSON.parse(order.body)["id"] } if order.code == "201"
    end
  end
rescue SystemCallError, IOError
  nil
end

KILLS.times do
  demo.start
  tills = Array.new(4) { Thread.new(&till) }
  sleep 0.3 + rand
  demo.kill
  tills.each(&:join)
end

database = SQLite3::Database.new(demo.database)
keys = database.execute("SELECT key, COUNT(*) FROM entries WHERE kind = 'said' GROUP BY key").to_h
orders = database.execute("SELECT id, ticket_id FROM orders")
puts "kills #{KILLS}; acknowledged: #{written.lines.size} entries, #{written.orders.size} orders"
puts "lost: #{written.lines.count { |key| !keys.key?(key) }} entries, #{(written.orders - orders.map(&:first)).size} orders"
puts "twice: #{keys.count { |_, times| times > 1 }} entries, #{orders.size - orders.map(&:last).uniq.size} orders"
puts "integrity: #{database.execute('PRAGMA integrity_check').flatten.first}"
