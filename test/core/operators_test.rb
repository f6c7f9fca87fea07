# frozen_string_literal: true

require_relative "../support/core"

# Words that do something to what stands beside them, each against each kind of thing, with words drawn from the vocabulary. What is expected is put
# together here from what the operator means; the seed is Minitest's.
class OperatorsTest < Minitest::Test
  include DemoCatalogue

  SAMPLE = 40

  def setup = @random = Random.new(Minitest.seed)

  def heard(line, asked: nil, **others) = EAR.call(line, asked: asked, **others)
  def readings(line, **others) = heard(line, **others).readings.map { |fields| Gimlet::Core::Readings::Reading.from(fields, vocabulary) }
  def texts(line, **others) = readings(line, **others).map { |reading| reading.to_s.delete_suffix(", not certain") }.sort
  def work(id) = vocabulary.work.find { |row| row.areas == [id] }.called.first

  # Pairs of values of one trait, each with its noun: "brass head", "stainless head".
  def pairs
    told = vocabulary.traits.values.select do |trait|
      trait.kind_id == "chosen" && trait.values.size > 1 && !%w[cap_location plunger_held_by].include?(trait.id)
    end
    told.flat_map { |trait| trait.values.to_a.combination(2).map { |one, two| [trait, one, two] } }.sample(SAMPLE, random: @random)
  end

  def said(trait, value) = "#{value} #{trait.called.first}"

  def test_not_a_value
    pairs.each do |trait, (value, names), _|
      name = [value, *names].sample(random: @random)
      next if %w[none no].include?(value) || name.match?(/\A(?:no|not|none|without|hasn|there)/)

      ["not", "isn't", "definitely not"].each do |no|
        line = "#{no} #{name}"
        assert_equal ["#{trait.name} not #{value}"], texts(line, asked: trait.id), "#{trait.id}: #{line}"
      end
    end
  end

  def test_sorry_puts_a_value_right
    pairs.each do |trait, (one, _), (two, _)|
      next if [one, two].include?("none")

      ["sorry", "no wait", "I mean", "correction"].each do |word|
        line = "#{said(trait, one)}, #{word}, #{said(trait, two)}"
        assert_equal ["#{trait.name} #{two}"], texts(line), line
      end
    end
  end

  COUNTED = { "head bolts" => "head bolts", "valve caps" => "valve caps", "plungers" => "cylinders" }.freeze

  def test_not_that_many
    COUNTED.each do |noun, name|
      few, more = [*2..12].sample(2, random: @random)
      assert_equal ["#{name} #{more}", "#{name} not #{few}"], texts("not #{few} #{noun}, #{more}"), noun
      assert_equal ["#{name} #{more}"], texts("#{few} #{noun}, no, #{more}"), noun
      assert_equal ["#{name} #{more}"], texts("#{few} #{noun}, make that #{more}"), noun
    end
  end

  # A count beyond eight is nine and more; a size beyond 18 mm is 18 mm and more.
  def test_bounds_of_counts_sizes_and_ratings
    count = @random.rand(3..9)
    COUNTED.each do |noun, name|
      assert_equal ["#{name} #{count + 1} or more"], texts("more than #{count} #{noun}"), noun
      assert_equal ["#{name} #{count} or more"], texts("at least #{count} #{noun}"), noun
      assert_equal ["#{name} up to #{count - 1}"], texts("fewer than #{count} #{noun}"), noun
      assert_equal ["#{name} up to #{count}"], texts("at most #{count} #{noun}"), noun
      assert_equal ["#{name} #{count} to #{count + 2}"], texts("between #{count} and #{count + 2} #{noun}"), noun
    end
    { "over %d mm plungers" => "plunger diameter %d or more mm", "under %d kg" => "mass up to %d kg",
      "plungers less than %d mm" => "plunger diameter up to %d mm", "can't be more than %d kg" => "mass up to %d kg" }.each do |line, expected|
      size = @random.rand(12..40)
      assert_equal [format(expected, size)], texts(format(line, size)), format(line, size)
    end
    assert_equal ["serial number up to 30999"], texts("below 31000", asked: "serial")
  end

  def test_work_left_out
    everything = heard("full rebuild").scope
    everything.each do |area|
      ["everything bar the %ss", "the lot except %ss", "full rebuild minus %ss", "full rebuild but leave the %ss",
       "full rebuild, no %ss"].each do |line|
        assert_equal (everything - [area]).sort, heard(format(line, work(area))).scope.sort, format(line, work(area))
      end
    end
  end

  def test_work_put_right
    %w[packings oil_seals inlet_valves].permutation(2) do |one, two|
      assert_equal [two], heard("#{work(one)}s, sorry, #{work(two)}s").scope
      assert_equal [two], heard("skip the #{work(one)}s, do the #{work(two)}s").scope
    end
  end

  def test_work_that_was_done_is_no_order
    %w[packings oil_seals discharge_valves].each do |area|
      ["%ss were done last year", "%ss are fine", "replaced the %ss in march", "someone bodged the %ss before"].each do |line|
        found = heard(format(line, work(area)))
        assert_empty found.scope, format(line, work(area))
      end
    end
    assert_equal ["packings"], heard("valves were done, wants the packings").scope
  end

  # Every complaint, denied.
  def test_complaints_denied
    { "leaks" => "doesn't leak", "knocks" => "doesn't knock", "pulses" => "it isn't pulsing", "loses pressure" => "no pressure loss",
      "belt slips" => "the belt does not slip", "oil leak" => "no oil leaks", "noisy" => "not noisy" }.each do |told, denied|
      assert_equal 1, heard(told).complaints.size, told
      assert_empty heard(denied).complaints, denied
    end
  end

  def test_a_tool_of_the_customer_is_none_of_the_pump
    ["he has a 6 mm hex key", "owns a torque wrench 10-60 and a 13 socket", "he's got a 13 mm socket at home"].each do |line|
      assert_empty heard(line).items, line
    end
    assert_equal ["head bolt drive hex 6"], texts("uses a 6 mm hex on the head")
  end

  def test_what_a_gauge_shows_is_no_rating
    ["gauge reads 150 instead of 200", "only getting 100 bar", "dropped from 180 to 110 bar"].each do |line|
      assert_equal [[], ["pressure_loss"]], [texts(line), heard(line).complaints], line
    end
  end

  def test_a_rating_without_a_frame_is_a_choice
    found = heard("15 lpm")
    assert_empty found.items
    assert_equal 2, found.choices.first.options.size
    assert_equal ["rated flow 15 L/min"], texts("rated 15 lpm")
    assert_equal ["head bolts 8", "rated flow 15 L/min"], texts("8 bolts, 15 lpm")
  end

  # A key is of what was spoken of last, where that takes one.
  def test_a_key_is_of_the_topic
    assert_equal ["valve cap drive socket 27", "where the valve caps sit long caps above, short caps below"], texts("top caps longer, 27 socket")
    assert_equal ["head bolt drive hex 6", "head material brass"], texts("brass head. hex 6")
  end

  # Two values of one trait with nothing that puts the one right: neither counts until one is picked.
  def test_what_contradicts_itself_is_a_choice
    found = heard("8 bolts on the head, the sheet says ten head bolts")
    assert_empty found.readings
    assert_equal([8, 10], found.choices.first.options.map { |items| items.first.readings.first[:value] })
  end

  # "It is no SC325L" makes that pump unlikely and no other; nobody knows of sizes beyond 20 mm whether a pump has one.
  def test_what_is_denied_or_open_is_weighed_so
    column = FIELD.column("plate")
    place = column.places[snapshot.variants.index { |variant| variant.designation == "SC325L" }]
    weighed, = trait("plate").kind.weigh(reading("plate", "SC325L", denied: true), column.names, column.families)
    assert_operator weighed[place], :<, 0.1
    assert_operator weighed.each_with_index.reject { |_, at| at == place }.map(&:first).min, :>, 0.9
    over = Gimlet::Core::Readings::Reading.from({ trait: "plunger_mm", range: [20, nil] }, vocabulary)
    way = trait("plunger_mm").kind
    assert_operator way.fits(over, 25, 10), :>, 0.9
    assert_operator way.fits(over, 15, 10), :<, 0.1
    assert_in_delta 0.5, way.unseen(over, [15, 18, 20])
  end

  Before = Gimlet::Core::Ticket::Item

  def test_a_line_puts_the_one_before_right
    before = [Before.new(of: 3, item: 0, readings: [{ trait: "head_bolts", value: 8, heard: "8 bolts" }])]
    ["no, ten", "sorry, 10 bolts", "make that ten"].each do |line|
      found = heard(line, before: before)
      assert_equal [[["head_bolts", 10]], [[3, 0]], "8 bolts"],
                   [found.readings.map { |one| one.values_at(:trait, :value) }, found.items.first.strikes, found.items.first.instead], line
    end
    # "no" is no answer to the open question when it puts right what was said.
    assert_equal ["head bolts 10"], texts("no, ten bolts", asked: "sight_glass", before: before)
    assert_empty heard("ten", before: before).items
    assert_nil heard("10 bolts", before: before).items.first.strikes
  end

  def test_a_customer_by_name
    found = heard("for tideway oysters, 6 bolts", customers: { "Tideway Oysters" => 4 })
    assert_equal [[4], ["head bolts 6"]], [found.items.filter_map(&:customer), found.readings.map { |one| "head bolts #{one[:value]}" }]
  end

  # Every operator has its words, and each of its examples has one of them.
  def test_operators_are_told_by_example
    kinds = Gimlet::Core::Ear::Lexicon::TABLES
    Gimlet::Core::Ear::Operators::ALL.each do |operator|
      operator.example.split(" · ").each do |line|
        lattice = Gimlet::Core::Ear::Lattice.new(line, EAR.lexicon, Gimlet::Core::Ear::Names.new({}))
        kind = kinds.fetch(operator.id, operator.id.to_sym)
        assert((0...lattice.size).any? { |place| lattice.says(place, kind).any? }, "#{operator.id}: #{line}")
      end
    end
  end
end
