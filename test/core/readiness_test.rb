# frozen_string_literal: true

require_relative "../support/core"
require_relative "../../lib/gimlet/core/order/order"
require_relative "../../lib/gimlet/core/ticket/readiness"
require_relative "../../lib/gimlet/core/ticket/ticket"

# What stands between a ticket and its order, told once for the screen, for saving and for scripts.
class ReadinessTest < Minitest::Test
  Readiness = Gimlet::Core::Ticket::Readiness
  Ticket = Gimlet::Core::Value.of(:state, :scope, :agreed, :order_id, :settled)
  Identified = Gimlet::Core::Value.of(:blockers, :doubts)
  Doubt = Gimlet::Core::Value.of(:key, :matters)
  Workup = Gimlet::Core::Value.of(:plans, :tightening)
  Plan = Gimlet::Core::KitPlan::Plan
  GAP = Gimlet::Core::KitPlan::Unfilled.new(number: "A-1", name: "seal", quantity: 2, by_hand: false)
  Told = Gimlet::Core::Value.of(:on_file?)

  TICKET = Ticket.new(state: "open", scope: ["packings"], agreed: true, settled: {})
  WHOLE = Workup.new(plans: [Plan.new(lines: [1], unfilled: [])], tightening: [])

  def readiness(ticket: TICKET, blockers: [], doubts: [], workup: WHOLE, leads: true, amended: nil)
    Readiness.of(ticket, Identified.new(blockers: blockers, doubts: doubts), workup, leads: leads, amended: amended)
  end

  def test_nothing_stands_in_the_way
    ready = readiness
    assert ready.enough?
    assert_nil ready.refused(nil)
    assert_equal [true, true, true, true, true, false], ready.settled.values
    assert readiness(ticket: TICKET.with(order_id: 3)).settled["hand_over"]
  end

  def test_no_reason_saves_what_is_closed_or_has_no_work_or_no_pump
    { TICKET.with(state: "closed") => "closed", TICKET.with(scope: []) => "empty_scope", TICKET => "no_pump" }.each do |ticket, code|
      assert_equal code, readiness(ticket: ticket, workup: nil).refused("he is sure").code
    end
    assert_equal(["nothing"], readiness(workup: nil).blockers.map(&:id))
  end

  def test_a_reason_overcomes_the_rest_and_must_say_something
    unsure = readiness(blockers: %w[unsure doubt], leads: false, amended: Gimlet::Core::Order.new(cancelled_at: Time.at(0)))
    assert_equal %w[unsure doubt cancelled], unsure.blockers.map(&:id), "each once"
    assert_equal "reason_needed", unsure.refused("ok").code
    assert_match(/likely.*does not fit.*in force again.*Say why/, unsure.refused(nil).text)
    assert_nil unsure.refused("he counted twice")
    assert_equal ["unsure"], readiness(leads: false).blockers.map(&:id), "another pump was taken by hand"
  end

  # Which order it is, is settled: that it goes out without a piece takes a word, unless somebody left that piece out with one.
  def test_a_place_that_stays_empty_takes_a_reason
    open = readiness(workup: WHOLE.with(plans: [Plan.new(lines: [1], unfilled: [GAP])]))
    assert open.enough?
    assert_equal [Readiness::OPEN, "reason_needed"], [open.blockers.first.id, open.refused(nil).code]
    assert_includes open.refused("no").text, "1 part is not covered: A-1"
    assert_nil open.refused("they have seals")
    assert_nil readiness(workup: WHOLE.with(plans: [Plan.new(lines: [1], unfilled: [GAP.with(by_hand: true)])])).refused(nil)
    refute readiness(blockers: ["unsure"], workup: WHOLE.with(plans: [Plan.new(lines: [1], unfilled: [GAP])])).enough?
  end

  def test_each_answer_is_settled_by_itself
    short = readiness(workup: WHOLE.with(plans: [Plan.new(lines: [1], unfilled: [GAP])])).settled
    assert_equal [true, false, true], short.values_at("pump", "parts", "tools")
    silent = readiness(workup: WHOLE.with(tightening: [Told.new(on_file?: true), Told.new(on_file?: false)])).settled
    assert_equal [true, false], silent.values_at("tools", "tightening")
    assert_equal [true, false, false, false, false], readiness(ticket: TICKET.with(agreed: false)).settled.values.first(5)
    assert_equal [false, true, false], readiness(blockers: ["unsure"]).settled.values_at("pump", "work", "tools")
  end

  def test_the_doubt_that_stands_settles
    doubts = [Doubt.new(key: "a", matters: false), Doubt.new(key: "b", matters: true), Doubt.new(key: "c", matters: true)]
    assert_equal "b", readiness(doubts: doubts).doubt
    assert_equal "c", readiness(doubts: doubts, ticket: TICKET.with(settled: { "b" => "so it is" })).doubt
    assert_equal "plate_unconfirmed", readiness(blockers: ["plate_unconfirmed"]).doubt
    assert_nil readiness(blockers: %w[unsure plate_unconfirmed]).doubt, "asked when nothing else is open"
    assert_nil readiness.doubt
  end
end
