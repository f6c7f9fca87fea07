# frozen_string_literal: true

require_relative "../support/core"
require "gimlet/core/9_identification/leader"
require "gimlet/core/9_identification/pumps/work_on_file"

# Which pump an order is worked out for, by hand: four pumps, the first two of one order.
class LeaderTest < Minitest::Test
  include DemoCatalogue
  include Gimlet::Core::Identification

  CLASSES = OrderClasses.new(%w[x x y z])

  def order(id, probability, members) = OrderClass.new(id: id, probability: probability, members: members)

  def found(*orders, blockers: [], enough: true)
    Identified.new(order_classes: orders, blockers: blockers, enough: enough, candidates: [], none: 0.0)
  end

  def likely = found(order("x", 0.8, [1, 0]), order("y", 0.1, [2]))

  def test_the_likeliest_of_the_order_that_leads
    assert_equal Leader.new(at: 1, sure: 0.8, first: true), Leader.of(likely, CLASSES, told: true)
  end

  # Half is just enough to lead; before anything was told nothing leads.
  def test_no_pump_while_none_leads
    level = OrderClasses::CLEAR
    assert_equal 1, Leader.of(found(order("x", level, [1])), CLASSES, told: true).at
    assert_equal Leader.new(at: nil, sure: level - 0.01, first: false), Leader.of(found(order("x", level - 0.01, [1])), CLASSES, told: true)
    assert_nil Leader.of(likely, CLASSES, told: false).at
    assert_nil Leader.of(found(order("x", 0.9, [1]), blockers: %w[not_in_catalogue]), CLASSES, told: true).at
  end

  def test_a_pump_taken_by_hand
    assert_equal Leader.new(at: 0, sure: 0.8, first: true), Leader.chosen(0, likely, CLASSES), "of the order that leads"
    assert_equal Leader.new(at: 2, sure: 0.1, first: false), Leader.chosen(2, likely, CLASSES), "of another"
    assert_equal Leader.new(at: 3, sure: 0.0, first: false), Leader.chosen(3, likely, CLASSES), "of one that is hardly possible"
    assert_equal Leader.new(at: nil, sure: 0.0, first: false), Leader.chosen(nil, likely, CLASSES), "in the catalogue no more"
  end

  def test_work_that_the_leader_has_not_is_never_enough
    pump = variant("DK420")
    has = pump.series.areas_of(pump).map(&:id)
    assert_same likely_once, WorkOnFile.held(likely_once, has, pump)
    assert_same likely_once, WorkOnFile.held(likely_once, [], pump)
    held = WorkOnFile.held(likely_once, [has.first, "no such work"], pump)
    assert_equal [false, %w[not_on_file]], [held.enough, held.blockers]
  end

  def likely_once = @likely_once ||= likely

  # Two pumps share a gap where one line of the sheet speaks of both.
  def test_one_line_of_the_sheet
    rows = [{ "head_bolts" => [8] }, { "head_bolts" => [6] }].map { |condition| Gimlet::Core::Tightening.new(condition: condition) }
    fastener = Gimlet::Core::Catalogue::Fastener.new(id: "head", sets: [], tightenings: rows)
    eight, other = %w[DK420 DK418].map { |name| variant(name) }
    six = eight.with(traits: eight.traits.merge("head_bolts" => 6))
    assert fastener.one_line?([eight, other])
    refute fastener.one_line?([eight, six])
  end

  def test_a_line_that_serves_nothing_says_its_number
    wrong = Gimlet::Core::KitPlan::UnknownLine.new("PW-1")
    assert_equal %w[PW-1 fixed unknown_line], [wrong.number, wrong.field, wrong.code]
  end
end
