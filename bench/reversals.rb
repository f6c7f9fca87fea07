# frozen_string_literal: true

# How much of what can be turned round in the demo's documents the doctor notices, by kind: every piece drawn to its other end, every word of
# direction, every two neighbours, every list and every step of closing. Takes two minutes.
#
#   bundle exec ruby bench/reversals.rb
require "json"
require_relative "../lib/gimlet/core/1_catalogue/build"
require_relative "../lib/gimlet/core/doctor/doctor"
require_relative "../test/support/reversals"

documents = Dir[File.expand_path("../data/demo/catalogue/*.json", __dir__)].map { |file| JSON.parse(File.read(file)) }
remarks = ->(document) { Gimlet::Core::Doctor.call(Gimlet::Core::Catalogue::Build.call(document)) }

puts "#{documents.sum { |document| remarks.call(document).size }} remarks on the demo as it is"
documents.flat_map { |document| Reversals.of(document) }.group_by(&:kind).each do |kind, reversals|
  missed = reversals.select { |reversal| remarks.call(reversal.document).empty? }
  puts "#{kind.to_s.ljust(9)} #{reversals.size - missed.size} of #{reversals.size}"
  missed.each { |reversal| puts "          not noticed: #{reversal.name}" }
end
