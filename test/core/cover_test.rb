# frozen_string_literal: true

require_relative "../support/core"

class CoverTest < Minitest::Test
  include Gimlet::Core::KitPlan

  def offer(number, covers, cents, extra: {}, on_hand: 9)
    contents = covers.merge(extra)
    Offer.new(number: number, name: number, kit: contents.size > 1, covers: covers, contents: contents,
              pieces: contents.values.sum, price_cents: cents, on_hand: on_hand)
  end

  def bought(needs, offers, **others)
    Cover.new(needs, offers, **others).call.counts.transform_keys(&:number)
  end

  def test_a_kit_for_one_cylinder_is_taken_three_times
    assert_equal({ "kit" => 3 }, bought({ "seal" => 3, "ring" => 3 }, [offer("kit", { "seal" => 1, "ring" => 1 }, 500)]))
  end

  def test_price_decides_then_lines_then_what_is_left_over
    needs = { "a" => 2, "b" => 2 }
    loose = [offer("a", { "a" => 1 }, 100), offer("b", { "b" => 1 }, 100)]
    assert_equal({ "a" => 2, "b" => 2 }, bought(needs, [offer("kit", { "a" => 2, "b" => 2 }, 401), *loose]))
    assert_equal({ "kit" => 1 }, bought(needs, [offer("kit", { "a" => 2, "b" => 2 }, 400), *loose]))
    rich = offer("rich", { "a" => 2, "b" => 2 }, 400, extra: { "c" => 1 })
    assert_equal({ "kit" => 1 }, bought(needs, [rich, offer("kit", { "a" => 2, "b" => 2 }, 400)]))
  end

  def test_packs_and_limits
    offers = [offer("single", { "o" => 1 }, 30), offer("pack", { "o" => 10 }, 120)]
    assert_equal({ "pack" => 1 }, bought({ "o" => 6 }, offers))
    assert_equal({ "single" => 3 }, bought({ "o" => 6 }, offers, limits: { "pack" => 0, "single" => 3 }))
    assert_equal 3, Cover.new({ "o" => 6 }, offers, limits: { "pack" => 0, "single" => 3 }).call.score.first
  end

  def test_nothing_offered_leaves_everything_open
    assert_equal [7, 0, 0, 0], Cover.new({ "a" => 3, "b" => 4 }, []).call.score
  end

  def test_parts_that_share_no_offer_are_covered_apart
    needs = { "a" => 3, "b" => 3, "c" => 2 }
    offers = [offer("ab", { "a" => 1, "b" => 1 }, 300), offer("c", { "c" => 1 }, 100), offer("a", { "a" => 1 }, 90)]
    both = Cover.new(needs, offers).call
    apart = [%w[a b], %w[c]].map { |parts| Cover.new(needs.slice(*parts), offers.select { |offer| (offer.covers.keys - parts).empty? }).call.score }
    assert_equal apart.transpose.map(&:sum), both.score
    assert_equal 0, both.gap_cents
  end

  def test_what_all_offers_together_cannot_reach_is_unfilled
    one = Cover.new({ "a" => 5, "b" => 2 }, [offer("kit", { "a" => 1, "b" => 1 }, 100)], limits: { "kit" => 3 }).call
    assert_equal [2, 300, 1, 6], one.score
  end

  # Independent oracle: every combination, counted out.
  def test_against_every_combination
    random = Random.new(Minitest.seed)
    70.times do
      needs = %w[a b c].first(random.rand(1..3)).to_h { |part| [part, random.rand(1..3)] }
      offers = Array.new(random.rand(1..5)) { |at| random_offer(needs, at, random) }
      limits = offers.to_h { |offer| [offer.number, random.rand(0..3)] }
      assert_equal by_hand(needs, offers, limits), Cover.new(needs, offers, limits: limits).call.score, [needs, offers, limits].inspect
    end
  end

  def random_offer(needs, at, random)
    covers = needs.keys.sample(random.rand(1..needs.size), random: random).to_h { |part| [part, random.rand(1..3)] }
    offer("o#{at}", covers, random.rand(1..9) * 100, extra: random.rand < 0.3 ? { "other" => 1 } : {})
  end

  def by_hand(needs, offers, limits)
    ranges = offers.map { |offer| (0..limits[offer.number]).to_a }
    ranges[0].product(*ranges.drop(1)).map do |counts|
      chosen = offers.zip(counts)
      short = needs.sum { |part, need| [need - chosen.sum { |one, count| count * (one.covers[part] || 0) }, 0].max }
      [short, chosen.sum { |one, count| one.price_cents * count }, counts.count(&:positive?), chosen.sum do |one, count|
        one.pieces * count
      end]
    end.min
  end
end
