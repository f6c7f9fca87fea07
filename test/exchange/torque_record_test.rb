# frozen_string_literal: true

require "pdf/reader"
require "minitest/autorun"
require_relative "../../lib/gimlet/core/entry"
require_relative "../../lib/gimlet/core/order/order"
require_relative "../../lib/gimlet/exchange/paper/torque_record"

# The record of torques that stays with a pump.
class TorqueRecordTest < Minitest::Test
  BOLTS = { "fastener" => "head", "name" => "head bolts", "count" => 2, "tolerance" => nil,
            "points" => [{ "order" => 1, "label" => "a" }, { "order" => 2, "label" => "b" }],
            "round_torques" => [nil, { "value" => 20, "unit" => "N·m" }],
            "walk" => [{ "point" => 0, "round" => 0 }, { "point" => 0, "round" => 1 }, { "point" => 1, "round" => 1 }] }.freeze

  def order(pumps: 1)
    record = { "pump" => { "maker" => "Coined", "model" => "C-1", "serials" => nil }, "work" => { "pumps" => pumps }, "tightening" => [BOLTS] }
    Gimlet::Core::Order.new(id: 7, record: record, customer: "Pier Nine", created_at: Time.now, version: 1, versions: [])
  end

  def entries(*readings)
    readings.each.with_index(1).map do |(turn, value, who, pump), number|
      body = { "fastener" => "head", "turn" => turn, "value" => value, "unit" => "N·m", "by" => "typed", **(pump ? { "pump" => pump } : {}) }
      Gimlet::Core::Entry.new(number: number, kind: "tightened", body: body, at: Time.utc(2026, 3, 2, 9, 30 + number), who: who)
    end
  end

  def text(order, entries)
    pdf = Gimlet::Exchange::Paper::TorqueRecord.call(order, entries)
    PDF::Reader.new(StringIO.new(pdf)).pages.map(&:text).join("\n").gsub(/\s+/, " ")
  end

  # 20 N·m without a tolerance of its own: 4 % either way, as a setting wrench above 10 N·m may be off. Source: ISO 6789-1:2017 (from memory).
  def test_every_reading_with_who_and_when_and_what_was_over
    told = text(order, entries([1, 24.0, "Ines"], [1, 20.1, "Ines"], [2, 19.0, "Joss"]))
    assert_includes told, "Coined C-1 · order 7 · Pier Nine"
    assert_match(/1 2 19\.2 N·m to 20\.8 N·m 24 N·m over Ines, 2 Mar 09:31/, told)
    assert_match(/1 2 19\.2 N·m to 20\.8 N·m 20\.1 N·m inside Ines, 2 Mar 09:32/, told)
    assert_match(/2 2 19\.2 N·m to 20\.8 N·m 19 N·m under Joss, 2 Mar 09:33/, told)
  end

  def test_each_pump_by_itself
    told = text(order(pumps: 2), entries([1, 20.0, "Ines", 2]))
    assert_match(/Pump 1 of 2 Nothing was read\. Pump 2 of 2 2 × head bolts/, told)
  end

  def test_nothing_read_is_said
    assert_includes text(order, []), "Nothing was read."
  end
end
