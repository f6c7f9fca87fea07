# frozen_string_literal: true

require_relative "../support/core"

# Dangers heard ahead of all else: alone and inside a line about a pump and its work, at the right sort; what only sounds so is left alone. What is
# said and what is done first: common practice, no source.
class SafetyTest < Minitest::Test
  Safety = Gimlet::Core::Safety
  HAZARDS = DemoCatalogue::HAZARDS
  HEARING = Safety::Hearing.new(HAZARDS)
  LOTS = Dir[File.expand_path("dangers_told*.yml", __dir__)].map { |file| YAML.load_file(file) }
  TOLD = %w[dangerous harmless].to_h { |list| [list, LOTS.flat_map { |lot| lot[list] }.map { |row| row.is_a?(Hash) ? row : { "say" => row } }] }
  FRAMES = ["%s", "DK420, %s, packings please", "TK4R20 20 mm ceramic and %s", "three plungers, brass head, 8 bolts, %s, wants everything",
            "%s, what kit for a LC15", "he rang about his SV24, says %s. needs inlet valves"].freeze

  def heard(line) = HEARING.call(line)
  def sure(line) = heard(line).select(&:sure).map { |one| one.hazard.kind.id }

  FRAMES.each_with_index do |frame, at|
    define_method("test_what_is_dangerous_stops_#{at}") do
      missed = TOLD["dangerous"].reject { |row| sure(format(frame, row["say"])).include?(row["kind"]) }
      assert_empty(missed.map { |row| row["say"] })
    end

    define_method("test_what_only_sounds_so_does_not_#{at}") do
      assert_empty(TOLD["harmless"].map { |row| format(frame, row["say"]) }.select { |line| sure(line).any? })
    end
  end

  # What is read out first is what must be done first, common practice, no source.
  def test_the_first_act_is_the_right_one
    wrong = TOLD["dangerous"].reject do |row|
      told = heard(row["say"]).select { |one| one.sure && one.hazard.kind.id == row["kind"] }
      told.any? { |one| one.hazard.first.first.downcase.include?(row["first"]) }
    end
    assert_empty(wrong.map { |row| row["say"] })
  end

  def test_what_may_be_one_is_asked
    LOTS.flat_map { |lot| lot.fetch("asked", []) }.each do |row|
      assert_equal [[row["kind"], false]], heard(row["say"]).map { |one| [one.hazard.kind.id, one.sure] }, row["say"]
    end
  end

  # Somebody who is hurt comes before the pump, whatever else was said.
  def test_the_injury_comes_first
    line = "hose burst, the head is cracked, metal in the oil and the jet went into his hand"
    assert_equal(%w[injected cracked hose metal], heard(line).map { |one| one.hazard.id })
    HAZARDS.all.each_value.select(&:injury?).each do |hazard|
      assert_match(/emergency number|hospital|doctor/, hazard.first.join(" "), hazard.id)
    end
  end

  # Denied, mended, long ago, asked in general, of another machine.
  def test_what_words_around_it_do
    { "the head is cracked" => [true], "the head is not cracked" => [], "no crack in the head" => [], "the head was cracked but is fixed" => [],
      "the head cracked last year" => [false], "the head cracked again, as it did last year" => [true], "the other pump has a cracked head" => [],
      "what if the head is cracked" => [], "maybe the head is cracked" => [false], "the head has a crak" => [], "the manifodl is cracked" => [true],
      "we replaced the cracked head" => [], "we replaced the cracked head, it cracked again" => [true], "the trigger is fixed open" => [true],
      "is the head cracked? no" => [], "is the head cracked? no idea, hose has a bulge" => [true], "is the head cracked? yes" => [true],
      "replaced a b c crack in the head" => [true], "replaced a b crack in the head" => [], "changed them and the head is cracked" => [true],
      "ran it with no oil" => [true], "never ran it with no oil" => [], "head isn't cracked, hose has a bulge" => [true] }.each do |line, expected|
      assert_equal expected, heard(line).map(&:sure).uniq, line
    end
  end

  # How far each word reaches, at its edge.
  # What takes a danger back, written down once more: an entry that leaves its list in the rules is missed here. Read by words, not by grammar.
  DENIED = %w[
    no not never isnt arent wasnt werent doesnt didnt dont hasnt havent hadnt without none nothing nobody neither nor wont cant cannot free
  ].freeze
  HEDGED = %w[
    maybe might perhaps think thinks thought possibly probably guess reckon reckons suspect unsure wonder seems could
  ].freeze
  NOT_NOW = <<~RUNS.tr("\n", " ").split(", ").map(&:strip).freeze
    last year, last winter, last season, last summer, years ago, a year ago, months ago, used to, in the past, once before, old pump, last
    pump, would it, would a, would the, would that, could a, is it dangerous, is it safe, is it ok, is it okay, is that bad, to avoid, what
    if, what happens if, is it bad, in case, how do, how can, how to, what torque, is there a, do you sell, do you have, do you do, have you
    got, can you get, to stop it, so that it does not, to prevent, what would, price of, how much, other pump, other one, another pump,
    other machine, neighbours, neighbour, next door, different pump, second pump, spare pump, different one, his brothers, friends pump,
    mates pump
  RUNS
  MENDED = <<~RUNS.tr("\n", " ").split(", ").map(&:strip).freeze
    had a new one, have a new one, got a new one, was fixed, been fixed, been done, is fixed, since replaced, was replaced, been replaced,
    fixed it, replaced it, fine now, fixed now, ok now, okay now, good now, sorted now, freed off
  RUNS

  def test_each_word_of_the_lists
    assert_equal ["burst"], sure("the head is cracked")
    assert_empty(DENIED.reject { |word| sure("the head #{word} is cracked").empty? })
    assert_empty(HEDGED.reject { |word| heard("#{word} the head is cracked").none?(&:sure) })
    assert_empty(NOT_NOW.reject { |run| sure("#{run} the head is cracked").empty? })
    assert_empty(MENDED.reject { |run| sure("the head is cracked #{run}").empty? })
    assert_equal ["burst"], sure("the head is cracked, was fixed and is cracked again"), "what came back is no longer mended"
  end

  def test_how_far_words_reach
    { "no a b c crack" => false, "no a b c d crack" => true, "crack a b fine" => false, "crack a b c fine" => true, "crack is not fine" => true,
      "fixed it, crack" => false, "fixed it, crack again" => true, "what torque crack" => false,
      "other pump crack" => false, "crack" => true }.each do |line, meant|
      part = Safety::Sentence.parts(line).last
      assert_equal meant, part.meant?([part.words.index("crack")]), line
    end
    assert Safety::Sentence.parts("no guard on").first.meant?([0, 1]), "a denial that belongs to what is told"
    assert Safety::Sentence.parts("used to crack").first.doubtful?([2])
    refute Safety::Sentence.parts("still used to crack").first.doubtful?([3])
  end

  # The words of a phrase: how far apart, each its own, those that stand closest.
  def test_how_far_apart_the_words_of_a_phrase_stand
    phrase = Safety::Phrase.new("oil|water in|water", {})
    at = ->(text) { phrase.at(text.split.map { |word| [word] }) }
    assert_equal [0, 8], at.call("oil a b c d e f g in")
    assert_nil at.call("oil a b c d e f g h in")
    assert_nil at.call("water"), "one word is not two"
    assert_equal [3, 4], at.call("oil a b oil in")
    assert_equal [0, 1, 7], Safety::Phrase.new("no_oil in", {}).at("no oil a b c d e in".split.map { |word| [word] })
  end

  # One slip in a word of six letters or more; none in a shorter one.
  def test_how_a_word_may_be_spelt
    spellings = Safety::Spellings.new(%w[guard finger crack*])
    { "fingre" => ["finger"], "finger" => ["finger"], "fingr" => ["finger"], "figr" => [], "fingger" => ["finger"],
      "fimger" => ["finger"], "fimgre" => [], "guadr" => [], "guards" => [], "cracked" => ["crack*"] }.each do |word, known|
      assert_equal known, spellings.call(word), word
    end
  end

  def test_where_in_the_line_it_was_said
    line = "DK420, there are metal bits in the oil"
    one = heard(line).first
    assert_includes "metal bits in the oil", line[one.from...one.to]
    assert_equal line.size, one.to
    row = { "id" => "metal", "sure" => true, "from" => one.from, "to" => one.to }
    assert_equal([line[one.from..]], stops(["said", { "words" => line, "hazards" => [row] }]).map(&:words))
    assert_equal [true], heard("maybe the head is cracked, the head is cracked").map(&:sure)
  end

  def test_every_hazard_can_be_raised_asked_and_lifted
    HAZARDS.all.each_value do |hazard|
      assert_operator hazard.first.size, :>=, 1, hazard.id
      assert hazard.first.all? { |act| act.match?(/\A[A-Z].*[.?]\z/) }, hazard.id
      assert_match(/\?\z/, hazard.ask, hazard.id)
      refute_match(/\.\z/, hazard.lifted, hazard.id)
    end
    assert_equal HAZARDS.signs.sort, HAZARDS.signs.uniq.sort
    assert_empty HAZARDS.signs - DemoCatalogue::DIAGNOSIS.signs.keys
  end

  # Lines of a ticket, by kind.
  Line = Struct.new(:number, :kind, :words, :at, :who, :body)
  def ticket(*entries) = entries.each_with_index.map { |(kind, body), at| Line.new(at + 1, kind, body["words"], Time.at(at), "Ines", body) }
  def stops(*entries) = Safety::Stops.of(ticket(*entries), HAZARDS)
  def said(id, sure: true) = ["said", { "words" => "x", "hazards" => [{ "id" => id, "sure" => sure }] }]
  def lifted(id) = ["hazard_lifted", { "hazard" => id, "reason" => "looked at" }]

  def test_it_stands_until_it_is_lifted
    assert_equal([["cracked", true, 1]], stops(said("cracked")).map { |one| [one.hazard.id, one.sure, one.since] })
    assert_empty stops(said("cracked"), lifted("cracked"))
    assert_equal [3], stops(said("cracked"), lifted("cracked"), said("cracked")).map(&:since)
    assert_equal [1], stops(said("cracked"), said("cracked")).map(&:since)
    assert_equal(%w[cracked], stops(said("cracked"), lifted("hose")).map { |one| one.hazard.id })
    assert_equal([[true, 2]], stops(said("cracked", sure: false), said("cracked")).map { |one| [one.sure, one.since] })
    assert_equal([[true, 1]], stops(said("cracked"), said("cracked", sure: false)).map { |one| [one.sure, one.since] })
    assert_equal [true], stops(said("cracked", sure: false), ["hazard_raised", { "hazard" => "cracked" }]).map(&:sure)
    assert_empty stops(said("unheard of"))
    both = ["said", { "words" => "x", "hazards" => [{ "id" => "unheard of", "sure" => true }, { "id" => "hose", "sure" => true }] }]
    assert_equal(%w[hose], stops(both).map { |one| one.hazard.id })
  end

  def test_a_check_that_says_yes_stops_too
    assert_equal(%w[metal], stops(["checked", { "check" => "metal", "result" => "yes" }]).map { |one| one.hazard.id })
    assert_empty stops(["checked", { "check" => "metal", "result" => "no" }])
    assert_empty stops(["checked", { "check" => "nozzle_big", "result" => "yes" }])
  end

  # What was told before another danger was told of is not told of that one.
  def test_what_the_caller_was_told
    told = ["stop_told", { "hazard" => "hose", "words" => "keep it off" }]
    assert_equal [nil], stops(told, said("hose")).map(&:told)
    assert_equal(["keep it off"], stops(said("hose"), told).map { |one| one.told[:words] })
    again = ["stop_told", { "hazard" => "hose", "words" => "and away from it" }]
    assert_equal(["and away from it"], stops(said("hose"), told, again).map { |one| one.told[:words] })
    assert_equal([["injected", false], ["hose", true]], stops(said("hose"), said("injected"), told).map { |one| [one.hazard.id, !one.told.nil?] })
  end

  def test_the_gravest_first_those_that_are_asked_about_last
    order = stops(said("spring"), said("injected", sure: false), said("metal"), said("hose")).map { |one| one.hazard.id }
    assert_equal %w[hose metal spring injected], order
  end
end
