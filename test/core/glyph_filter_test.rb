# frozen_string_literal: true

require_relative "../support/core"

class GlyphFilterTest < Minitest::Test
  Filter = Gimlet::Core::Readings::GlyphFilter
  ALIKE = Gimlet::Core::Readings::PlateMatch::ALIKE_PAIRS

  # Independent oracle: the count of shared glyphs, one designation at a time.
  def count(glyphs, name)
    glyphs.each_with_index.sum do |glyph, at|
      near = [at - 1, at, at + 1].select { |one| one >= 0 }.filter_map { |one| name[one] }
      (near.include?(glyph) ? 1 : 0) + (near.any? { |other| other == glyph || ALIKE.dig(glyph, other) } ? 1 : 0)
    end
  end

  def test_the_best_are_those_that_share_most
    random = Random.new(Minitest.seed)
    names = Array.new(300) { Array.new(random.rand(5..10)) { [*"A".."Z", *"0".."9"].sample(random: random) }.join }
    filter = Filter.new(names)
    25.times do
      glyphs = names.sample(random: random).chars
      glyphs[random.rand(glyphs.size)] = "?"
      readable = glyphs.map { |glyph| glyph == "?" ? nil : glyph }
      left = names.map { |name| count(readable, name) }
      right = names.map { |name| count(readable.reverse, name.reverse) }
      expected = [left, right].flat_map { |counts| counts.each_index.select { |at| counts[at] == counts.max } }.uniq.sort
      assert_equal expected, filter.best(glyphs, margin: 0, enough: 1).sort
    end
  end

  def test_nothing_shared_finds_nothing
    assert_empty Filter.new(%w[ABC DEF]).best(%w[9 9], margin: 4, enough: 8)
  end
end
