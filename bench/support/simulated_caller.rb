# frozen_string_literal: true

require_relative "../../lib/gimlet/core/2_readings/reading"

# Someone with a pump in front of them, on the phone, who is wrong about every twenty-fifth thing. The plate and the series mark
# are painted over.
class SimulatedCaller
  WRONG = 0.04
  PAINTED_OVER = %w[plate series].freeze

  # @param field [Gimlet::Core::Identification::Field]
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
    return reading(trait, unknown: true) if value.nil? || value == [] || PAINTED_OVER.include?(trait)

    trait == "serial" ? serial(value) : reading(trait, value: value)
  end

  private

  def wrong = WRONG

  def heard(trait)
    return if @field.vocabulary.trait(trait).slot || @field.vocabulary.trait(trait).many

    column = @field.column(trait)
    true_value = column.values[column.places[@truth]]
    return true_value if true_value.nil? || @random.rand >= wrong

    (column.values.compact - [true_value]).sample(random: @random) || true_value
  end

  def serial(span)
    first, ending = span.begin, span.end
    number = @random.rand((first || 1)..(ending ? ending - 1 : (first || 1) + 99_999))
    reading("serial", value: number)
  end

  def reading(trait, **told)
    Gimlet::Core::Readings::Reading.new(definition: @field.vocabulary.trait(trait), observer: "caller", tool: "rule", **told)
  end
end
