# frozen_string_literal: true

require "timeout"
require_relative "../support/core"

# What was measured is picked out of a line, and nothing else of the line is lost by it. Ways of saying it are common practice, no source.
class MeasuresTest < Minitest::Test
  include DemoCatalogue

  CORPUS = YAML.load_file(File.expand_path("heard.yml", __dir__)).freeze

  def measure(line) = EAR.call(line).items.filter_map(&:measure)
  def bucket(line) = measure(line).first&.dig("measure", "bucket")

  BUCKETS = {
    "bucket 20 litres in 85 seconds, nozzle 045, 140 bar" => { "litres" => "20", "seconds" => "85", "nozzle" => "045", "pressure" => "140 bar" },
    "bucket 20 l in 85 s with the 045 nozzle at 140 bar" => { "litres" => "20", "seconds" => "85", "nozzle" => "045", "pressure" => "140 bar" },
    "20 litre bucket took 1 min 25" => { "litres" => "20", "seconds" => "85" },
    "bucket fills in a minute and 10, 20 l" => { "litres" => "20", "seconds" => "70" },
    "bucket: 12,5 litres in 50 sec" => { "litres" => "12,5", "seconds" => "50" },
    "5 gallon bucket in 75 sec" => { "litres" => "18.93", "seconds" => "75" },
    "bucket 20 L in 2 mins" => { "litres" => "20", "seconds" => "120" },
    "bucket 20 litres in 2 minutes, supply 25" => { "litres" => "20", "seconds" => "120", "supply" => "25" },
    "bucket 20 litres in 130 seconds, feed alone gives 9 litres a minute" => { "litres" => "20", "seconds" => "130", "supply" => "9" },
    "bucket 20 litres in 100 s, shaft turns 1160 rpm instead of 1450" =>
      { "litres" => "20", "seconds" => "100", "turns" => "1160", "rated_turns" => "1450" },
    "bucket 20 litres in 100 s, rated 4 gpm, tap 5 gpm" => { "litres" => "20", "seconds" => "100", "rated" => "4 gpm", "supply" => "5 gpm" },
    "bucket 10 litres in 30 s, 2000 psi at the gun" => { "litres" => "10", "seconds" => "30", "pressure" => "2000 psi" }
  }.freeze

  def test_buckets_as_they_are_told
    BUCKETS.each { |line, wanted| assert_equal wanted, bucket(line), line }
  end

  RINGS = {
    "ring 7 by 11" => { "inner_mm" => "7", "outer_mm" => "11" },
    "an o-ring 15.6 x 1.78" => { "inner_mm" => "15.6", "section_mm" => "1.78" },
    "used ring 26 by 32 mm" => { "inner_mm" => "26 mm", "outer_mm" => "32 mm", "old" => true },
    "ring 5/8 by 3/4 in" => { "inner_mm" => "5/8 in", "outer_mm" => "3/4 in" },
    "ring is 26 x 32 x 3" => { "inner_mm" => "26", "outer_mm" => "32", "section_mm" => "3" },
    "swollen o ring 12,5 by 2,5" => { "inner_mm" => "12.5", "section_mm" => "2.5", "old" => true },
    "ring 11 by 7" => { "inner_mm" => "11", "outer_mm" => "7" }
  }.freeze

  def test_rings_as_they_are_told
    RINGS.each { |line, wanted| assert_equal([{ "what" => "seal", "measure" => wanted }], measure(line), line) }
    ["piston ring 20 by 3", "support ring 20 x 28", "snap ring 30 x 2", "head ring 18 by 26"].each { |line| assert_empty measure(line), line }
  end

  TEENS = %w[ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen].freeze
  TENS = %w[twenty thirty forty fifty sixty seventy eighty ninety].freeze
  ONES = %w[one two three four five six seven eight nine].freeze

  # "oh sixteen", "two ten", "four twenty-five", "one oh four": figure by figure, written here from how English counts.
  def in_words(number)
    hundred, two = number.divmod(100)
    said = if two >= 20 then [TENS[(two / 10) - 2], (two % 10).zero? ? nil : ONES[(two % 10) - 1]].compact.join("-")
           elsif two >= 10 then TEENS[two - 10]
           else "oh #{ONES[two - 1]}"
           end
    "#{hundred.zero? ? 'oh' : ONES[hundred - 1]}-#{said}"
  end

  def test_every_dash_number_that_is_spoken
    numbers = ([*4..50, *102..178, *201..284, *309..395, *425..475] - [200]).reject { |one| (one % 100).zero? }
    numbers.each do |number|
      assert_equal([{ "what" => "seal", "measure" => { "dash" => format("%03d", number) } }], measure("#{in_words(number)} rings"), in_words(number))
    end
    assert_equal "016", measure("I need an oh-sixteen").first.dig("measure", "dash")
    assert_equal(%w[116 214], measure("four one-sixteens and a two-fourteen ring").map { |one| one.dig("measure", "dash") })
  end

  PUMPED = { "pumps diesel" => { "medium" => "diesel" }, "pumping sea water at 60 degrees" => { "medium" => "sea_water", "temperature_c" => 60 },
             "hot water at 90 degrees" => { "medium" => "water", "temperature_c" => 90 },
             "water at 140 F" => { "medium" => "water", "temperature_c" => 60.0 },
             "it runs on salt water" => { "medium" => "sea_water" }, "handles brake fluid" => { "medium" => "brake_fluid" } }.freeze

  def test_what_is_pumped
    PUMPED.each { |line, wanted| assert_equal([{ "what" => "service", "measure" => wanted }], measure(line), line) }
    ["no water", "loses water", "water under the head", "diesel engine", "kicked the bucket", "8 bolts", "it rings"].each do |line|
      assert_empty measure(line), line
    end
  end

  # Whatever else the line says is heard as it would be without, wherever the bucket stands in it.
  def test_a_bucket_takes_nothing_from_the_rest_of_a_line
    random = Random.new(Minitest.seed)
    rows = CORPUS.reject { |row| row["asked"] || row["line"].match?(/bucket|ring|water|minute|second|\?|\bl\b|litre/i) }
    rows.sample(40, random: random).each do |row|
      alone = heard(row["line"])
      assert_equal alone, heard("#{row['line']}; bucket 20 litres in 85 seconds"), row["line"]
      assert_equal alone, heard("bucket 20 litres in 85 seconds; #{row['line']}"), row["line"]
    end
  end

  def heard(line)
    found = EAR.call(line)
    [found.readings.map { |reading| reading.except(:heard) }, found.scope, found.complaints, found.wishes, found.unread]
  end

  # Its pieces in any order, with any of the usual joins.
  def test_the_pieces_of_a_bucket_in_any_order
    random = Random.new(Minitest.seed)
    25.times do
      litres, seconds, nozzle, bar = random.rand(5..40), random.rand(20..180), format("%03d", random.rand(20..90)), random.rand(40..250)
      pieces = ["nozzle #{nozzle}", "#{bar} bar", "8 bolts", "hex 6"].shuffle(random: random)
      told = "bucket #{litres} #{%w[l litres ltr].sample(random: random)} in #{seconds} #{%w[s sec seconds].sample(random: random)}"
      line = [told, *pieces.sort_by { |piece| piece.match?(/bolts|hex/) ? 1 : 0 }].join(", ")
      assert_equal({ "litres" => litres.to_s, "seconds" => seconds.to_s, "nozzle" => nozzle, "pressure" => "#{bar} bar" }, bucket(line), line)
      assert_equal %w[head_bolt_drive head_bolts], EAR.call(line).readings.map { |reading| reading[:trait] }.sort, line
    end
  end

  # The words that a measure was made of are those that it says it was made of.
  def test_it_says_which_words_it_was_made_of
    line = "brass head, bucket 20 litres in 85 seconds, nozzle 045, 8 bolts"
    item = EAR.call(line).items.find(&:measure)
    assert_equal "bucket 20 litres in 85 seconds, nozzle 045", line[item.from...item.to]
  end

  # A line goes through once, whatever is repeated in it: with searches inside searches one of these would never end. No measure of speed.
  ENDLESS = ["bucket 20 l in 5 s, #{'nozzle 045 at ' * 70}x", "bucket 20 l in 5 s, #{'9 l 9 s ' * 110}z", "bucket 20 l in 5 s, #{'at the ' * 140}",
             "bucket 20 l in 5 s, feed #{'a' * 900}", "bucket 1 l in 1 min #{'and 1 s ' * 110}", "ring #{'1 1/2 by ' * 100}",
             "#{'20 l ' * 190}bucket",
             "one one-one " * 80, "in a minute and " * 60, "bucket #{'9 rpm of ' * 100}", "pumps " * 160, "oh-" * 300].freeze

  def test_no_line_takes_for_ever
    ENDLESS.each { |line| Timeout.timeout(20, nil, line[0, 60]) { assert_operator measure(line[0, 400]).size, :<=, 200 } }
  end
end
