# frozen_string_literal: true

require_relative "../support/core"
require "gimlet/core/7_tools/shared"
require "gimlet/core/8_plan/rebuild"

# One set of tools for several pumps.
class SharedToolsTest < Minitest::Test
  include DemoCatalogue

  Tools = Gimlet::Core::Tools
  PAIRS = 12

  def workup(pump, own: [])
    scope = Gimlet::Core::Scope.of(pump.series.areas_of(pump).map(&:id).first(2))
    Gimlet::Core::Plan::Rebuild.new(snapshot, STOCK, @solved ||= {}).call(pump, scope: scope, wrenches: own)
  end

  def values(workups) = workups.flat_map { |one| one.tightening.flat_map { |row| row.settings_nm(nil) } }.uniq
  def lent(name) = Tools::Wrenches::LENT.find { |wrench| wrench.name == name }
  def reached?(values, wrenches) = values.all? { |value| wrenches.any? { |wrench| wrench.reaches?(value) } }

  # Whatever two pumps: each tool once, for whom it is, every value reached that any lent wrench reaches, and by no wrench too many.
  def test_each_tool_once_and_no_wrench_too_many
    random = Random.new(Minitest.seed)
    PAIRS.times do
      pair = snapshot.variants.sample(2, random: random)
      workups = pair.map { |pump| workup(pump) }
      found = Tools::Shared.of(workups)
      note = "#{pair.map(&:id)}, seed #{Minitest.seed}"
      assert_equal found.map { |tool| [tool.number, tool.name] }.uniq.size, found.size, note
      wrenches, others = found.partition { |tool| tool.kind == "torque wrench" }
      each = workups.flat_map { |one| one.tools.reject { |tool| tool.kind == "torque wrench" }.map { |tool| [tool.name, one.variant.designation] } }
      assert_equal each.uniq.sort, others.flat_map { |tool| tool.pumps.map { |pump| [tool.name, pump] } }.uniq.sort, note
      reachable = values(workups).select { |value| Tools::Wrenches::LENT.any? { |wrench| wrench.reaches?(value) } }
      taken = wrenches.map { |tool| lent(tool.name) }
      assert reached?(reachable, taken), note
      taken.each { |one| refute reached?(reachable, taken - [one]), "#{one.name} is one too many, #{note}" }
    end
  end

  def test_the_customer_s_own_wrench_serves_all_of_them
    pumps = [variant("DK415"), variant("TK4R20 from 31000")]
    own = Tools::Wrench.customer(1, 400, "N·m", nil)
    found = Tools::Shared.of(pumps.map { |pump| workup(pump, own: [own]) }, own: [own])
    assert_equal([[own.name, pumps.map(&:designation)]], found.select { |tool| tool.kind == "torque wrench" }.map { |tool| [tool.name, tool.pumps] })
    assert_empty Tools::Shared.of([])
  end
end
