# frozen_string_literal: true

# One step of a ticket through the API at a large catalogue, next to the same step on the demo catalogue in the same run; then the step that
# follows an edit of one series. Bars at 50,000 models: 150 ms p95 after the first ticket, 500 ms after an edit.
# Run: bundle exec ruby bench/steps.rb [models]   (start it with the RUBY_GC_ settings of bin/demo)
require "digest"
require "json"
ENV["GIMLET_HOSTS"] = "example.org"
require "rack/mock"
require "stringio"
require "tmpdir"
require_relative "../lib/gimlet/api/app"
require_relative "../lib/gimlet/command"
require_relative "../test/support/synthetic_catalogue"

MODELS = (ARGV.first || 50_000).to_i
TICKETS = 8

def row(document)
  text = JSON.generate(document)
  { id: document["series"]["id"], maker_id: document["maker"]["id"], name: document["series"]["name"], construction: "synthetic",
    document: text, digest: Digest::SHA256.hexdigest(text) }
end

# The documents are sound by construction: they go in without the checks of an import, which take minutes at this size.
def fill(database, documents)
  database.transaction do
    documents.each do |document|
      database[:makers].insert_conflict.insert(id: document["maker"]["id"], name: document["maker"]["name"])
      database[:series].insert(row(document))
    end
  end
end

def changed(database, revision)
  database[:settings].insert_conflict(:replace).insert(name: Gimlet::Store::Catalogue::REVISION, value: revision)
end

# A browser at the counter.
class Caller
  def initialize(database)
    @app = Rack::MockRequest.new(Gimlet::API::App.new(Gimlet::Counter::Shop.new(database)))
    @keys = 0
  end

  def step(path, **body)
    begun = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    answer = @app.post(path, input: JSON.generate(key: "k#{@keys += 1}", **body), "CONTENT_TYPE" => "application/json")
    abort answer.body unless answer.status == 201
    [JSON.parse(answer.body)["id"], (Process.clock_gettime(Process::CLOCK_MONOTONIC) - begun) * 1000]
  end

  # @return [Array<Float>] ms of each step
  def call(lines)
    id, = step("/api/tickets", kind: "work", areas: %w[packings inlet_valves], agreed: false)
    lines.map { |words| step("/api/tickets/#{id}/entries", kind: "said", words: words).last }
  end
end

def lines(document)
  traits, model = document["traits"], document["models"][3]
  ["#{traits['head_bolts']} bolts", "#{traits['cylinders']} plungers", traits["head_bolt_drive"], "#{traits['manifold_material']} head",
   "#{traits['cover_colour']} crankcase", "#{model['traits']['plunger_mm']} mm plunger", "plate #{model['designation'].sub(/\A(...)./, '\1?')}"]
end

# Nobody pays for another's garbage.
def report(name, base = nil)
  GC.start
  times = yield
  sorted = times.sort
  p95 = sorted[(sorted.size * 0.95).floor]
  puts format("%-28s %10.0f %10.0f %10.1f", name, sorted[sorted.size / 2], p95, base ? p95 / base : 1)
  p95
end

Dir.mktmpdir do |folder|
  demo = Gimlet::Store.connect("#{folder}/demo.sqlite3")
  Gimlet::Demo.seed(demo)
  large = Gimlet::Store.connect("#{folder}/large.sqlite3")
  documents = SyntheticCatalogue.new(Random.new(1)).documents(MODELS / SyntheticCatalogue::MODELS_A_SERIES)
  fill(large, documents)
  changed(large, "1")
  small, big = Caller.new(demo), Caller.new(large)
  2.times { [small, big].each { |one| one.call(lines(documents[0])) } }
  puts "steps                         median ms     p95 ms  × the demo"
  base = report("demo") { Array.new(TICKETS) { |at| small.call(lines(documents[at])) }.flatten }
  report("#{MODELS} models", base) { Array.new(TICKETS) { |at| big.call(lines(documents[(at * 97) % documents.size])) }.flatten }
  edited = documents[3].merge("models" => documents[3]["models"].map { |model| model.merge("popularity" => 7) })
  large[:series].where(id: edited["series"]["id"]).update(row(edited))
  changed(large, "2")
  report("after an edit of one series", base) { Array.new(5) { big.step("/api/tickets/1/entries", kind: "said", words: "8 bolts").last } }
end
