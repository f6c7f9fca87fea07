# frozen_string_literal: true

# Simulated calls on a 1,000-model catalogue, 4 % wrong answers: questions needed, next to two other ways of asking in the same run,
# and whether "95 % sure" is right at least 95 times in 100.
# Bars: right >= 99 %; questions <= 0.80 of asking by model entropy and <= 0.65 of a fixed list.
# Run: bundle exec ruby bench/calls.rb [calls] [seed ...]
Dir[File.expand_path("../lib/gimlet/core/**/*.rb", __dir__)].each { |file| require file }
require_relative "../lib/gimlet/exchange/vocabulary_files"
require_relative "../test/support/synthetic_catalogue"
require_relative "support/simulated_call"
require_relative "support/strategies"

calls = (ARGV.shift || 2000).to_i
seeds = ARGV.empty? ? [1, 2] : ARGV.map(&:to_i)
SCOPE = %w[packings inlet_valves].freeze

def pick_truths(field, count, random)
  sums = field.prior.each_with_object([]) { |p, all| all << (p + (all.last || 0.0)) }
  Array.new(count) { random.rand.then { |at| sums.index { |sum| sum >= at } || (sums.size - 1) } }
end

outcomes = Hash.new { |all, name| all[name] = [] }
seeds.each do |seed|
  snapshot = SyntheticCatalogue.snapshot(models: 1000, seed: seed)
  field = Gimlet::Core::Identification::Field.new(Gimlet::Core::Identification::Hypotheses.of(snapshot), Gimlet::Exchange::VocabularyFiles.shipped)
  classes = Gimlet::Core::Identification::OrderClasses.new(Gimlet::Core::Identification::OrderIds.new.call(snapshot, SCOPE))
  models = snapshot.variants.each_index.to_a
  truths = pick_truths(field, calls / seeds.size, Random.new(seed))
  { "order-class entropy" => [Strategies.entropy(field, classes.places), 1], "model entropy" => [Strategies.entropy(field, models), 1],
    "fixed list" => [Strategies.fixed(field), 1] }.each do |name, (choose, every)|
    call = SimulatedCall.new(field, classes, choose)
    random = Random.new(seed + 1000)
    truths.each_slice(every) { |some| outcomes[name] << call.call(some.first, random) }
  end
end

def mean(values) = values.sum / values.size.to_f

ours = mean(outcomes["order-class entropy"].map(&:questions))
puts "seeds #{seeds.join(', ')}"
puts "asking by                calls  questions   seconds     right  ours / this"
outcomes.each do |name, all|
  questions = mean(all.map(&:questions))
  puts format("%-22s %7d %10.2f %9.0f %8.1f%% %12.2f", name, all.size, questions, mean(all.map(&:seconds)),
              100.0 * all.count(&:right) / all.size, ours / questions)
end

puts "", "reliability of the order class named at the end (order-class entropy)"
puts "said               calls  mean said     right"
[[0.0, 0.5], [0.5, 0.8], [0.8, 0.95], [0.95, 0.97], [0.97, 0.99], [0.99, 1.01]].each do |low, high|
  some = outcomes["order-class entropy"].select { |one| one.sure >= low && one.sure < high }
  next if some.empty?

  puts format("%4.0f%% to %4.0f%% %7d %9.1f%% %8.1f%%", low * 100, [high, 1].min * 100, some.size, 100 * mean(some.map(&:sure)),
              100.0 * some.count(&:right) / some.size)
end
