# frozen_string_literal: true

require_relative "../support/app"
require_relative "../../lib/gimlet/counter/identify_pump"
require_relative "../../lib/gimlet/counter/order_class_index"
require_relative "../../lib/gimlet/counter/plan_rebuild"

class UseCasesTest < Minitest::Test
  include SeededApp

  def snapshot = @snapshot ||= Gimlet::Store::Catalogue.new(database).snapshot
  def index = @index ||= Gimlet::Counter::OrderClassIndex.new(snapshot)
  def identify(**request) = Gimlet::Counter::IdentifyPump.new(index, snapshot, Gimlet::Store::Customers.new(database)).call(request)
  def plan(**request) = Gimlet::Counter::PlanRebuild.new(snapshot, Gimlet::Store::Stock.new(database).all).call(request)

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
    assert_equal ["20"], identify(text: "20 mm").heard.unread
    assert_equal "asked", assert_raises(Gimlet::Core::InputError) { identify(text: "20 mm", asked: "mood") }.field
  end

  def test_what_the_likely_orders_do_not_share
    own = identify(text: "TK4, 20 mm plunger", scope: ["discharge_valves"]).part_differences
    assert_equal %w[PW-4132 PW-4133], own.first.parts.map(&:number).sort
    assert_empty identify(text: "plate DK420", scope: ["packings"]).part_differences
  end

  def test_the_index_is_worked_out_once_for_a_scope
    assert_same index.classes(%w[packings plungers]), index.classes(%w[plungers packings])
    refute_same index.classes(["packings"]), index.classes(["plungers"])
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
