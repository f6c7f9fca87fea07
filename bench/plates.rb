# frozen_string_literal: true

# Damaged plates among 5,000 designations: how often the true one is in the first five, and how long it takes, next to an SQLite FTS5
# trigram search on the same plates in the same run.
# Bars: top-5 recall >= 0.99, 0.98, 0.95 for 1, 2, 3 damaged characters; no slower than 10 times FTS5. Also 50,000 designations.
# Run: bundle exec ruby bench/plates.rb [seed]
require "benchmark"
require "sqlite3"
require_relative "../lib/gimlet/core/2_readings/plates/plate_index"
require_relative "support/plate_damage"

PLATES = 400
random = Random.new((ARGV.first || 1).to_i)

# What a trigram search makes of a plate: every readable run of three glyphs, any of them, best rank first.
class TrigramSearch
  def initialize(names)
    @database = SQLite3::Database.new(":memory:")
    @database.execute("CREATE VIRTUAL TABLE plates USING fts5(name, tokenize = 'trigram')")
    @database.transaction { names.each { |name| @database.execute("INSERT INTO plates (name) VALUES (?)", [name]) } }
    @find = @database.prepare("SELECT rowid - 1 FROM plates WHERE plates MATCH ? ORDER BY rank LIMIT 5")
  end

  def top(text)
    grams = text.split(/[?*]+/).flat_map { |run| run.chars.each_cons(3).map(&:join) }
    grams.empty? ? [] : @find.execute(grams.map { |gram| %("#{gram}") }.join(" OR ")).map(&:first)
  end
end

def top_of(index, text) = index.search(text).max_by(5) { |_, score| score }.map(&:first)

puts "designations  damaged   recall@5   trigram         ms trigram ms × slower"
[5000, 50_000].each do |count|
  names = PlateDamage.designations(count, random)
  index = Gimlet::Core::Readings::PlateIndex.new(names)
  trigram = TrigramSearch.new(names)
  [1, 2, 3].each do |damaged|
    plates = Array.new(PLATES) { random.rand(names.size).then { |at| [at, PlateDamage.call(names[at], damaged, random)] } }
    ours = theirs = nil
    seconds = Benchmark.realtime { ours = plates.count { |at, text| top_of(index, text).include?(at) } }
    their_seconds = Benchmark.realtime { theirs = plates.count { |at, text| trigram.top(text).include?(at) } }
    puts format("%-13d %-8d %9.3f %9.3f %10.2f %10.2f %8.1f", names.size, damaged, ours / PLATES.to_f, theirs / PLATES.to_f,
                seconds * 1000 / PLATES, their_seconds * 1000 / PLATES, seconds / their_seconds)
  end
end
