# frozen_string_literal: true

require_relative "../support/core"
require_relative "../support/synthetic_catalogue"
require_relative "../../bench/support/simulated_call"
require_relative "../../bench/support/strategies"

# A small fixed sample of what bench/calls.rb measures at length: simulated callers, 4 % of whose answers are wrong.
class CallsTest < Minitest::Test
  include DemoCatalogue

  CALLS = 50
  SCOPE = %w[packings inlet_valves].freeze

  def setup
    @snapshot = SyntheticCatalogue.snapshot(models: 400, seed: 5)
    @field = Gimlet::Core::Identification::Field.new(Gimlet::Core::Identification::Hypotheses.of(@snapshot), vocabulary)
    @classes = Gimlet::Core::Identification::OrderClasses.new(ORDER_IDS.call(@snapshot, SCOPE))
  end

  def outcomes(choose)
    random = Random.new(17)
    Array.new(CALLS) { SimulatedCall.new(@field, @classes, choose).call(random.rand(@snapshot.variants.size), random) }
  end

  def mean(all) = all.sum(&:questions) / all.size.to_f

  def test_the_right_order_in_fewer_questions_than_a_list
    ours = outcomes(Strategies.entropy(@field, @classes.places))
    list = outcomes(Strategies.fixed(@field))
    assert_operator ours.count(&:right), :>=, CALLS - 2
    assert_operator mean(ours), :<, 0.65 * mean(list)
    sure = ours.select { |our| our.sure >= 0.95 }
    assert_operator sure.count(&:right), :>=, (0.95 * sure.size).floor
  end

  def test_the_same_seed_makes_the_same_catalogue
    again = SyntheticCatalogue.snapshot(models: 400, seed: 5)
    assert_equal(@snapshot.variants.map { |variant| [variant.id, variant.traits] }, again.variants.map { |variant| [variant.id, variant.traits] })
    refute_equal @snapshot.variants.map(&:id), SyntheticCatalogue.snapshot(models: 400, seed: 6).variants.map(&:id)
  end

  # Pumps that agree on everything that conditions ask for are worked out once: this must not change any order.
  def test_shared_orders_are_the_orders
    random = Random.new(Minitest.seed)
    @snapshot.variants.each_index.to_a.sample(40, random: random).each_cons(2) do |one, two|
      signatures = [one, two].map { |at| Gimlet::Core::Identification::Signature.of(@snapshot.variants[at], SCOPE, @snapshot) }
      assert_equal signatures.first == signatures.last, @classes.id_of(one) == @classes.id_of(two)
    end
  end
end
