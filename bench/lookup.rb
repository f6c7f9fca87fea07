# frozen_string_literal: true

# The catalogue at 10,000 models: search, a series' doctor, and what a change would do. Milliseconds, median and 95th percentile; the baseline is a
# plain scan of all names for one word.
#
#   bundle exec ruby bench/lookup.rb [MODELS]
require_relative "../test/support/core"
require_relative "../test/support/synthetic_catalogue"
Minitest.seed = 0

MODELS = Integer(ARGV.fetch(0, 10_000))
snapshot = SyntheticCatalogue.snapshot(models: MODELS, seed: 20)
series = snapshot.series
begun = Process.clock_gettime(Process::CLOCK_MONOTONIC)
index = Gimlet::Core::Lookup::Index.new(snapshot)
puts "#{snapshot.counts}, laid out in #{((Process.clock_gettime(Process::CLOCK_MONOTONIC) - begun) * 1000).round} ms"

def table(name, times)
  sorted = times.sort
  puts "#{name.ljust(34)} median #{(sorted[sorted.size / 2] * 1000).round(1)} ms, p95 #{(sorted[(sorted.size * 0.95).floor] * 1000).round(1)} ms"
end

def timed
  begun = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  yield
  Process.clock_gettime(Process::CLOCK_MONOTONIC) - begun
end

random = Random.new(20)
words = Array.new(200) do
  part = series.sample(random: random).parts.sample(random: random)
  [part.number, part.name, "#{part.name.split.last} #{part.number[0, 3]}", part.spec.values.grep(Numeric).first(2).join("x")].sample(random: random)
end
names = series.flat_map(&:parts).map { |part| part.name.downcase }
table("baseline: one word in all names", words.map { |word| timed { names.count { |name| name.include?(word.downcase) } } })
table("search", words.map { |word| timed { index.find(word) } })
table("doctor of one series", series.sample(30, random: random).map { |one| timed { Gimlet::Core::Doctor.call(one, DemoCatalogue::VOCABULARY) } })
table("effects of one series, unchanged", series.sample(10, random: random).map { |one| timed { Gimlet::Core::Drafting::Effects.of(one, one) } })
$stdout.flush
exit!
