# frozen_string_literal: true

require "minitest/autorun"
require "sqlite3"
require_relative "../../bench/support/plate_damage"
require_relative "../../lib/gimlet/core/2_readings/plates/plate_index"

# SQLite's own FTS5 trigram search on the same damaged plates: a general text search as the yardstick.
class TrigramTest < Minitest::Test
  PLATES = 80

  def setup
    random = Random.new(3)
    @names = PlateDamage.designations(1500, random)
    @plates = [1, 2, 3].to_h do |damaged|
      [damaged, Array.new(PLATES) { random.rand(@names.size).then { |at| [at, PlateDamage.call(@names[at], damaged, random)] } }]
    end
    @database = SQLite3::Database.new(":memory:")
    @database.execute("CREATE VIRTUAL TABLE plates USING fts5(name, tokenize = 'trigram')")
    @names.each { |name| @database.execute("INSERT INTO plates (name) VALUES (?)", [name]) }
  end

  def trigram(text)
    grams = text.split(/[?*]+/).flat_map { |run| run.chars.each_cons(3).map(&:join) }
    return [] if grams.empty?

    @database.execute("SELECT rowid - 1 FROM plates WHERE plates MATCH ? ORDER BY rank LIMIT 5", [grams.map do |gram|
      %("#{gram}")
    end.join(" OR ")]).flatten
  end

  def recall(plates) = plates.count { |at, text| yield(text).include?(at) } / PLATES.to_f

  def test_recall_beats_a_text_search_as_soon_as_two_characters_are_gone
    index = Gimlet::Core::Readings::PlateIndex.new(@names)
    { 1 => 0.99, 2 => 0.98, 3 => 0.95 }.each do |damaged, bar|
      ours = recall(@plates[damaged]) { |text| index.search(text).max_by(5) { |_, score| score }.map(&:first) }
      theirs = recall(@plates[damaged]) { |text| trigram(text) }
      assert_operator ours, :>=, bar, "#{damaged} damaged"
      assert_operator ours, :>, theirs, "#{damaged} damaged" if damaged > 1
    end
  end
end
