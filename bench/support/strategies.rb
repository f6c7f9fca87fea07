# frozen_string_literal: true

require_relative "../../lib/gimlet/core/9_identification/identify"

# Ways to choose the next question, each with its own memory of questions already worked out.
module Strategies
  module_function

  # Expected entropy of these classes, per second: order classes, or one class for each model.
  def entropy(field, places)
    known = {}
    lambda do |readings|
      known[readings.map(&:content)] ||= [next_trait(field, places, readings)]
    end >> :first.to_proc
  end

  def next_trait(field, places, readings)
    belief = Gimlet::Core::Identification::Posterior.of(field, readings).alive
    Gimlet::Core::Identification::NextQuestion.new(field, places, belief, channel: "phone", readings: readings).call.first&.trait&.id
  end

  # The same list for every caller, in the order a printed form has it.
  def fixed(field)
    list = field.vocabulary.traits.values.select do |trait|
      trait.cost("phone") && !trait.slot && !trait.many && field.column(trait.id).values.compact.size > 1
    end
    ->(readings) { list.map(&:id).find { |id| readings.none? { |reading| reading.trait == id } } }
  end
end
