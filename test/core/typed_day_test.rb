# frozen_string_literal: true

require_relative "../support/core"
require_relative "../../lib/gimlet/core/0_quantities/typed_day"

# Days as people type them. Day before month with a dot is common practice, no source; a slash is written either way round.
class TypedDayTest < Minitest::Test
  WEDNESDAY = Date.new(2026, 12, 2)

  def day(text) = Gimlet::Core::TypedDay.ahead(text, WEDNESDAY, field: "until").iso8601
  def refused(text) = assert_raises(Gimlet::Core::InputError, text) { day(text) }

  def test_a_day_is_read_as_it_is_written
    { "2026-12-09" => ["2026-12-09", "9 dec", "9 December", "9th december 2026", "Dec 9", "december 9th, 2026", "9.12.", "9.12.2026", "9. 12."],
      "2026-12-15" => ["15/12", "12/15", "15/12/2026", "15 dec."], "2026-12-12" => ["12/12"], "2026-12-02" => %w[today 2026-12-02 2.12.],
      "2026-12-03" => ["tomorrow", "thursday", "thu", " Thurs "], "2027-01-05" => ["5 jan", "5.1."], "2028-02-29" => ["29 feb 2028"],
      "2026-12-16" => ["in 2 weeks", "2 weeks", "14 days", "in 14 days"] }
      .each { |expected, typed| typed.each { |text| assert_equal expected, day(text), text } }
    assert_equal ["2026-12-09"] * 3, ["wednesday", "in a week", "in 7 days"].map { |text| day(text) }, "the weekday of today is the next one"
  end

  def test_what_can_be_two_days_is_asked
    %w[9/12 1/2 3/4/2027].each { |text| assert_equal "two_days", refused(text).code, text }
    assert_match(%r{“9/12” can be 9 December or 12 September: write the month as a word\.}, refused("9/12").message)
  end

  def test_what_is_none_or_past_is_said
    ["", "soon", "31 february", "2026-02-30", "13/13", "0/5", "32 dec", "tod", "mo", "29 feb 2027", "dec",
     "9 marble", "9 de", "9 decent", "thurzday", "th"].each do |text|
      assert_equal "bad_day", refused(text).code, text
    end
    ["2026-12-01", "1.12.2026", "1 dec 2026"].each { |text| assert_equal "past", refused(text).code, text }
    assert_equal "until", refused("soon").field
    assert_equal Date.new(2026, 12, 1), Gimlet::Core::TypedDay.of("1.12.2026", WEDNESDAY, field: "on"), "past days are days"
  end
end
