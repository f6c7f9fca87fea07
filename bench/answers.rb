# frozen_string_literal: true

# How long identify and plan take on the demo catalogue, next to an empty request in the same run.
# Bar: 50 ms each. Run: bundle exec ruby bench/answers.rb
require "benchmark"
ENV["GIMLET_HOSTS"] = "example.org"
require "rack/mock"
require "stringio"
require "tmpdir"
require_relative "../lib/gimlet/api/app"
require_relative "../lib/gimlet/command"

ROUNDS = 200
LINE = "something K, 4, then can't read, 20, eight head bolts taking a 6 mm hex key, three white plungers, valves and packings"
SCOPE = %w[inlet_valves discharge_valves packings].freeze

database = Gimlet::Store.connect(File.join(Dir.mktmpdir, "bench.sqlite3"))
Gimlet::Demo.seed(database)
app = Rack::MockRequest.new(Gimlet::API::App.new(Gimlet::Counter::Shop.new(database)))
post = ->(path, body) { app.post(path, input: JSON.generate(body), "CONTENT_TYPE" => "application/json") }

requests = {
  "empty request" => -> { app.get("/api/nothing") },
  "identify" => -> { post.call("/api/identify", text: LINE, scope: SCOPE) },
  "plan" => -> { post.call("/api/plan", model: "TK4L20", serial: 31_500, scope: SCOPE) }
}

base = nil
puts "request         median ms   worst ms      × empty"
requests.each do |name, call|
  5.times { call.call }
  times = Array.new(ROUNDS) { Benchmark.realtime { call.call } * 1000 }.sort
  median = times[ROUNDS / 2]
  base ||= median
  puts format("%-14s %10.2f %10.2f %12.1f", name, median, times.last, median / base)
end
