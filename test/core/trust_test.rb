# frozen_string_literal: true

require_relative "../support/core"
require_relative "../../bench/support/trial"

# A small fixed sample of what bench/trust.rb measures at length: nothing is promised on a wrong reading, a wrong plate or a pump that is in
# no catalogue. The seeds are fixed; the bars are wider than the bench's, as the samples are smaller.
class TrustTest < Minitest::Test
  include DemoCatalogue

  CALLS = 13
  SCOPE = %w[inlet_valves discharge_valves packings].freeze
  Identification = Gimlet::Core::Identification

  # What a trial needs of a reference.
  Known = Struct.new(:field, :vocabulary, :order_classes) do
    def classes(_scope) = order_classes
    def identify(_scope) = Identification::Identify.new(field, order_classes)
  end

  KNOWN = Known.new(FIELD, VOCABULARY, Identification::OrderClasses.new(ORDER_IDS.call(SNAPSHOT, SCOPE)))

  def setup
    @random = Random.new(11)
    @trial = Trial.new(KNOWN, SCOPE)
  end

  def pumps = FIELD.hypotheses.each_index.to_a.sample(CALLS, random: @random)
  def order(at) = KNOWN.order_classes.id_of(at)

  def seen(truth, *ids)
    ids.select { |id| truth.traits[id] }.map { |id| @trial.reading(trait(id), value: truth.traits[id]) }
  end

  def wrong_and_enough(outcomes) = outcomes.count { |outcome| outcome.enough && !outcome.right }

  def test_one_wrong_reading
    %w[maker head_bolts plunger_mm flow_l_min].each do |id|
      outcomes = pumps.filter_map do |at|
        truth = FIELD.hypotheses[at]
        next if truth.traits[id].is_a?(Range)

        wrong = @trial.reading(trait(id), value: @trial.other(trait(id), truth.traits[id], @random))
        others = %w[manifold_material head_bolt_drive cover_colour] - [id]
        @trial.call(truth, [wrong, *seen(truth, *others)], order(at), @random)
      end
      assert_operator wrong_and_enough(outcomes), :<=, 1, id
    end
  end

  def test_a_plate_of_another_series
    outcomes = pumps.map do |at|
      truth = FIELD.hypotheses[at]
      other = FIELD.hypotheses.reject { |hypothese| hypothese.family == truth.family }.sample(random: @random)
      plate = @trial.reading(trait("plate"), value: other.traits["plate"].first)
      @trial.call(truth, [plate, *seen(truth, "cover_colour", "cylinders")], order(at), @random)
    end
    assert_operator wrong_and_enough(outcomes), :<=, 1
  end

  def test_pumps_that_no_catalogue_has
    ids = Trial::OUTSIDE + %w[plunger_mm inlet_port flow_l_min mass_kg]
    outcomes = Array.new(CALLS) do
      values = ids.to_h { |id| [id, FIELD.column(id).values.compact.sample(random: @random)] }
      stranger = Identification::Hypothesis.new(id: "x", weight: 1, family: "x", traits: values.merge("maker" => "Nobody", "plate" => ["ZZ9931QX"]))
      @trial.call(stranger, seen(stranger, *Trial::OUTSIDE.sample(3, random: @random)), nil, @random, plate: true)
    end
    assert_equal 0, outcomes.count(&:enough)
  end

  def test_worn_seals
    classes = Identification::OrderClasses.new(ORDER_IDS.call(SNAPSHOT, ["packings"]))
    ranks = pumps.map do |at|
      seal = FIELD.hypotheses[at].traits["seal"].select(&:all?).sample(random: @random) or next 0
      worn = [1, -1, -1].zip(seal).map { |way, size| size + (way * @random.rand(0.1..0.4)) }
      readings = %w[seal_id_mm seal_od_mm seal_height_mm].zip(worn).map do |id, size|
        reading(id, size.round(2), tool: "caliper", observer: "counter")
      end
      found = Identification::Identify.new(FIELD, classes).call(readings, channel: "parts")
      assert found.plausible, "a worn seal is not a strange one"
      found.order_classes.index { |order_class| order_class.id == classes.id_of(at) }
    end
    assert_operator ranks.count { |rank| rank && rank < 3 }, :>=, CALLS - 2
  end

  def test_who_cannot_open_the_pump_is_hardly_asked_to
    asked = opened = 0
    pumps.each do |at|
      truth = FIELD.hypotheses[at]
      outcome = @trial.call(truth, seen(truth, "cylinders", "manifold_material"), order(at), @random)
      asked += outcome.questions
      opened += outcome.opened
    end
    assert_operator opened, :<=, 0.2 * asked
  end
end
