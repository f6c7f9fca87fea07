# frozen_string_literal: true

# Junk at every route of a served demo: no crash, no wait, and memory that does not grow.
#
#   ruby bench/fuzz.rb [requests] [role]
require "bundler/setup"
require "yaml"
require_relative "support/served_demo"

REQUESTS = Integer(ARGV.fetch(0, "10000"))
PATHS = YAML.load_file(File.expand_path("../lib/gimlet/api/openapi.yml", __dir__))["paths"].keys
PLACES = %w[1 0 -1 x %20 99999999999999999999 a;b 1%2f2 pellwick-tk4].freeze
TAILS = [*[""] * 14, "?a=%", "?q=x", "?page=0", "?q[a]=1", "?paper=A4", "/..", "%2e", "/%2F", "\xC3\xA9".b, ";x"].freeze
LINE = "bucket 20 litres in 85 seconds, nozzle 045, ring 7 by 11, 8 bolts"
BODIES = ["", "null", "[]", "{}", "{", "\xFF".b, JSON.generate(text: "1" * 900), JSON.generate(text: "a" * 60_000), '{"pumps":1e309}',
          "#{'[' * 60}#{']' * 60}", JSON.generate(kind: "said", key: "k%d", words: LINE), '{"model":"TK4L20","scope":["packings"]}',
          '{"inner_mm":7,"outer_mm":11}', '{"figures":{"flow":15,"pressure":140}}', '{"bucket":{"litres":20,"seconds":85},"pump":"HV18"}',
          '{"instead_of":"WX20"}', '{"material":"EPDM","lubricant":"grease"}', '{"number":"PW-K220","price":"1e9","on_hand":"x","pack":"0"}',
          '{"name":"x","role":"counter","secret":"1234"}'].freeze

role = ARGV.fetch(1, "owner")
demo = ServedDemo.new(4693, role: role).start
random = Random.new(seed = ENV.fetch("SEED", "7").to_i)
answers = Hash.new(0)
times = []
ask = lambda do |http, at|
  path = PATHS.sample(random: random).gsub(/\{\w+\}/) { PLACES.sample(random: random) } + TAILS.sample(random: random)
  body = BODIES.sample(random: random)
  start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  answer = if random.rand < 0.02
             demo.send_file(http, path, body)
           elsif random.rand < 0.6
             demo.send_raw(http, path, body.include?("%d") ? format(body, at) : body)
           else
             demo.get(http, path)
           end
  times << (Process.clock_gettime(Process::CLOCK_MONOTONIC) - start)
  answers[answer.code] += 1
  said = answer.code.to_i < 400 || answer.body.match?(/<!doctype html>|"detail":".+[.!?]".*"code":/)
  puts "#{answer.code} #{path}: #{answer.body[0, 80]}" unless said
  puts "#{answer.code} #{path} #{body[0, 80].inspect}" if answer.code.to_i >= 500
end

before = nil
demo.connection do |http|
  REQUESTS.times do |at|
    ask.call(http, at)
    before = demo.resident_kb if at == REQUESTS / 10
  end
end
puts "#{role}, seed #{seed}: #{answers.sort.map { |kind, count| "#{kind} × #{count}" }.join(', ')}; slowest #{(times.max * 1000).round} ms; " \
     "resident #{before / 1024} MB after a tenth, #{demo.resident_kb / 1024} MB at the end"
demo.kill
