# frozen_string_literal: true

# How long a line takes to be heard as it grows, next to its own tenth in the same run.
# Bar: ten times the line takes no more than about ten times as long. Run: bundle exec ruby bench/ear.rb
require "benchmark"
require "json"
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
