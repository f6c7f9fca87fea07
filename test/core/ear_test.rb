# frozen_string_literal: true

require_relative "../support/core"

# What a specialist types while somebody talks. The corpus in heard.yml says what each line means: what it says, what is offered as a choice, and
# which words are not heard.
class EarTest < Minitest::Test
  include DemoCatalogue

  CORPUS = YAML.load_file(File.expand_path("heard.yml", __dir__)).freeze

  def heard(line, asked: nil) = EAR.call(line, asked: asked)

  def says(one)
    readings = one.readings.map { |fields| said(Gimlet::Core::Readings::Reading.from(fields, vocabulary), fields) }
    readings + [("work #{one.scope.join(' ')}" if one.scope.any?), *one.complaints.map { |id| "complaint #{id}" }, *one.wishes.map do |id|
      "wish #{id}"
    end,
                ("#{one.pumps} pumps" if one.pumps), ("unit #{one.unit}" if one.unit)].compact
  end

  def choices(one) = one.choices.map { |choice| choice.options.map { |items| items.flat_map { |item| option(item) }.join(" + ") } }

  def option(item)
    [*(item.readings || []).map { |fields| said(Gimlet::Core::Readings::Reading.from(fields, vocabulary), fields) },
     *("work #{item.areas.join(' ')}" if item.areas), *("complaint #{item.complaint}" if item.complaint), *("seen #{item.seen}" if item.seen)]
  end

  def said(reading, fields) = fields[:tool] ? "#{reading} by #{reading.tool}" : reading.to_s

  def test_the_corpus
    assert_operator CORPUS.size, :>=, 400
    CORPUS.each do |row|
      found = heard(row["line"], asked: row["asked"])
      assert_equal [row["says"], row["choice"] || [], row["not"] || []], [says(found), choices(found), found.unread],
                   [row["asked"], row["line"]].compact.join(": ")
    end
  end

  # Designations and numbers of the catalogue, others in each run, typed bare, in lower case, or without its dashes and spaces.
  def test_names_of_the_catalogue_stand_by_themselves
    random = Random.new(Minitest.seed)
    models = snapshot.variants.map(&:designation).uniq.sample(24, random: random)
    numbers = [*snapshot.parts, *snapshot.kits].map(&:number).sample(300, random: random)
    models.product([nil, "plate"]).each do |name, asked|
      [name, name.downcase, name.delete("-"), name.gsub(/(?<=[A-Za-z])(?=\d)/, " ")].uniq.each do |typed|
        reading = heard(typed, asked: asked).readings.first or flunk(typed)
        assert_equal ["plate", name.delete("- ")], [reading[:trait], reading[:value].upcase.delete("- ")], typed
      end
    end
    numbers.each do |number|
      plain = ->(text) { Gimlet::Core::Ear::Names.plain(text) }
      assert_equal [["part_number", plain.call(number)]], heard(number.downcase).readings.map { |one|
        [one[:trait], plain.call(one[:value])]
      }, number
    end
  end

  def test_a_name_stands_anywhere_and_a_size_after_a_series_is_no_name
    assert_equal(%w[plate head_bolts], heard("he thinks SC325L with 8 bolts").readings.map { |reading| reading[:trait] })
    assert_equal(%w[series plunger_mm], heard("SV 20 mm plunger").readings.map { |reading| reading[:trait] })
  end

  # Nothing is dropped in silence: each word is part of something heard, of something not heard, or a small word.
  def test_no_word_is_dropped
    random = Random.new(Minitest.seed)
    words = %w[bolts hex 6 brass grumbles 20 mm plunger shaft left TK4L20 wobbly valves loses pressure zigzag 13 socket not black spring 99
               per]
    60.times do
      line = Array.new(random.rand(1..9)) { words.sample(random: random) }.join(" ")
      found = heard(line)
      spans = [*found.items, *found.choices, *found.unheard].map { |one| one.from...one.to }
      %w[grumbles wobbly zigzag].each do |strange|
        at = line.index(strange) or next
        assert(spans.any? { |span| span.cover?(at) }, "#{strange} in “#{line}”, seed #{Minitest.seed}")
      end
    end
  end

  def test_any_line_is_survived
    random = Random.new(Minitest.seed)
    words = ["8", "bolts", ",", "hex", "plate", "*", "?", "mm", "\"", "at", "1/0", "(", "serial", "\\", "é", "between", "and", "%", "x", "no", "-",
             "1/2", "or", "socket", "kit ends in", "not", "T", "K", "half", ".", "+", "TK4L20", "something", "point", "\u0000", "😀"]
    60.times do
      line = Array.new(random.rand(1..14)) { words.sample(random: random) }.join([" ", ""].sample(random: random))
      asked = [nil, *vocabulary.traits.keys].sample(random: random)
      assert_instance_of Gimlet::Core::Ear::ParseResult, heard(line, asked: asked), "#{asked}: #{line}"
    end
  end

  def test_a_shop_s_own_words
    more = { "traits" => [{ "id" => "head_bolts", "called" => ["stud"] },
                          { "id" => "frame_mark", "kind" => "chosen", "name" => "frame mark", "ask" => "Which letter is cast into the foot?",
                            "called" => ["foot mark"], "values" => { "A" => ["anchor"], "W" => ["whale"] }, "seconds" => { "phone" => 20 } }],
             "work" => [{ "areas" => ["packings"], "called" => ["stuffing"] }] }
    ear = Gimlet::Core::Ear::Listener.new(vocabulary.extended(more), Gimlet::Core::Ear::Names.new({}))
    found = ear.call("8 studs, whale foot mark, stuffing")
    assert_equal([%w[head_bolts 8], %w[frame_mark W]], found.readings.map { |reading| [reading[:trait], reading[:value].to_s] })
    assert_equal ["packings"], found.scope
    smell = { "id" => "x", "kind" => "smell", "name" => "x", "ask" => "?", "seconds" => {} }
    error = assert_raises(Gimlet::Core::InputError) { vocabulary.extended("traits" => [smell]) }
    assert_match(/“smell” is not a kind/, error.message)
    roles = { "complaints" => [{ "id" => "hums", "name" => "hums", "phrases" => ["@hums loud"] }] }
    error = assert_raises(Gimlet::Core::InputError) { vocabulary.extended(roles) }
    assert_match(/There is no role “@hums”: use .*leaks/, error.message)
  end
end
