# frozen_string_literal: true

require_relative "../support/core"

class PlateMatchTest < Minitest::Test
  DESIGNATIONS = DemoCatalogue::SNAPSHOT.variants.map(&:designation).uniq

  def best(text, designations = DESIGNATIONS)
    match = Gimlet::Core::Candidates::PlateMatch.new(text)
    designations.max_by { |one| match.log_likelihood(one) }
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
    match = Gimlet::Core::Candidates::PlateMatch
    { "TK4L2O" => "TK4L20", "TK4LZ2" => "TK4L22", "0B214" => "OB214", "SC32S L" => "SC325L" }.each do |damaged, designation|
      assert_equal designation, best(damaged)
      assert_operator match.new(damaged).log_likelihood(designation), :>, match.new(damaged.tr("OZ0S", "XXXX")).log_likelihood(designation)
    end
  end

  def test_an_undamaged_plate_wins_among_random_ones
    random = Random.new(Minitest.seed)
    names = Array.new(300) { Array.new(8) { [*"A".."Z", *"0".."9"].sample(random: random) }.join }.uniq
    names.sample(40, random: random).each { |name| assert_equal name, best(name, names) }
  end

  def test_two_damaged_characters_of_eight_still_rank_in_the_first_five
    random = Random.new(Minitest.seed)
    names = Array.new(300) { Array.new(8) { [*"A".."Z", *"0".."9"].sample(random: random) }.join }.uniq
    found = names.sample(60, random: random).count do |name|
      damaged = name.dup
      [*0..7].sample(2, random: random).each { |at| damaged[at] = "?" }
      match = Gimlet::Core::Candidates::PlateMatch.new(damaged)
      names.max_by(5) { |one| match.log_likelihood(one) }.include?(name)
    end
    assert_operator found, :>=, 59
  end
end
