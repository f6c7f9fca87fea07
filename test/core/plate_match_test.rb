# frozen_string_literal: true

require_relative "../support/core"

class PlateMatchTest < Minitest::Test
  DESIGNATIONS = DemoCatalogue::SNAPSHOT.variants.map(&:designation).uniq

  def best(text, designations = DESIGNATIONS)
    match = Gimlet::Core::Readings::PlateMatch.new(text)
    designations.max_by { |designation| match.log_likelihood(designation) }
  end

  def test_spaces_and_dashes_do_not_matter
    assert_equal "SC325R", best("sc 3-25 r")
  end

  def test_unreadable_characters_and_lost_ends
    assert_equal "TK4L22", best("?K4L22")
    assert_equal "OB216C", best("216C")
    assert_equal "DK425", best("*K425")
  end

  # Common practice, no source: glyphs that corrode into each other.
  def test_lookalike_glyphs_beat_others
    match = Gimlet::Core::Readings::PlateMatch
    { "TK4L2O" => "TK4L20", "TK4LZ2" => "TK4L22", "0B214" => "OB214", "SC32S L" => "SC325L" }.each do |damaged, designation|
      assert_equal designation, best(damaged)
      assert_operator match.new(damaged).log_likelihood(designation), :>, match.new(damaged.tr("OZ0S", "XXXX")).log_likelihood(designation)
    end
  end

  def test_an_undamaged_plate_wins_among_random_ones
    random = Random.new(Minitest.seed)
    names = Array.new(300) { Array.new(8) { [*"A".."Z", *"0".."9"].sample(random: random) }.join }.uniq
    names.sample(20, random: random).each { |name| assert_equal name, best(name, names) }
  end

  def test_two_damaged_characters_of_eight_still_rank_in_the_first_five
    random = Random.new(Minitest.seed)
    names = Array.new(300) { Array.new(8) { [*"A".."Z", *"0".."9"].sample(random: random) }.join }.uniq
    found = names.sample(60, random: random).count do |name|
      damaged = name.dup
      [*0..7].sample(2, random: random).each { |at| damaged[at] = "?" }
      match = Gimlet::Core::Readings::PlateMatch.new(damaged)
      names.max_by(5) { |one| match.log_likelihood(one) }.include?(name)
    end
    assert_operator found, :>=, 59
  end

  # Independent oracle: each designation aligned by itself. Where the readable part fits few, the true one is among the first five.
  def test_plates_read_in_runs_are_found
    random = Random.new(Minitest.seed)
    names = Array.new(2000) { Array.new(8) { [*"A".."Z", *"0".."9"].sample(random: random) }.join }.uniq
    index = Gimlet::Core::Readings::PlateIndex.new(names)
    found = Array.new(60) do
      at = random.rand(names.size)
      first, last = [random.rand(1..3), random.rand(2..3)]
      text = ["#{names[at][0, first + 2]}*", "*#{names[at][-last - 2, last + 2]}", "#{names[at][0, first]}*#{names[at][-last, last]}",
              "*#{names[at][2, 4]}*"].sample(random: random)
      index.search(text).max_by(5) { |_, score| score }.map(&:first).include?(at)
    end
    assert_operator found.count(true), :>=, 57
  end

  def test_the_index_ranks_the_best_as_aligning_one_by_one_does
    random = Random.new(Minitest.seed)
    names = Array.new(400) { Array.new(9) { [*"A".."Z", *"0".."9"].sample(random: random) }.join }.uniq
    index = Gimlet::Core::Readings::PlateIndex.new(names)
    20.times do
      text = names.sample(random: random).dup
      [*0..8].sample(random.rand(0..3), random: random).each { |at| text[at] = "?" }
      match = Gimlet::Core::Readings::PlateMatch.new(text)
      best = names.each_index.max_by { |at| match.log_likelihood(names[at]) }
      assert_in_delta match.log_likelihood(names[best]), index.search(text).values.max, 1e-9
    end
  end
end
