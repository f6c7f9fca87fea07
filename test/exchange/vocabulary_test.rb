# frozen_string_literal: true

require_relative "../support/app"

class VocabularyTest < Minitest::Test
  include SeededApp

  Files = Gimlet::Exchange::VocabularyFiles

  def take(text)
    out = StringIO.new
    Dir.mktmpdir do |folder|
      File.write("#{folder}/words.yml", text)
      return [Gimlet::Command.new(database.opts[:database], out: out).call(["vocabulary", "#{folder}/words.yml"]), out.string]
    end
  end

  def kept = Gimlet::Store::Settings.new(database)["vocabulary"]

  def test_the_one_that_ships_is_whole
    shipped = Files.shipped
    areas = Gimlet::Core::Catalogue::WORK_AREAS.keys
    shipped.work.each { |row| assert_empty row.areas - areas }
    shipped.traits.each_value do |trait|
      assert_empty trait.seconds.keys - Gimlet::Core::Readings::CHANNELS.keys, trait.id
      assert_includes 0.001..0.45, trait.mistaken, trait.id
      assert_match(/[?.]\z/, trait.ask, trait.id)
      assert(trait.unit.nil? || Gimlet::Core::Units::KIND_OF.key?(trait.unit), trait.id)
    end
    assert_empty shipped.traits.values.select(&:opened?).map(&:id) - shipped.traits.values.select { |trait|
      trait.seconds["phone"].to_i >= 30
    }.map(&:id),
                 "what needs the pump opened is never quick on the phone"
  end

  def test_the_example_of_the_document_can_be_taken
    document = File.read(File.expand_path("../../docs/vocabulary.md", __dir__))
    example = document.lines.select { |line| line.start_with?("    ") }.map { |line| line.delete_prefix("    ") }.join
    assert_equal [true, "Took 5 rows of the shop's vocabulary.\n"], take(example)
    ear = Gimlet::Counter::CurrentReference.new(database).current.ear
    heard = ear.call("8 studs, whale foot mark, stuffing, humming loud, as far as I can see brass head")
    assert_equal(%w[head_bolts frame_mark manifold_material], heard.readings.map { |reading| reading[:trait] })
    assert_equal [["packings"], ["hums"], true], [heard.scope, heard.complaints, heard.readings.last[:hedged]]
  end

  def test_what_cannot_be_used_is_named_and_changes_nothing
    { "traits: [{id: x, kind: smell, name: x, ask: '?', seconds: {}}]" => /“smell” is not a kind of trait/,
      "traits: [{id: x}]" => /needs kind, name, ask, seconds/,
      "colours: []" => /any of the keys traits, work, complaints, words/, "traits: [" => /not valid YAML/, "traits: [3]" => /do not have the shape/,
      "- 1" => /any of the keys/, "traits: [{id: head_bolts, smell: 3}]" => /no key “smell”/ }.each do |text, said|
      went_well, out = take(text)
      refute went_well, text
      assert_match said, out
      assert_nil kept
    end
  end

  def test_names_are_added_and_none_is_lost
    more = Files.shipped.extended("traits" => [{ "id" => "head_bolts", "called" => ["stud"], "mistaken" => 0.4 }])
    assert_includes more.trait("head_bolts").called, "stud"
    assert_includes more.trait("head_bolts").called, "head bolt"
    assert_equal Files.shipped.trait("head_bolts").mistaken, more.trait("head_bolts").mistaken, "what is one word stays as it was"
    assert_same Files.shipped, Files.shipped.extended({})
  end
end
