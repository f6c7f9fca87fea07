# frozen_string_literal: true

require_relative "../support/core"

# Lines turned about: what a line says must not hang on capitals, order, politeness or which of its usual words was taken. Where a value is
# expected, it is reckoned here from the definition of the unit, or stands in the vocabulary; the seed is Minitest's.
class EarTurnedTest < Minitest::Test
  include DemoCatalogue

  CLAUSES = ["8 bolts", "head bolts hex 6",
             "three ceramic plungers", "20 mm plungers", "shaft on the left", "grey crankcase", "brass head", "rated 15 lpm", "1450 rpm",
             "serial 31022", "inlet 1/2 BSP", "no sight glass", "weighs 9.4 kg", "two valve caps", "plate K?4 20"].freeze
  POLITE = ["hello", "well", "um", "please", "thanks", "he says", "yes"].freeze

  # International inch, pound and US gallon (NIST Handbook 44, appendix C; from memory).
  INCH = Rational(254, 10)
  POUND = Rational(45_359_237, 100_000_000)
  GALLON = Rational(3_785_411_784, 1_000_000_000)

  def setup = @random = Random.new(Minitest.seed)

  def heard(line, asked: nil) = EAR.call(line, asked: asked)
  def readings(line, asked: nil) = heard(line, asked: asked).readings.map { |fields| Gimlet::Core::Readings::Reading.from(fields, vocabulary) }
  def texts(line) = readings(line).map(&:to_s).sort
  def trait(id) = vocabulary.trait(id)

  def some = CLAUSES.sample(@random.rand(2..6), random: @random)

  def test_the_order_of_clauses_says_nothing
    15.times do
      clauses = some
      expected = clauses.flat_map { |clause| texts(clause) }.sort
      assert_equal expected, texts(clauses.join(", ")), clauses.join(", ")
      assert_equal expected, texts(clauses.shuffle(random: @random).join("; ")), clauses.join("; ")
    end
  end

  def test_capitals_spaces_and_full_stops_say_nothing
    15.times do
      line = some.join(", ")
      assert_equal texts(line), texts(line.upcase), line
      assert_equal texts(line), texts("  #{line.gsub(', ', ' ,   ')}  "), line
      assert_equal texts(line), texts("#{line.gsub(', ', '. ')}."), line
    end
  end

  def test_politeness_says_nothing
    15.times do
      clauses = some
      polite = clauses.map { |clause| "#{POLITE.sample(random: @random)}, #{clause}" }.join(", ")
      assert_equal texts(clauses.join(", ")), texts(polite), polite
      assert_empty heard(polite).unread, polite
    end
  end

  def test_small_numbers_in_words_are_the_figures
    words = %w[zero one two three four five six seven eight nine ten eleven twelve]
    (2..12).each do |count|
      assert_equal texts("#{count} head bolts"), texts("#{words[count]} head bolts"), count
      assert_equal([["head_bolts", count]], readings(words[count], asked: "head_bolts").map { |reading| [reading.trait, reading.value] })
    end
  end

  def test_every_usual_word_of_a_value_answers_the_question
    vocabulary.traits.each_value.select { |trait| trait.kind_id == "chosen" }.each do |trait|
      trait.values.each do |value, names|
        names.each do |name|
          assert_equal [[trait.id, value]], readings(name, asked: trait.id).map { |reading| [reading.trait, reading.value] }, "#{trait.id}: #{name}"
        end
      end
    end
  end

  def test_every_usual_word_for_work_asks_for_it
    vocabulary.work.each do |row|
      (row.called - ["low pressure seal"]).each { |phrase| assert_equal row.areas.sort, heard(phrase).scope.sort, phrase }
    end
  end

  def test_what_is_not_known_is_an_answer_to_every_question
    vocabulary.traits.each_value do |trait|
      ["not sure", "no idea", "can't tell", "don't know", "dunno"].each do |words|
        found = readings(words, asked: trait.id)
        assert_equal [[trait.id, true]], found.map { |reading| [reading.trait, reading.unknown] }, "#{trait.id}: #{words}"
      end
    end
  end

  def test_inches_pounds_and_gallons_by_their_definitions
    { "shaft 7/8 in" => ["shaft_mm", Rational(7, 8) * INCH], "shaft 1 1/8 inch" => ["shaft_mm", Rational(9, 8) * INCH],
      "shaft 0.945\"" => ["shaft_mm", Rational(945, 1000) * INCH], "20.5 lb" => ["mass_kg", Rational(205, 10) * POUND],
      "rated 4 gpm" => ["flow_l_min", 4 * GALLON], "rated 240 gallons an hour" => ["flow_l_min", 4 * GALLON], "rated 900 l/h" => ["flow_l_min", 15] }
      .each do |line, (id, value)|
        found = readings(line)
        assert_equal [id], found.map(&:trait), line
        assert_in_delta value, found.first.value, 1e-4, line
      end
  end

  # A counter hears all of these in a day; none is of a pump.
  def test_times_prices_ages_and_telephones_are_no_readings
    10.times do
      figure = @random.rand(1..59)
      ["call me at #{(figure % 12) + 1} o'clock", "it cost #{figure} euro", "#{figure} years old", "in #{figure} minutes", "#{figure} degrees",
       "#{figure} stone", "under £#{figure}", "#{figure} % off"].each { |line| assert_empty readings(line), line }
    end
  end

  def test_whatever_is_typed_is_heard_or_shown
    letters = [*"a".."z", *"0".."9", " ", " ", ",", ".", "?", "*", "/", "-", "'", "\"", "é", "ß", "µ", "“", "½", "€", "中"]
    40.times do
      line = Array.new(@random.rand(1..40)) { letters.sample(random: @random) }.join
      found = heard(line)
      found.items.each { |item| assert_operator 0..line.size, :cover?, item.from..item.to, line }
      found.unread.each { |words| assert_includes line, words }
    end
  end

  # One glyph that cannot be read leaves the others where they were.
  def test_a_plate_with_a_gap_at_each_place
    names = snapshot.variants.map(&:designation).uniq.sample(12, random: @random)
    names.each do |name|
      plain = name.delete("- ")
      plain.size.times do |at|
        gapped = plain.dup.tap { |text| text[at] = "?" }
        assert_equal [["plate", gapped.upcase]], readings("plate #{gapped}").map { |reading| [reading.trait, reading.value] }, gapped
      end
    end
  end

  def test_letters_with_their_words
    %w[kilo king kite].each { |word| assert_equal ["plate K4*20"], texts("K for #{word} four something twenty") }
    assert_equal ["plate TK4"], texts("plate T as in Tommy K like king 4")
    assert_empty readings("a for effort")
  end

  def test_a_question_mark_behind_a_word_asks
    CLAUSES.first(5).each { |clause| assert_equal texts(clause), texts("#{clause}?"), clause }
    ["huh?", "what?", "?what", "really?", "12?"].each { |line| assert_empty readings(line), line }
  end

  # Common practice, no source: these shortened words end no sentence.
  def test_a_full_stop_ends_a_clause_but_no_shortened_word
    assert_equal ["head bolt drive hex 6", "inlet port G 1/2"], texts("hex 6. inlet 1/2 BSP.")
    assert_equal ["serial number 31022"], texts("serial no. 31022")
    assert_equal texts("shaft 1 in"), texts("1 in. shaft")
    assert_equal ["crankcase cover colour grey", "plate K?420"], texts("grey cover. plate K?4 20.")
  end

  def test_an_hour_is_sixty_minutes
    [["240 gph", "4 gpm"], ["240 gallons per hour", "4 gpm"], ["240 gal/h", "4 gpm"], ["900 litres an hour", "15 lpm"]].each do |hour, minute|
      assert_equal readings("rated #{minute}").map(&:value), readings("rated #{hour}").map(&:value), hour
    end
  end

  def test_bolts_of_the_next_clause_hold_no_plunger
    assert_equal ["head bolts 8", "plunger diameter 20 mm"], texts("20 mm plungers, 8 bolts")
    assert_equal ["what holds the plunger bolt"], texts("plungers, held by a bolt")
  end

  def test_figures_joined_by_and_are_not_guessed
    ["1 and 1/8 in shaft", "hex 6 and 1/2 in inlet"].each do |line|
      assert_empty readings(line), line
      assert_equal [line], heard(line).unread
    end
  end
end
