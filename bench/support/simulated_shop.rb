# frozen_string_literal: true

require_relative "../../test/support/synthetic_catalogue"
require_relative "simulated_call"
require_relative "strategies"

# A shop whose pumps and callers differ from what practice says; what it learns is learned from its own calls.
class SimulatedShop
  SCOPE = %w[packings inlet_valves].freeze
  # So many times as often, or as seldom, as practice says callers are wrong about each trait.
  WRONG = 3.0
  Learning = Gimlet::Core::Desk::Learning

  # As a caller of practice, but wrong as often as this shop's are.
  class Caller < SimulatedCaller
    def initialize(field, truth, random, rates)
      super(field, truth, random)
      @rates = rates
    end

    def answer(trait)
      @wrong = @rates.fetch(trait, SimulatedCaller::WRONG)
      super
    end

    private

    attr_reader :wrong
  end

  # @param vocabulary [Gimlet::Core::Readings::Vocabulary]
  def initialize(vocabulary, seed:, models: 300)
    @vocabulary = vocabulary
    @seed = seed
    @snapshot = SyntheticCatalogue.snapshot(models: models, seed: seed)
    @classes = Gimlet::Core::Identification::OrderClasses.new(Gimlet::Core::Identification::OrderIds.new.call(@snapshot, SCOPE))
    @practice = field(nil)
    random = Random.new(seed)
    @ranks = [@snapshot.variants.map { |variant| variant.series.id }, @snapshot.variants.map(&:designation)].map { |names| ranks(names.uniq, random) }
    @rates = traits.to_h { |trait| [trait.id, [trait.mistaken * (WRONG**random.rand(-1.0..1.0)), 0.4].min] }
  end

  # @param tickets [Integer] closed ones that it has learned from
  # @return [Learning::Learned, nil]
  def learned(tickets)
    return if tickets.zero?

    random = Random.new(@seed + 77)
    closed = truths(tickets, random).map do |truth|
      caller = Caller.new(@practice, truth, random, @rates)
      asked = traits.sample(6, random: random).filter_map { |trait| told(trait, truth, caller.answer(trait.id)) }
      Learning::Closed.new(pump: @snapshot.variants[truth].id, told: asked)
    end
    Learning.of(closed, traits.to_h { |trait| [trait.id, trait.mistaken] })
  end

  # @return [Array<SimulatedCall::Outcome>] the same calls, whatever was learned
  def calls(count, learned)
    field = field(learned)
    call = SimulatedCall.new(field, @classes, Strategies.entropy(field, @classes.places))
    random = Random.new(@seed + 1000)
    truths(count, random).map { |truth| call.call(truth, random, Caller.new(field, truth, random, @rates)) }
  end

  private

  def traits = @vocabulary.traits.values.select { |trait| %w[counted chosen].include?(trait.kind) && !trait.slot && !trait.many }

  def field(learned)
    Gimlet::Core::Identification::Field.new(Gimlet::Core::Identification::Hypotheses.of(@snapshot, learned ? learned.counts : {}),
                                            learned ? @vocabulary.mistaken(learned.mistaken) : @vocabulary,
                                            **(learned ? { none: learned.none } : {}))
  end

  def ranks(names, random) = names.shuffle(random: random).each_with_index.to_h { |name, at| [name, at + 1] }

  # A few series, and of these a few models, make up most of what comes over a counter: the n-th series comes 1/n as often as the first (Zipf's
  # law), the n-th model 1/√n as often.
  def truths(count, random)
    weights = @snapshot.variants.map do |variant|
      variant.share.to_f / @ranks.first.fetch(variant.series.id) / (@ranks.last.fetch(variant.designation)**0.5)
    end
    sums = weights.each_with_object([]) { |weight, all| all << (weight + (all.last || 0.0)) }
    Array.new(count) { random.rand(sums.last).then { |at| sums.bsearch_index { |sum| sum >= at } } }
  end

  def told(trait, truth, reading)
    column = @practice.column(trait.id)
    value = column.values[column.places[truth]]
    value && reading.value && [trait.id, value == reading.value]
  end
end
