# frozen_string_literal: true

require_relative "../../lib/gimlet/core/3_candidates/identify"

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
