# frozen_string_literal: true

require_relative "../support/core"

# Figures as hands type them: with a point, with a comma, with thousands parted or not, as inches and parts of inches. Which sign stands for what in
# which country: common practice, no source.
class FiguresTypedTest < Minitest::Test
  include Gimlet::Core

  TIMES = 400

  def setup
    @seed = Integer(ENV.fetch("SEED", rand(1_000_000)))
    @random = Random.new(@seed)
  end

  def value(text, unit = "mm") = Quantity.parse("#{text} #{unit}").value

  # @return [Array(Rational, String, String)] a figure, its whole part and what stands behind the point
  def figure(whole: 0..99_999, digits: 1..4)
    front = @random.rand(whole)
    behind = Array.new(@random.rand(digits)) { @random.rand(10) }.join
    [Rational("#{front}.#{behind}"), front.to_s, behind]
  end

  def parted(whole, sign) = whole.reverse.scan(/\d{1,3}/).join(sign).reverse

  def test_a_comma_is_a_point
    TIMES.times do
      exact, front, behind = figure(digits: 1..2)
      next if exact.zero?

      assert_equal exact, value("#{front}.#{behind}"), "SEED=#{@seed}"
      assert_equal exact, value("#{front},#{behind}"), "SEED=#{@seed}"
    end
  end

  # Where both signs stand in it, the last one parts off the decimals.
  def test_thousands_are_parted_in_either_way
    TIMES.times do
      exact, front, behind = figure(whole: 1000..999_999)
      assert_equal exact, value("#{parted(front, ',')}.#{behind}"), "SEED=#{@seed}"
      assert_equal exact, value("#{parted(front, '.')},#{behind}"), "SEED=#{@seed}"
    end
  end

  # One comma and three figures behind it: a thousand to some, decimals to others. It is asked, never guessed.
  def test_what_can_be_read_in_two_ways_is_asked
    TIMES.times do
      text = "#{@random.rand(1..999)},#{format('%03d', @random.rand(1000))}"
      error = assert_raises(InputError, text) { Quantity.parse("#{text} psi", field: "pressure") }
      assert_equal %w[pressure two_ways], [error.field, error.code]
      told = error.message.scan(/type (\d+), or ([\d.]+)\./).first
      assert_equal [text.delete(","), text.tr(",", ".")], told
    end
  end

  # "3.000 psi", "1.200 bar" and "1.450 rpm" are written so where a point parts thousands; "1.125 in" is not.
  def test_a_point_is_asked_where_thousands_are_told
    { "3.000 psi" => %w[3000 3.000], "1.450 rpm" => %w[1450 1.450], "1.200 bar" => %w[1200 1.200] }.each do |text, ways|
      error = assert_raises(InputError, text) { Quantity.parse(text) }
      assert_equal ["two_ways", ways], [error.code, error.message.scan(/type (\d+), or ([\d.]+)\./).first]
    end
    { "1.125 in" => 9/8r, "0.750 psi" => 3/4r, "12.345 mm" => 2469/200r }.each { |text, value| assert_equal value, Quantity.parse(text).value }
  end

  def test_bare_figures
    { "5,5" => 5.5, "95 %" => 0.95, "1450" => 1450.0, "2.5" => 2.5 }.each do |text, value|
      assert_in_delta value, Quantity.bare(text, field: "f"), 1e-12
    end
    assert_equal "two_ways", assert_raises(InputError) { Quantity.bare("1,450", field: "turns") }.code
    ["four", "", "2 rpm"].each { |text| assert_equal "not_a_number", assert_raises(InputError) { Quantity.bare(text, field: "f") }.code }
  end

  # Sixteenths as a rule has them, exact.
  def test_parts_of_an_inch
    (1..64).each do |part|
      whole = @random.rand(0..4)
      text = whole.zero? ? "#{part}/64" : "#{whole} #{part}/64"
      assert_equal (whole + Rational(part, 64)) * Rational("25.4"), Quantity.parse("#{text} in").to("mm").value, text
    end
  end

  # A figure alone has the unit that the field takes.
  def test_a_figure_alone_takes_the_fields_unit
    assert_equal(["N·m", Rational(33, 5)], Quantity.parse("6,6", default_unit: "N·m").then { |one| [one.unit, one.value] })
    assert_equal "lbf·in", Quantity.parse("58,4 lbf·in", default_unit: "N·m").unit
  end

  # A unit that is none is said in a short sentence, with some that are.
  def test_an_unknown_unit_is_said_shortly
    error = assert_raises(InputError) { Quantity.parse("6,6 furlong") }
    assert_equal "unknown_unit", error.code
    assert_operator error.message.size, :<, 140
    %w[mm bar N·m gpm].each { |unit| assert_includes error.message, unit }
  end

  def test_what_is_no_figure_is_refused
    ["", "mm", "about 20", "1,2,3 mm", "..5 mm", "5/0 in", "-3 mm", "0 mm", "0,0 mm"].each do |text|
      assert_raises(InputError, text) { Quantity.parse(text) }
    end
  end
end
