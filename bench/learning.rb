# frozen_string_literal: true

# Simulated shops whose pumps and callers differ from practice: questions per call and right orders, before anything was learned, after ten
# closed tickets and after five hundred. A few series make up most of what comes; callers are wrong about each trait a third to three times as often
# as practice says.
# Bars: after 500 tickets at least 10 % fewer questions and no fewer right; after ten nothing worse.
# Run: bundle exec ruby bench/learning.rb [calls] [seed ...]
Dir[File.expand_path("../lib/gimlet/core/**/*.rb", __dir__)].each { |file| require file }
require_relative "../lib/gimlet/exchange/vocabulary_files"
require_relative "support/simulated_shop"

calls = (ARGV.shift || 600).to_i
seeds = ARGV.empty? ? [1, 2, 3] : ARGV.map(&:to_i)
names = { "practice" => 0, "after 10 tickets" => 10, "after 500 tickets" => 500 }
all = names.keys.to_h { |name| [name, []] }
seeds.each do |seed|
  shop = SimulatedShop.new(Gimlet::Exchange::VocabularyFiles.shipped, seed: seed)
  names.each { |name, tickets| all[name].concat(shop.calls(calls, shop.learned(tickets))) }
end
usual = all["practice"].sum(&:questions)
puts "seeds #{seeds.join(', ')}; #{calls} calls each", "                        questions  seconds    right   questions / practice"
all.each do |name, outcomes|
  puts format("%-22s %10.2f %8.0f %7.1f%% %22.3f", name, outcomes.sum(&:questions) / outcomes.size.to_f,
              outcomes.sum(&:seconds) / outcomes.size.to_f, 100.0 * outcomes.count(&:right) / outcomes.size,
              outcomes.sum(&:questions) / usual.to_f)
end
