# frozen_string_literal: true

# Ten connections at once, each with plates of its own: what a ticket's step takes beside a request that computes nothing.
#
#   ruby bench/load.rb [rounds]
require "bundler/setup"
require_relative "support/served_demo"

CONNECTIONS = 10
EACH = 12
PLATES = %w[TK4L20 TK4R20 DK420 HBL20 PG50L MGL40 SC325L GT2-25 NDL18 UX3800 VA-20 LT14 RP-20 OB214].freeze
ALSO = %w[brass green packings valves].freeze

def line(random)
  plate = PLATES.sample(random: random).dup
  2.times { plate[random.rand(plate.size)] = "?" } if random.rand < 0.7
  "plate #{plate}, #{random.rand(6..12)} bolts, #{ALSO.sample(random: random)}"
end

def seconds
  start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  answer = yield
  [Process.clock_gettime(Process::CLOCK_MONOTONIC) - start, answer.code.to_i]
end

# @return [Array] of seconds and status
def together(demo, seed)
  Array.new(CONNECTIONS) do |at|
    random = Random.new(seed + at)
    Thread.new { demo.connection { |http| Array.new(EACH) { |number| seconds { yield http, random, "#{seed} #{at} #{number}" } } } }
  end.flat_map(&:value)
end

def percentile(times, part) = times.map(&:first).sort[(times.size * part).floor] * 1000

demo = ServedDemo.new(4692).start
empty = ->(http, _, _) { demo.get(http, "/api/session") }
step = ->(http, random, key) { demo.post(http, "/api/tickets", kind: "said", key: key, words: line(random)) }
together(demo, 0, &empty)
together(demo, 1000, &step)
Integer(ARGV.fetch(0, "5")).times do |round|
  idle, busy = together(demo, 0, &empty), together(demo, 2000 + (round * 100), &step)
  puts format("empty p50 %.0f p95 %.0f ms; step p50 %.0f p95 %.0f ms; ratio of p95 %.1f; refused %d",
              percentile(idle, 0.5), percentile(idle, 0.95), percentile(busy, 0.5), percentile(busy, 0.95),
              percentile(busy, 0.95) / percentile(idle, 0.95), (idle + busy).count { |_, status| status >= 400 })
end
puts "resident #{demo.resident_kb / 1024} MB"
demo.kill
