# frozen_string_literal: true

require "minitest/autorun"
require_relative "../support/glpk"
require_relative "../../lib/gimlet/core/5_kit_plan/cover"
require_relative "../../lib/gimlet/core/5_kit_plan/offers"

# GLPK's integer programming solver as an independent oracle for kit plans: the four aims one after the other, each
# held fixed for the next.
class GlpkTest < Minitest::Test
  include Gimlet::Core::KitPlan
  include Glpk

  INSTANCES = 75

  def test_random_orders
    random = Random.new(Minitest.seed)
    INSTANCES.times do |at|
      needs, offers, limits = order(random)
      assert_equal glpk(needs, offers, limits), Cover.new(needs, offers, limits: limits).call.score,
                   "order #{at} of seed #{Minitest.seed}: #{needs} #{limits} #{offers.map(&:to_h)}"
    end
  end

  # Larger orders, kits of a few parts each; GLPK takes long over some of them, so these are few.
  def test_large_orders
    random = Random.new(Minitest.seed)
    [[12, 8], [15, 10], [25, 15]].each do |parts, kits|
      4.times do |at|
        needs, offers, limits = large_order(parts, kits, random)
        assert_equal glpk(needs, offers, limits), Cover.new(needs, offers, limits: limits).call.score,
                     "#{parts} × #{kits}, order #{at} of seed #{Minitest.seed}"
      end
    end
  end

  private

  def large_order(parts, kits, random)
    needs = Array.new(parts) { |at| ["p#{at}", random.rand(1..6)] }.to_h
    sets = Array.new(kits) do |at|
      covers = needs.keys.sample(random.rand(2..4), random: random).to_h { |part| [part, random.rand(1..3)] }
      offer("k#{at}", covers, covers.values.sum * random.rand(300..900), random)
    end
    loose = needs.keys.map { |part| offer("#{part}l", { part => [1, 1, 3].sample(random: random) }, random.rand(400..1500), random) }
    offers = sets + loose
    [needs, offers, offers.to_h { |offer| [offer.number, random.rand(1..6)] }]
  end

  # Like a rebuild: kits of some parts for one or three cylinders, loose parts singly or in packs, short shelves.
  def order(random)
    needs = Array.new(random.rand(2..6)) { |at| ["p#{at}", random.rand(1..8)] }.to_h
    kits = Array.new(random.rand(0..4)) { |at| offer("k#{at}", kit(needs, random), random.rand(2000..9000), random) }
    loose = needs.keys.flat_map do |part|
      Array.new(random.rand(0..2)) do |at|
        offer("#{part}l#{at}", { part => [1, 1, 3, 10].sample(random: random) }, random.rand(100..2500), random)
      end
    end
    offers = kits + loose
    [needs, offers, offers.to_h { |offer| [offer.number, random.rand(0..6)] }]
  end

  def kit(needs, random)
    needs.keys.sample(random.rand(2..needs.size), random: random).to_h { |part| [part, random.rand(1..3)] }
  end

  def offer(number, covers, cents, random)
    spare = random.rand(0..2)
    Offer.new(number: number, name: number, kit: covers.size > 1, covers: covers, contents: covers,
              pieces: covers.values.sum + (covers.size > 1 ? spare : 0), price_cents: cents, on_hand: 9)
  end

  def glpk(needs, offers, limits)
    aims = [needs.keys.map { |part| [1, "u_#{part}"] }, offers.map { |offer| [offer.price_cents, "x_#{offer.number}"] },
            offers.map { |offer| [1, "y_#{offer.number}"] }, offers.map { |offer| [offer.pieces, "x_#{offer.number}"] }]
    aims.each_with_index.reduce([]) do |fixed, (aim, at)|
      held = aims.take(at).zip(fixed).map { |terms, value| "#{sum(terms)} = #{value}" }
      [*fixed, aim.empty? ? 0 : solve(program(aim, held, needs, offers, limits))]
    end
  end

  def program(aim, held, needs, offers, limits)
    cover = needs.map do |part, need|
      sum(offers.select do |offer|
        offer.covers.key?(part)
      end.map { |offer| [offer.covers[part], "x_#{offer.number}"] } + [[1, "u_#{part}"]]) + " >= #{need}"
    end
    lines = offers.map { |offer| "x_#{offer.number} - #{limits[offer.number]} y_#{offer.number} <= 0" }
    bounds = needs.map { |part, need| "0 <= u_#{part} <= #{need}" } + offers.map { |offer| "0 <= x_#{offer.number} <= #{limits[offer.number]}" }
    whole = needs.keys.map { |part| "u_#{part}" } + offers.map { |offer| "x_#{offer.number}" }
    ["Minimize", " aim: #{sum(aim)}", "Subject To", *(cover + lines + held).map { |one| " #{one}" }, "Bounds", " 0 <= dummy <= 0",
     *bounds.map { |bound| " #{bound}" }, "General", *whole, "Binary", *offers.map { |offer| "y_#{offer.number}" }, "End", ""].join("\n")
  end
end
