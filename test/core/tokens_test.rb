# frozen_string_literal: true

require_relative "../support/core"

# The first steps of the ear: figures, words, spelling.
class TokensTest < Minitest::Test
  include DemoCatalogue

  Ear = Gimlet::Core::Ear

  # The numbers of a text, each as long as it goes.
  def figures(text)
    tokens = Ear::Tokens.of(text)
    found, at = [], 0
    while at < tokens.size
      number = Ear::NumberWords.at(tokens, at)
      found << number.value if number
      at += number ? number.length : 1
    end
    found
  end

  def norms(text) = Ear::Tokens.of(text).map(&:norm)

  # Common practice, no source: how sizes are written on papers and in messages.
  def test_figures_as_they_are_written
    { "8" => [8], "12.5" => [12.5r], ".5" => [0.5r], "7,5" => [7.5r], "31,022" => [31_022], "1,250,000" => [1_250_000], "5/8" => [5r / 8],
      "1 1/4" => [5r / 4], "1-1/8" => [9r / 8], "3/4" => [3r / 4], "20x28x6" => [20, 28, 6], "18-20" => [18, 20], "1/0" => [0],
      "8 bolts, 6 caps" => [8, 6], "TK4L20" => [4, 20] }.each { |text, expected| assert_equal expected, figures(text), text }
  end

  def test_figures_as_they_are_said
    { "three" => [3], "twelve" => [12], "twenty two" => [22], "thirty" => [30], "fourteen fifty" => [1450], "two hundred" => [200],
      "fourteen hundred" => [1400], "three thousand" => [3000], "two hundred fifty" => [250], "half" => [1r / 2], "three quarter" => [3r / 4],
      "one and a half" => [3r / 2], "five eighths" => [5r / 8], "a half" => [1r / 2], "a pair" => [2], "three point three" => [3.3r],
      "eight hex six" => [8, 6], "six three" => [6, 3], "fourteen hundred and fifty" => [1450], "half a dozen" => [6],
      "thirteen sixteenths" => [13r / 16], "three quarters" => [3r / 4], "twenty-eight point five" => [28.5r],
      "five two zero zero" => [5200], "a hundred and fifty" => [150], "two thousand five hundred" => [2500], "a dozen" => [12],
      "three one five double oh" => [31_500], "1k" => [1000] }.each { |text, expected| assert_equal expected, figures(text), text }
  end

  # Every whole number up to 99 said in words is itself.
  def test_all_small_numbers
    units = %w[zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen]
    tens = %w[twenty thirty forty fifty sixty seventy eighty ninety]
    said = units + tens.flat_map { |ten| [ten, *units[1..9].map { |unit| "#{ten} #{unit}" }] }
    assert_equal([*0..99], said.map { |words| figures(words).first.to_i })
    said.each { |words| assert_equal 1, figures(words).size, words }
  end

  def test_words_without_what_does_not_matter
    assert_equal %w[nordmoy ha dont cap brass glass bolt], norms("Nordmøy HÅ don't caps BRASS glass bolts")
    assert_equal [0, 6], Ear::Tokens.of("caps, bolts").map(&:from).values_at(0, 2)
  end

  def test_where_a_token_stands
    line = "8 bolts, plate K?4 20"
    Ear::Tokens.of(line).each { |token| assert_equal token.text, line[token.from...token.to] }
    assert_equal [false, true, true, false], Ear::Tokens.of("K?4 20").map(&:glued)
  end

  def test_one_slip_may_be_meant_otherwise
    spelling = Ear::Spelling.new(%w[plunger manifold ceramic socket packing green grey], %w[place later])
    { "plungr" => "plunger", "plunegr" => "plunger", "plungerr" => "plunger", "pkunger" => "plunger", "manifld" => "manifold", "cermaic" => "ceramic",
      "gren" => "green", "plngr" => "plunger" }.each { |typed, meant| assert_equal [meant], spelling.meant(typed).map(&:first), typed }
    %w[place later sock grumble qlunger grumbles].each { |typed| assert_empty spelling.meant(typed), typed }
    two = Ear::Spelling.new(%w[steam steal], [])
    assert_equal %w[steal steam], two.meant("steax").map(&:first).sort, "either may be meant"
  end

  # Random slips in random words: what may be meant is always one slip away from what was typed (two letters changed over are one slip).
  def test_nothing_is_meant_over_two_slips
    random = Random.new(Minitest.seed)
    words = %w[plunger manifold ceramic discharge aluminium packings]
    spelling = Ear::Spelling.new(words, [])
    200.times do
      typed = words.sample(random: random).dup
      2.times { typed[random.rand(1...typed.size)] = [*"a".."z"].sample(random: random) }
      spelling.meant(typed).each do |found, _|
        changed_over = typed.chars.sort == found.chars.sort ? 1 : 0
        assert_operator distance(typed, found) - changed_over, :<=, 1, "#{typed} became #{found}"
      end
    end
  end

  # Levenshtein's distance, the textbook recursion: an independent oracle.
  def distance(one, two)
    row = [*0..two.size]
    one.each_char.with_index(1) do |letter, at|
      before, row = row, [at]
      two.each_char.with_index { |other, place| row << [row[place] + 1, before[place + 1] + 1, before[place] + (letter == other ? 0 : 1)].min }
    end
    row.last
  end

  def lattice(text) = Ear::Lattice.new(text, EAR.lexicon, Ear::Names.new(Ear::Names.exact_of(snapshot)))

  # "stainless steel" keeps every meaning that it has; of two nouns that begin together the longer one is meant.
  def test_a_span_keeps_all_its_meanings
    assert_equal([%w[head_bolts head_bolt_drive]], lattice("head bolts are tight").phrases_at(0).select(&:noun?).map { |piece| piece.nouns.uniq })
    assert_equal %w[packings], lattice("seal kit").phrases_at(0).first.areas
    assert_empty lattice("grumbles").phrases_at(0)
    assert_equal "three on top, three in front", lattice("three on top, three in front, green").phrases_at(0).first.values["cap_location"]
    left = lattice("left").phrases_at(0).first
    assert_equal %w[shaft_side], left.values.keys & %w[shaft_side]
    misspelt = lattice("stainles head").phrases_at(0).first
    assert_operator misspelt.slip, :>, 0
  end

  def test_names_of_the_catalogue
    names = Ear::Names.new(Ear::Names.exact_of(snapshot), "plate" => FIELD.column("plate").names.method(:nearest))
    { "tk4-l20" => %w[plate TK4L20], "T4L20" => %w[plate T4L20], "ha 1" => ["part_number", "HÅ 1"], "NORDMOY" => %w[maker Nordmøy],
      "sc3" => %w[series SC3] }
      .each do |text, name|
      assert_equal name, names.exact(text), text
    end
    assert_equal(["plate", nil, nil], %w[TK4LZ0 QQQQQ T].map { |text| names.near(text) })
  end
end
