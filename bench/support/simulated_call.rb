# frozen_string_literal: true

require_relative "../../lib/gimlet/core/9_identification/identify"
require_relative "simulated_caller"

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
  def call(truth, random, caller = SimulatedCaller.new(@field, truth, random))
    readings = SimulatedCaller::PAINTED_OVER.map { |trait| caller.answer(trait) }
    loop do
      best = rank(readings)
      trait = @choose.call(readings) unless best.probability >= Gimlet::Core::Identification::OrderClasses::ENOUGH || readings.size > MOST_QUESTIONS
      return outcome(readings, best, truth) unless trait

      readings << caller.answer(trait)
    end
  end

  private

  def rank(readings)
    @classes.rank(Gimlet::Core::Identification::Posterior.of(@field, readings)).first
  end

  def outcome(readings, best, truth)
    asked = readings.drop(SimulatedCaller::PAINTED_OVER.size)
    seconds = asked.sum { |one| one.definition.cost("phone") || 0 }
    Outcome.new(asked.size, seconds, best.probability, best.id == @classes.id_of(truth))
  end
end
