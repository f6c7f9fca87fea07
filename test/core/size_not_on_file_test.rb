# frozen_string_literal: true

require_relative "../support/core"

# A pump of a size that is not on file, its plate read clearly and all that does not go by size told besides: never enough to order, before something
# that goes by size is told.
class SizeNotOnFileTest < Minitest::Test
  include DemoCatalogue
  include Gimlet::Core::Identification

  SCOPE = %w[packings].freeze
  # Of every pump, whatever its plunger; what is told of a series alike.
  ALIKE = %w[maker cylinders head_bolts head_bolt_drive manifold_material plunger_material cover_colour sight_glass shaft_side shaft_kind valve_caps
             cap_location].freeze

  # @return [Array<Array(Variant, String)>] a pump and a plate beside its own whose figures no sister has
  def plates
    snapshot.variants.uniq(&:designation).filter_map do |pump|
      figures = pump.designation[/\d{2,3}(?=\D*\z)/] or next
      taken = pump.series.models.map(&:designation)
      other = [3, -2, 5, -4, 7].map do |more|
        pump.designation.sub(/#{figures}(?=\D*\z)/, (figures.to_i + more).to_s)
      end.find { |plate| !taken.include?(plate) }
      [pump, other] if pump.series.item == "pump" && pump.series.models.map { |model| model.traits["plunger_mm"] }.uniq.size > 1
    end
  end

  def told(pump, plate, seed)
    alike = ALIKE.filter_map { |id| [id, pump.trait(id)] if pump.trait(id).is_a?(String) | pump.trait(id).is_a?(Integer) }
    chosen = alike.shuffle(random: Random.new(seed)).take(5)
    serial = pump.serial_range.to_s[/\d+/]
    [reading("plate", plate), *chosen.map { |id, value| reading(id, value) }, *(serial && [reading("serial", (serial.to_i + 1).to_s)])]
  end

  def test_it_is_never_enough_without_a_size
    wrong = plates.flat_map do |pump, plate|
      2.times.filter_map do |seed|
        found = Identify.new(FIELD, OrderClasses.new(ORDER_IDS.call(snapshot, SCOPE))).call(told(pump, plate, seed), channel: "phone", owned: [])
        "#{plate} (#{pump.id}): #{snapshot.variants[found.candidates.first.at].id}" if found.enough
      end
    end
    assert_operator plates.size, :>, 30
    assert_empty wrong
  end

  # With its own plate and its plunger measured it mostly is.
  def test_it_is_enough_with_one
    enough = plates.count do |pump, _|
      readings = [*told(pump, pump.designation, 1), reading("plunger_mm", pump.trait("plunger_mm"))]
      Identify.new(FIELD, OrderClasses.new(ORDER_IDS.call(snapshot, SCOPE))).call(readings, channel: "counter", owned: []).enough
    end
    assert_operator enough, :>, plates.size * 0.7
  end
end
