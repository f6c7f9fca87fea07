# frozen_string_literal: true

require "minitest/autorun"
require_relative "../support/glpk"
require_relative "../../lib/gimlet/core/4_demand/demand"
require_relative "../../lib/gimlet/core/5_kit_plan/plans"

# Wanted numbers that newer ones replaced, several by one, one after the other and crosswise, with interchange and packs: the plan against GLPK,
# which is given every piece and what it may serve as a flow.
class MergedNumbersTest < Minitest::Test
  include Gimlet::Core
  include Glpk

  # As many as take a few seconds; 300 with CATALOGUES=300.
  CATALOGUES = Integer(ENV.fetch("CATALOGUES", 40))
  Part = Struct.new(:number, :name, :superseded_by, :interchange, :stand_ins)
  Kit = Struct.new(:number, :name, :contents, :condition)
  Pump = Struct.new(:series)
  Series = Struct.new(:kits, :fits)
  Wanted = Struct.new(:quantities, :variant, :fates, :missing)

  # What may be sold for a number, by the words of the format: itself, what replaced it, and what each of those is equal to.
  Shop = Struct.new(:parts, :kits) do
    def part(number) = parts[number]

    def serving(number)
      found = [number]
      found << parts[found.last].superseded_by while parts[found.last].superseded_by
      found.flat_map { |one| [one, *parts[one].interchange] }.uniq
    end
  end

  # Older numbers come first, so that chains end; some are replaced by the same number, which is a merger.
  def catalogue(random)
    numbers = Array.new(random.rand(3..7)) { |at| "N#{at}" }
    parts = numbers.each_with_index.to_h do |number, at|
      newer = (random.rand < 0.5 ? numbers.drop(at + 1).sample(random: random) : nil)
      [number, Part.new(number, number, newer, random.rand < 0.25 ? [numbers.sample(random: random)] - [number] : [], [])]
    end
    kits = Array.new(random.rand(0..3)) do |at|
      Kit.new("K#{at}", "K#{at}", numbers.sample(random.rand(1..3), random: random).to_h { |number| [number, random.rand(1..3)] }, nil)
    end
    Shop.new(parts, kits)
  end

  def stock(shop, random)
    sold = shop.parts.keys.select { random.rand < 0.75 } + shop.kits.map(&:number)
    sold.to_h do |number|
      pack = [1, 1, 1, 3].sample(random: random)
      [number, KitPlan::Stock.new(price_cents: random.rand(1..30) * 50, on_hand: random.rand(0..6), pack: pack)]
    end
  end

  def test_the_least_unfilled_and_then_the_cheapest
    random = Random.new(seed = Integer(ENV.fetch("SEED", Minitest.seed)))
    merged = 0
    CATALOGUES.times do |at|
      shop = catalogue(random)
      stock = stock(shop, random)
      needs = shop.parts.keys.sample(random.rand(2..4), random: random).to_h { |number| [number, random.rand(1..6)] }
      merged += 1 if needs.keys.combination(2).any? { |one, two| shop.serving(one).intersect?(shop.serving(two)) }
      %w[cheapest on_shelf].each do |policy|
        plan = KitPlan::Plans.new(Wanted.new(needs, Pump.new(Series.new(shop.kits, [])), [], []), shop, stock).one(policy)
        assert_equal glpk(shop, stock, needs, policy), [plan.unfilled.sum(&:quantity), plan.price_cents],
                     "catalogue #{at} of SEED=#{seed}: #{needs} #{shop} #{stock.transform_values(&:to_h)}"
        assert_whole(plan, needs)
      end
    end
    assert_operator merged, :>, CATALOGUES / 4
  end

  # What lines serve and what is unfilled are all that is wanted, and nothing that is sold is said to have no price.
  def assert_whole(plan, needs)
    served = plan.lines.each_with_object(Hash.new(0)) { |line, all| line.covers.each { |number, pieces| all[number] += pieces * line.quantity } }
    lacking = plan.unfilled.to_h { |one| [one.number, one.quantity] }
    assert_operator served.values.sum(&:round) + lacking.values.sum, :>=, needs.values.sum
    lacking.each_key { |number| assert_includes needs.keys, number }
  end

  def glpk(shop, stock, needs, policy)
    offers = stock.to_h do |number, one|
      kit = shop.kits.find { |other| other.number == number }
      [number, kit ? kit.contents : { number => one.pack }]
    end
    most = stock.transform_values { |one| policy == "on_shelf" ? one.on_hand : 99 }
    least = needs.keys.map { |part| [1, "u_#{part}"] }
    unfilled = solve(program(shop, needs, offers, most, least))
    [unfilled, solve(program(shop, needs, offers, most, stock.map { |number, one| [one.price_cents, "x_#{number}"] }, "#{sum(least)} = #{unfilled}"))]
  end

  # y_piece_wanted pieces of a number serve a wanted one: never more than are bought, never less than is wanted but for what is unfilled.
  def program(shop, needs, offers, most, aim, *held)
    flows = needs.keys.flat_map { |wanted| (shop.serving(wanted) & offers.values.flat_map(&:keys)).map { |piece| [piece, wanted] } }
    whole = needs.keys.map { |part| "u_#{part}" } + offers.keys.map { |number| "x_#{number}" } + flows.map { |pair| "y_#{pair.join('_')}" }
    ["Minimize", " aim: #{sum(aim)}", "Subject To", *(bought(flows, offers) + served(flows, needs) + held).map { |one| " #{one}" },
     "Bounds", " 0 <= dummy <= 0", *most.map { |number, count| " 0 <= x_#{number} <= #{count}" }, "General", *whole, "End", ""].join("\n")
  end

  def bought(flows, offers)
    flows.group_by(&:first).map do |piece, pairs|
      from = offers.select { |_, held| held.key?(piece) }
      "#{pairs.map { |pair| "y_#{pair.join('_')}" }.join(' + ')} #{from.map { |number, held| "- #{held[piece]} x_#{number}" }.join(' ')} <= 0"
    end
  end

  def served(flows, needs)
    needs.map do |wanted, need|
      into = flows.select { |_, one| one == wanted }.map { |pair| "y_#{pair.join('_')}" }
      "#{["u_#{wanted}", *into].join(' + ')} >= #{need}"
    end
  end

  # Two wanted numbers became one: it is bought for both, and neither is said to have no price.
  def test_two_numbers_that_became_one
    shop = Shop.new({ "A" => "C", "B" => "C", "C" => nil }.to_h { |number, newer| [number, Part.new(number, "seal", newer, [], [])] }, [])
    plan = KitPlan::Plans.new(Wanted.new({ "A" => 2, "B" => 3 }, Pump.new(Series.new([], [])), [], []), shop,
                              { "C" => KitPlan::Stock.new(price_cents: 100, on_hand: 9, pack: 1) }).one("cheapest")
    assert_equal [[], [["C", 5]], 500], [plan.unfilled, plan.lines.map { |line| [line.number, line.quantity] }, plan.price_cents]
    assert_equal({ "A" => 2, "B" => 3 }, plan.lines.first.covers.transform_values { |share| (share * 5).round })
  end
end
