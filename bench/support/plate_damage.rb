# frozen_string_literal: true

require_relative "../../lib/gimlet/core/2_readings/plates/plate_match"

# Invented designations of eight to ten characters, and what time does to a plate.
module PlateDamage
  LETTERS = [*"A".."Z"].freeze

  module_function

  # Series code, frame, side, plunger size and often a letter or two, as catalogues have them.
  # @return [Array<String>] distinct
  def designations(count, random)
    codes = Array.new(count / 10) { Array.new(3) { LETTERS.sample(random: random) }.join + random.rand(1..9).to_s }
    names = {}
    until names.size == count
      tail = random.rand(3).zero? ? "" : LETTERS.sample(random: random)
      names["#{codes.sample(random: random)}#{%w[L R].sample(random: random)}#{random.rand(10..45)}#{random.rand(1..9)}#{tail}"] = true
    end
    names.keys
  end

  # Half of the damaged characters cannot be read, most others are taken for a lookalike, some are gone.
  def call(name, damaged, random)
    glyphs = name.chars
    [*0...glyphs.size].sample(damaged, random: random).each { |at| glyphs[at] = damage(glyphs[at], random) }
    glyphs.join
  end

  def damage(glyph, random)
    kind = random.rand
    return "?" if kind < 0.5
    return "" if kind > 0.9

    Gimlet::Core::Readings::PlateMatch::ALIKE_PAIRS.fetch(glyph, {}).keys.sample(random: random) || "?"
  end
end
