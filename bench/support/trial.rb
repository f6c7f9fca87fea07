# frozen_string_literal: true

require_relative "../../lib/gimlet/core/9_identification/identify"

# One simulated call: somebody with a pump (or with none of the catalogue's) says a few things, then answers what is asked.
class Trial
  MOST_QUESTIONS = 20
  Outcome = Struct.new(:enough, :right, :sure, :questions, :opened, :dry, :none, :rank, keyword_init: true)
  # How likely a caller on the phone can answer at all.
  CAN_ANSWER = { "opened" => 0.25, "papers" => 0.5, "keys" => 0.7, "plate" => 0.5, "marks" => 0.8 }.freeze
  OUTSIDE = %w[maker cylinders head_bolts head_bolt_drive valve_caps cap_location manifold_material shaft_side sight_glass
               cover_colour].freeze

  # @param reference [Gimlet::Counter::Reference]
  # @param scope [Array<String>]
  # @param wrong [Float] share of answers that are wrong
  def initialize(reference, scope, wrong: 0.0, channel: "phone")
    @reference = reference
    @identify = reference.identify(scope)
    @classes = reference.classes(scope)
    @wrong = wrong
    @channel = channel
  end

  # @param truth [Gimlet::Core::Identification::Hypothesis] what the caller has
  # @param said [Array<Reading>] what is said before anything is asked
  # @param order [String, nil] id of the right order; nil when the pump is in no catalogue
  def call(truth, said, order, random, plate: false)
    @truth = truth
    @plate = plate
    @can = Hash.new { |all, group| all[group] = group.nil? || random.rand < CAN_ANSWER.fetch(group, 0.9) }
    readings, asked = said.dup, []
    loop do
      found = @identify.call(readings, channel: @channel)
      question = found.questions.find { |one| asked.count(one.trait.id) < 2 }
      return outcome(found, asked, question, order) if found.enough || question.nil? || asked.size >= MOST_QUESTIONS

      asked << question.trait.id
      readings << answer(question.trait, random)
    end
  end

  def answer(trait, random)
    value = @truth.traits[trait.slot || trait.id]
    value = value.sample(random: random)&.at(trait.axis) if trait.slot && value
    known = !trait.kind.blank?(value) && @can[trait.group] && (trait.id != "plate" || @plate) && trait.id != "part_number"
    return reading(trait, unknown: true) unless known
    return reading(trait, value: serial(value, random)) if trait.kind_id == "serial"

    value = value.first if trait.kind_id == "plate"
    value = other(trait, value, random) if random.rand < @wrong
    reading(trait, value: value)
  end

  # @return [Object] a value of another pump
  def other(trait, value, random)
    (@reference.field.column(trait.id).values.compact - [value]).grep_v(Array).sample(random: random) || value
  end

  # What a valve is rated for is a range; what is asked of it lies in the middle.
  def reading(trait, **told)
    told[:value] = (told[:value].begin + told[:value].end) / 2 if told[:value].is_a?(Range)
    tool = trait.kind_id == "rated" ? "papers" : "rule"
    Gimlet::Core::Readings::Reading.new(definition: trait, observer: "caller", tool: tool, **told)
  end

  private

  def serial(span, random)
    first = span.begin || 1
    random.rand(first..(span.end ? span.end - 1 : first + 99_999))
  end

  def outcome(found, asked, question, order)
    first = found.order_classes.first
    Outcome.new(enough: found.enough, right: first.id == order, sure: first.probability, questions: asked.size,
                opened: asked.count { |id| @reference.vocabulary.trait(id).opened? }, dry: !found.enough && question.nil?,
                none: !found.plausible, rank: found.order_classes.index { |order_class| order_class.id == order })
  end
end
