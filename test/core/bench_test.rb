# frozen_string_literal: true

require_relative "../support/core"

# What was reached against what was asked.
class BenchTest < Minitest::Test
  Bench = Gimlet::Core::Bench

  def torque(value, unit) = Gimlet::Core::Quantity.of(value, unit)
  def verdict(reading, asked, tolerance = nil) = Bench::AsTightened.new(asked, tolerance).verdict(reading)

  # ISO 6789-1 lets a setting wrench be off by 4 % above 10 N·m and by 6 % up to it (from memory): 21.12 to 22.88 on 22, 7.52 to 8.48 on 8.
  def test_where_the_sheet_is_silent_the_wrench_s_own_error_is_the_band
    { [21.2, 22] => "inside", [22.8, 22] => "inside", [21.0, 22] => "under", [23.0, 22] => "over",
      [7.6, 8] => "inside", [8.4, 8] => "inside", [7.4, 8] => "under", [8.6, 8] => "over" }.each do |(read, asked), state|
      assert_equal state, verdict(torque(read, "N·m"), torque(asked, "N·m")).state, "#{read} on #{asked}"
    end
  end

  def test_the_sheet_s_tolerance_wins
    assert_equal(%w[inside under over], [21.0, 20.9, 23.1].map { |read| verdict(torque(read, "N·m"), torque(22, "N·m"), torque(1, "N·m")).state })
    assert_equal "inside", verdict(torque(195, "lbf·in"), torque(22.03, "N·m"), torque(9, "lbf·in")).state
  end

  # 22 N·m are 194.7 lbf·in (NIST SP 811).
  def test_any_unit_is_read_and_a_wrong_one_is_guessed_at
    assert_equal "inside", verdict(torque(195, "lbf·in"), torque(22, "N·m")).state
    low = verdict(torque(22, "lbf·in"), torque(22, "N·m"))
    assert_equal "under", low.state
    assert_match(/22 N·m would be right: does the wrench read N·m\?.*Tighten on/, low.text)
    high = verdict(torque(195, "lbf·ft"), torque(22, "N·m"))
    assert_match(/195 lbf·in would be right.*Loosen it/, high.text)
    refute_match(/would be right/, verdict(torque(30, "N·m"), torque(22, "N·m")).text)
  end

  def entry(number, kind, body) = Gimlet::Core::Entry.new(number: number, kind: kind, body: body, at: Time.now, who: "bench")

  def test_the_last_word_counts
    log = Bench::Log.of([entry(1, "ticked", { "item" => "open 1.1", "done" => true }), entry(2, "ticked", { "item" => "open 2.1", "done" => true }),
                         entry(3, "ticked", { "item" => "open 1.1", "done" => false }),
                         entry(4, "tightened", { "fastener" => "head", "turn" => 0, "value" => 30.0, "unit" => "N·m", "by" => "typed" }),
                         entry(5, "tightened", { "fastener" => "head", "turn" => 0, "value" => 22.0, "unit" => "N·m", "by" => "wrench" })])
    assert_equal [5, ["open 2.1"], 22.0, nil], [log.last, log.ticked, log.reading("head", 0)["value"], log.reading("head", 1)]
    assert_equal 0, Bench::Log.of([]).last
  end

  def test_a_wrench_that_clicks_shows_no_figure
    read = entry(1, "tightened", { "fastener" => "head", "turn" => 0, "value" => 30.0, "unit" => "N·m", "by" => "typed" })
    clicked = entry(2, "ticked", { "item" => Bench::Log.turn("head", 0), "done" => true })
    assert_equal([nil, true], Bench::Log.of([read, clicked]).then { |log| [log.reading("head", 0), log.ticked?("turn head 0")] })
    assert_equal 30.0, Bench::Log.of([clicked.with(number: 1), read.with(number: 2)]).reading("head", 0)["value"]
  end
end
