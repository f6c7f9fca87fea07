# frozen_string_literal: true

# A full update (belief, order classes, next question) after 12 readings, on growing synthetic catalogues in one process.
# Bars: at most 100 ms with 10,000 models; from 1,000 to 50,000 models no worse than linear.
# Run: bundle exec ruby bench/updates.rb [seed]
require "benchmark"
Dir[File.expand_path("../lib/gimlet/core/**/*.rb", __dir__)].each { |file| require file }
require_relative "../lib/gimlet/exchange/vocabulary_files"
require_relative "../test/support/synthetic_catalogue"

TOLD = %w[cylinders head_bolts head_bolt_drive valve_caps plunger_material shaft_kind cover_colour sight_glass inlet_port
          plunger_mm manifold_material].freeze
SCOPE = %w[packings inlet_valves].freeze
ROUNDS = 15
VOCABULARY = Gimlet::Exchange::VocabularyFiles.shipped

def resident_mb = File.read("/proc/self/status")[/VmRSS:\s+(\d+)/, 1].to_i / 1024

def readings(variant)
  plate = variant.designation.dup.tap { |text| [1, 4].each { |at| text[at] = "?" } }
  values = TOLD.map { |trait| [trait, variant.trait(trait)] } << ["plate", plate]
  values.map { |trait, value| Gimlet::Core::Readings::Reading.from({ trait: trait, value: value }, VOCABULARY) }
end

seed = (ARGV.first || 1).to_i
first = nil
puts "models  pumps   build s   12 readings ms   no readings ms   resident MB   growth / models' growth"
[1000, 10_000, 50_000].each do |models|
  identify = snapshot = nil
  build = Benchmark.realtime do
    snapshot = SyntheticCatalogue.snapshot(models: models, seed: seed)
    field = Gimlet::Core::Identification::Field.new(Gimlet::Core::Identification::Hypotheses.of(snapshot), VOCABULARY)
    ids = Gimlet::Core::Identification::OrderIds.new.call(snapshot, SCOPE)
    identify = Gimlet::Core::Identification::Identify.new(field, Gimlet::Core::Identification::OrderClasses.new(ids))
    identify.call(readings(snapshot.variants.first), channel: "phone")
  end
  random = Random.new(seed)
  told = Array.new(ROUNDS) { readings(snapshot.variants.sample(random: random)) }
  full = told.map { |some| Benchmark.realtime { identify.call(some, channel: "phone") } * 1000 }.sort[ROUNDS / 2]
  none = Benchmark.realtime { identify.call([], channel: "phone") } * 1000
  first ||= [models, full]
  puts format("%6d %6d %9.1f %16.1f %16.1f %13d %25.2f", models, snapshot.variants.size, build, full, none, resident_mb,
              (full / first.last) / (models / first.first.to_f))
end
