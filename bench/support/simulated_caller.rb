# frozen_string_literal: true

require_relative "../../lib/gimlet/core/2_readings/reading"
require_relative "../../lib/gimlet/core/3_candidates/identify"
require_relative "../../lib/gimlet/core/9_plan/signature"

# Someone with a pump in front of them, on the phone, who is wrong about every twenty-fifth thing. The plate and the series mark
# are painted over.
class SimulatedCaller
  WRONG = 0.04
  PAINTED_OVER = %w[plate series].freeze

  # @param field [Gimlet::Core::Candidates::Field]
  # @param truth [Integer] place of the caller's pump in the field
  def initialize(field, truth, random)
    @field = field
    @truth = truth
    @random = random
  end

  # @param trait [String]
  # @return [Gimlet::Core::Readings::Reading]
  def answer(trait)
    value = heard(trait)
    return reading(trait, unknown: true) if value.nil? || PAINTED_OVER.include?(trait)

    trait == "serial" ? serial(value) : reading(trait, value: value)
  end

  private

  def heard(trait)
    column = @field.column(trait)
    true_value = column.values[column.places[@truth]]
    return true_value if true_value.nil? || @random.rand >= WRONG

    (column.values.compact - [true_value]).sample(random: @random) || true_value
  end

  def serial(span)
    first, ending = span
    number = @random.rand((first || 1)..(ending ? ending - 1 : (first || 1) + 99_999))
    reading("serial", value: number)
  end

  def reading(trait, **told) = Gimlet::Core::Readings::Reading.new(trait: trait, observer: "caller", tool: "rule", **told)
end

# A call from the first question until there is enough to order.
class SimulatedCall
  MOST_QUESTIONS = 30
  Outcome = Struct.new(:questions, :seconds, :sure, :right)

  # @param field [Field]
  # @param classes [OrderClasses]
  # @param choose [Proc] readings => the next trait, nil when there is none
  def initialize(field, classes, choose)
    @field = field
    @classes = classes
    @choose = choose
  end

  # @return [Outcome]
  def call(truth, random)
    caller = SimulatedCaller.new(@field, truth, random)
    readings = SimulatedCaller::PAINTED_OVER.map { |trait| caller.answer(trait) }
    loop do
      best = rank(readings)
      trait = @choose.call(readings) unless best.probability >= Gimlet::Core::Candidates::OrderClasses::ENOUGH || readings.size > MOST_QUESTIONS
      return outcome(readings, best, truth) unless trait

      readings << caller.answer(trait)
    end
  end

  private

  def rank(readings)
    @classes.rank(Gimlet::Core::Candidates::Posterior.new(@field, readings, prior: @field.prior).probabilities).first
  end

  def outcome(readings, best, truth)
    asked = readings.drop(SimulatedCaller::PAINTED_OVER.size)
    seconds = asked.sum { |one| one.definition.seconds["phone"] || 0 }
    Outcome.new(asked.size, seconds, best.probability, best.id == @classes.id_of(truth))
  end
end

# Ways to choose the next question, each with its own memory of questions already worked out.
module Strategies
  module_function

  # Expected entropy of these classes, per second: order classes, or one class for each model.
  def entropy(field, places)
    known = {}
    lambda do |readings|
      known[readings.map { |one| [one.trait, one.value, one.range] }] ||= [next_trait(field, places, readings)]
    end >> :first.to_proc
  end

  def next_trait(field, places, readings)
    belief = Gimlet::Core::Candidates::Posterior.new(field, readings, prior: field.prior).probabilities
    Gimlet::Core::Candidates::NextQuestion.new(field, places, belief, channel: "phone", asked: readings.map(&:trait)).call.first&.trait
  end

  # The same list for every caller, in the order a printed form has it.
  def fixed(field)
    list = Gimlet::Core::Readings::TRAITS.values.select { |one| one.seconds["phone"] && field.column(one.id).values.compact.size > 1 }
    ->(readings) { list.map(&:id).find { |id| readings.none? { |one| one.trait == id } } }
  end
end
