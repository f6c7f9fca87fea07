# frozen_string_literal: true

require_relative "../support/app"
require_relative "../../lib/gimlet/counter/identify_pump"
require_relative "../../lib/gimlet/counter/current_reference"
require_relative "../../lib/gimlet/counter/plan_rebuild"
require_relative "../../lib/gimlet/present/input_hints"

class UseCasesTest < Minitest::Test
  include SeededApp

  def snapshot = @snapshot ||= Gimlet::Store::Catalogue.new(database).snapshot

  def reference
    @reference ||= Gimlet::Counter::Reference.new(snapshot, Gimlet::Exchange::VocabularyFiles.shipped, Gimlet::Exchange::ReferenceFiles::TABLES)
  end

  def identify(**request) = Gimlet::Counter::IdentifyPump.new(reference, Gimlet::Store::Customers.new(database)).call(request)

  def plan(**request)
    Gimlet::Counter::PlanRebuild.new(snapshot, Gimlet::Store::Stock.new(database).all, Gimlet::Exchange::ReferenceFiles::TABLES).call(request)
  end

  def test_who_observes_follows_from_how_the_customer_is_present
    { "phone" => "caller", "counter" => "counter", "photo" => "photo" }.each do |channel, observer|
      assert_equal [observer], identify(text: "8 bolts", channel: channel).readings.map(&:observer)
    end
  end

  def test_the_work_in_the_line_counts_until_work_is_agreed
    both = identify(text: "TK4, 20 mm plunger, discharge valves")
    agreed = identify(text: "TK4, 20 mm plunger, discharge valves", scope: ["packings"])
    assert_operator both.identification.order_classes.first.probability, :<, agreed.identification.order_classes.first.probability
  end

  def test_a_bare_figure_needs_a_question
    assert_equal ["plunger_mm"], identify(text: "20 mm", asked: "plunger_mm").readings.map(&:trait)
    assert_equal ["20 mm"], identify(text: "20 mm").heard.unread
    assert_equal "asked", assert_raises(Gimlet::Core::InputError) { identify(text: "20 mm", asked: "mood") }.field
  end

  def test_what_the_likely_orders_do_not_share
    own = identify(text: "TK4, 20 mm plunger", scope: ["discharge_valves"]).part_differences
    assert_equal %w[PW-4132 PW-4133], own.first.parts.map(&:number).sort
    assert_empty identify(text: "plate DK420", scope: ["packings"]).part_differences
  end

  def test_the_index_is_worked_out_once_for_a_scope
    assert_same reference.classes(%w[packings plungers]), reference.classes(%w[plungers packings])
    refute_same reference.classes(["packings"]), reference.classes(["plungers"])
  end

  def references = @references ||= Gimlet::Counter::CurrentReference.new(database)

  def test_a_changed_catalogue_is_noticed_and_only_its_series_made_anew
    Gimlet::Counter::CurrentReference::SHARED.clear
    before = references.current
    assert before.equal?(references.current)
    changed = references.catalogue.document("drosselby-dk4")
    changed["models"] << changed["models"].first.merge("designation" => "DK499")
    Gimlet::Store::Catalogue.new(database).import_all([changed])
    after = references.current(newest: true)
    refute before.equal?(after)
    assert_equal 1, after.snapshot.variants_of("DK499").size
    same = ->(one, id) { one.snapshot.series.find { |series| series.id == id } }
    assert same.call(before, "pellwick-tk4").equal?(same.call(after, "pellwick-tk4"))
    refute same.call(before, "drosselby-dk4").equal?(same.call(after, "drosselby-dk4"))
  end

  def test_a_shop_s_vocabulary_is_heard
    Gimlet::Store::Settings.new(database)[Gimlet::Counter::CurrentReference::VOCABULARY] = "traits: [{id: head_bolts, called: [stud]}]"
    assert_equal(["head_bolts"], references.current.ear.call("8 studs").readings.map { |reading| reading[:trait] })
  end

  # The frame mark of one series is asked for, heard and weighed like any other trait.
  def test_a_catalogue_document_brings_a_trait_of_its_own
    changed = references.catalogue.document("drosselby-dk4")
    changed["trait_definitions"] = [{ "id" => "foot_mark", "kind" => "chosen", "name" => "foot mark", "ask" => "Which mark is cast into the foot?",
                                      "called" => ["foot mark"], "values" => { "anchor" => ["kedge"] }, "seconds" => { "phone" => 20 } }]
    changed["models"].each { |model| model["traits"]["foot_mark"] = model["designation"] == "DK420" ? "anchor" : "crown" }
    references.catalogue.import_all([changed])
    current = references.current(newest: true)
    found = Gimlet::Counter::IdentifyPump.new(current, Gimlet::Store::Customers.new(database)).call({ text: "DK4, kedge foot mark" })
    assert_equal(%w[series foot_mark], found.readings.map(&:trait))
    assert_equal "DK420", current.variant(found.identification.candidates.first.at).designation
  end

  def test_the_example_phrases_are_heard
    found = identify(text: "")
    Gimlet::Present::InputHints.call(found).reject { |row| row[:asked] }.flat_map { |row| row[:examples] }.each do |text|
      assert_empty reference.ear.call(text).unread, text
    end
    asked = identify(text: "TK4, packings")
    rows = Gimlet::Present::InputHints.call(asked)
    trait = asked.identification.questions.first.trait
    assert rows.first[:asked]
    rows.first[:examples].each do |text|
      assert_equal([trait.id], reference.ear.call(text, asked: trait.id).readings.map do |reading|
        reading[:trait]
      end, text)
    end
  end

  def test_a_serial_or_its_range_picks_the_side_of_the_break
    assert_equal "before 31000", plan(model: "TK4R20", serial: 12, scope: ["packings"]).workup.variant.serial_range
    assert_equal "from 31000", plan(model: "TK4R20", serial: "31000", scope: ["packings"]).workup.variant.serial_range
    assert_equal "before 31000", plan(model: "TK4R20", serial: "before 31000", scope: ["packings"]).workup.variant.serial_range
  end

  def test_units_are_taken_as_people_say_them
    { "in lb" => "lbf·in", "Nm" => "N·m", "ft-lb" => "lbf·ft", nil => "N·m" }.each do |said, unit|
      assert_equal unit, plan(model: "DK420", scope: ["packings"], units: said).request[:units]
    end
  end
end
