# frozen_string_literal: true

# Twenty clerks work on a small shelf: they order, pick, check, hand over, cancel, take back, receive, scrap and count, all at once; then the
# same while the server is killed again and again. Sums of movements must be what lies there, nothing may be promised twice or go below zero.
#
#   ruby bench/clerks.rb [seconds] [kills]
require "bundler/setup"
require "sqlite3"
require_relative "support/served_demo"

SECONDS = Integer(ARGV.fetch(0, "300"))
KILLS = Integer(ARGV.fetch(1, "50"))
CLERKS = 20
LINE = "plate TK4R20, serial 31500, 15 lpm, green, packings"
NUMBERS = %w[PW-K220 PW-4141 PW-4240 PW-4250].freeze

demo = ServedDemo.new(4693, role: "owner")
done = Hash.new(0)
lock = Mutex.new

# One clerk: whatever comes next.
clerk = lambda do |random, till|
  post = lambda do |http, name, path, body|
    answer = demo.post(http, path, body)
    lock.synchronize { done["#{name} #{answer.code}"] += 1 }
    answer.code.start_with?("2") ? JSON.parse(answer.body) : nil
  end
  step = ->(http, order, kind, **body) { post.call(http, kind, "/api/orders/#{order}/steps", kind: kind, key: "c#{random.rand(1 << 60)}", **body) }
  demo.connection do |http|
    until till.call
      case random.rand(10)
      when 0, 1, 2
        view = post.call(http, "ticket", "/api/tickets", kind: "said", key: "t#{random.rand(1 << 60)}", words: LINE) or next
        post.call(http, "order", "/api/orders", ticket_id: view["id"], on: view["last"], seen: view["seen"] || [], reason: "he read it twice")
      when 3, 4, 5, 6
        id = JSON.parse(demo.get(http, "/api/today").body)["piles"].flat_map do |pile|
          pile["rows"]
        end.filter_map { |row| row["to"][%r{\A/orders/(\d+)}, 1] }.sample(random: random) or next
        order = JSON.parse(demo.get(http, "/api/orders/#{id}").body)
        good = order["goods"].sample(random: random) or next
        body = { number: good["number"], quantity: 1 }
        case random.rand(8)
        when 0, 1, 2 then step.call(http, id, "pick", **body)
        when 3 then step.call(http, id, "check", **body)
        when 4 then step.call(http, id, "put_back", **body)
        when 5 then step.call(http, id, "hand_over", how: "fetched", reason: "in a hurry")
        when 6 then step.call(http, id, "take_back", **body, because: "unused", to_shelf: true)
        else step.call(http, id, "cancel", reason: "rang off", handed: "shelf")
        end
      when 7, 8
        kind = random.rand(3).zero? ? "scrapped" : "received"
        post.call(http, kind, "/api/movements", kind: kind, number: NUMBERS.sample(random: random), quantity: random.rand(1..2), why: "clerk")
      else
        number = NUMBERS.sample(random: random)
        told = JSON.parse(demo.get(http, "/api/stock/#{number}").body)
        post.call(http, "count", "/api/counts",
                  lines: [{ number: number, counted: [told["on_hand"] + random.rand(-1..1), 0].max, was: told["on_hand"], why: "counted" }])
      end
    end
  end
rescue SystemCallError, IOError
  nil
end

work = lambda do |till|
  Array.new(CLERKS) { |at| Thread.new { clerk.call(Random.new(Random.rand(1 << 30) + at), till) } }
end

# What must hold, asked of the file itself.
check = lambda do |when_|
  database = SQLite3::Database.new(demo.database)
  wrong = database.execute(<<~SQL).flatten
    SELECT s.number FROM stock s LEFT JOIN (SELECT number, SUM(on_hand) h, SUM(reserved) r, SUM(bagged) b FROM movements GROUP BY number) m USING (number)
    WHERE s.on_hand <> COALESCE(m.h, 0) OR s.reserved <> COALESCE(m.r, 0) OR s.bagged <> COALESCE(m.b, 0)
  SQL
  promised = database.execute(<<~SQL).flatten
    SELECT s.number FROM stock s JOIN (SELECT number, SUM(reserved) r, SUM(bagged) b FROM goods GROUP BY number) g USING (number)
    WHERE g.r <> s.reserved OR g.b <> s.bagged
  SQL
  below = database.execute("SELECT number FROM stock WHERE on_hand < reserved OR reserved < 0 OR on_hand < 0").flatten
  states = database.execute("SELECT state, COUNT(*) FROM orders GROUP BY state").to_h
  puts "#{when_}: #{database.get_first_value('SELECT COUNT(*) FROM movements')} movements, orders #{states}"
  puts "  sums that are not their movements': #{wrong.size}; promised otherwise than orders have it: #{promised.size}; below zero: #{below.size}; " \
       "integrity #{database.execute('PRAGMA integrity_check').flatten.first}"
end

demo.start
ending = Process.clock_gettime(Process::CLOCK_MONOTONIC) + SECONDS
work.call(-> { Process.clock_gettime(Process::CLOCK_MONOTONIC) > ending }).each(&:join)
demo.kill
puts done.sort.map { |name, count| "#{name}: #{count}" }.join(", ")
check.call("after #{SECONDS} s of #{CLERKS} clerks")

KILLS.times do
  demo.start
  stop = false
  clerks = work.call(-> { stop })
  sleep 0.5 + rand
  demo.kill
  stop = true
  clerks.each(&:join)
end
check.call("after #{KILLS} kills")
