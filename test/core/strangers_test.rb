# frozen_string_literal: true

require_relative "../support/core"
require_relative "../support/stranger"

# Lines of strangers, each with what it says: how many are heard in full, and how many say what was not meant.
class StrangersTest < Minitest::Test
  include DemoCatalogue

  OWN = YAML.load_file(File.expand_path("strangers.yml", __dir__)).freeze
  # Lines that lie beside the product, where it is worked on.
  BESIDE = File.expand_path("../../../shared/lines/stranger.yml", __dir__)
  # Of a hundred lines: heard in full at least, wrong at most.
  BARS = { "call" => [90, 4], "answer" => [90, 3], "complaint" => [90, 5], "measure" => [90, 3], "operator" => [90, 4] }.freeze
  # One line in eight may ask back.
  CHOICES = 8

  def judged(rows) = rows.to_h { |row| [row, Stranger::Judge.new(row, EAR.call(row["line"], asked: row["asked"]), vocabulary).call] }

  def assert_bars(data)
    BARS.each do |group, (full, wrong)|
      verdicts = judged(data.fetch(group))
      told = verdicts.reject { |_, verdict| verdict.full? }.map { |row, verdict| "#{row['line']}: #{verdict.to_h}" }.join("\n")
      assert_operator verdicts.values.count(&:full?) * 100, :>=, full * verdicts.size, "#{group}\n#{told}"
      assert_operator verdicts.values.count { |verdict| verdict.wrong.any? } * 100, :<=, wrong * verdicts.size, "#{group}\n#{told}"
      assert_operator verdicts.values.count(&:by_choice) * CHOICES, :<=, verdicts.size, group
    end
  end

  # What is heard stays heard. Lines marked `short` are not heard in full yet.
  def test_lines_of_our_own_strangers
    assert_bars(OWN)
    rows = OWN.except("noise").values.flatten.reject { |row| row["short"] }
    judged(rows).each { |row, verdict| assert verdict.full?, "#{[row['asked'], row['line']].compact.join(': ')} #{verdict.to_h}" }
  end

  def test_lines_of_another_stranger
    skip "they lie beside the product only" unless File.exist?(BESIDE)

    assert_bars(YAML.load_file(BESIDE))
  end

  # Telephone numbers, dates, prices and chat say nothing of a pump. A number quoted from an invoice is one.
  def test_noise_is_silent
    rows = OWN.fetch("noise") + (File.exist?(BESIDE) ? YAML.load_file(BESIDE).fetch("noise") : [])
    loud = rows.map { |row| row["line"] }.reject { |line| EAR.call(line).then { |found| found.items.empty? && found.choices.empty? } }
    assert_equal OWN.fetch("noise").select { |row| row["short"] }.map { |row| row["line"] }, loud
    assert_equal ["invoice 20417 dated 12/03"], loud
    assert_equal(["20417"], EAR.call(loud.first).readings.map { |fields| fields[:value] })
  end

  GLYPHS = { "0" => "O", "O" => "0", "1" => "I", "I" => "1", "5" => "S", "S" => "5" }.freeze

  # One glyph of a pump's name typed as one that looks like it: the series is found all the same, and no other pump is named.
  def test_a_slip_in_a_designation_still_leads_to_its_series
    series = snapshot.variants.to_h { |variant| [Gimlet::Core::Readings::PlateMatch.plain(variant.designation), variant.series.name] }
    names = FIELD.column("plate").names
    slips = snapshot.variants.map(&:designation).uniq.flat_map { |name| slips_of(name).map { |typed| [typed, name] } }
    slips.reject! { |typed, _| series.key?(Gimlet::Core::Readings::PlateMatch.plain(typed)) }
    assert_operator slips.size, :>, 100
    slips.each do |typed, name|
      fields = EAR.call(typed).readings
      assert_equal ["plate"], fields.map { |one| one[:trait] }, typed
      best = names.nearest(fields.first[:value]).first
      assert_equal series.fetch(Gimlet::Core::Readings::PlateMatch.plain(name)), series[best] || series_spelled(best), typed
    end
  end

  def series_spelled(plain)
    snapshot.variants.find { |variant| variant.spellings.any? { |name| Gimlet::Core::Readings::PlateMatch.plain(name) == plain } }&.series&.name
  end

  def slips_of(name)
    name.each_char.with_index.filter_map { |glyph, at| GLYPHS[glyph.upcase]&.then { |other| name.dup.tap { |typed| typed[at] = other } } }
  end
end
