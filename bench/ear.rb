# frozen_string_literal: true

# How long a line takes to be heard as it grows, next to its own tenth in the same run, and lines as they are typed.
# Bars: ten times the line takes no more than about ten times as long; of talk, 1,000 characters take 60 ms at most, twice as many 2.3 times as long;
# a usual line takes 10 ms at most. Run: bundle exec ruby bench/ear.rb
require "benchmark"
require "json"
require "yaml"
require_relative "../lib/gimlet/core/1_catalogue/build"
require_relative "../lib/gimlet/core/1_catalogue/snapshot"
require_relative "../lib/gimlet/counter/reference"
require_relative "../lib/gimlet/exchange/reference_files"
require_relative "../lib/gimlet/exchange/vocabulary_files"

documents = Dir[File.expand_path("../data/demo/catalogue/*.json", __dir__)].map { |file| JSON.parse(File.read(file)) }
snapshot = Gimlet::Core::Catalogue::Snapshot.new(documents.map { |document| Gimlet::Core::Catalogue::Build.call(document) }, version: "bench")
ear = Gimlet::Counter::Reference.new(snapshot, Gimlet::Exchange::VocabularyFiles.shipped, Gimlet::Exchange::ReferenceFiles::TABLES).ear

KINDS = { "figures" => "7 ", "words" => "grumbles ", "bolts" => "8 bolts ", "letters" => "K ", "letters and figures" => "K4",
          "marks" => "?,", "digits" => "1" }.freeze
puts "line of                    100 ms     1000 ms   × longer"
KINDS.each do |name, piece|
  small, large = [100, 1000].map do |count|
    line = piece * count
    Array.new(3) { Benchmark.realtime { ear.call(line) } * 1000 }.min
  end
  puts format("%-22s %10.1f %11.1f %10.1f", name, small, large, large / small)
end

TYPED = YAML.load_file(File.expand_path("../test/core/heard.yml", __dir__)).map { |row| row["line"] }
TALK = TYPED.join(", ")
usual = TYPED.map { |line| Benchmark.realtime { ear.call(line) } * 1000 }.sort
puts format("a usual line: median %.1f ms, p95 %.1f ms", usual[usual.size / 2], usual[usual.size * 95 / 100])
before = nil
[500, 1000, 2000].each do |size|
  taken = Array.new(5) { Benchmark.realtime { ear.call(TALK[0, size]) } * 1000 }.min
  puts format("%5d characters of talk: %7.1f ms %s", size, taken, before && format("× %.1f", taken / before))
  before = taken
end
