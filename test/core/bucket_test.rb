# frozen_string_literal: true

require_relative "../support/core"
require_relative "../../lib/gimlet/core/flow/bucket"
require_relative "../../lib/gimlet/core/flow/too_much"

# A bucket and a watch tell a worn pump from what is not the pump.
class BucketTest < Minitest::Test
  include DemoCatalogue

  Flow = Gimlet::Core::Flow
  Diagnosis = Gimlet::Core::Diagnosis
  DIAGNOSE = Diagnosis::Diagnose.new(DIAGNOSIS)
  CASES = YAML.load_file(File.expand_path("bucket_cases.yml", __dir__))

  def told(figures) = Flow::BucketTest.new.call(Flow::Bucket.new(**figures.transform_keys(&:to_sym)))

  def suspects(one)
    signs = EAR.call(one["said"]).items.flat_map { |item| [item.complaint, (item.sign unless item.absent)] }.compact.uniq
    measured = told(one["test"]).select(&:sign).to_h { |sum| [sum.sign, [sum.there, sum.gone]] }
    DIAGNOSE.call(signs, one["checked"] || {}, measured).suspects.map { |suspect| suspect.cause.id }
  end

  def test_sixty_calls_lead_to_what_was_behind_them
    assert_operator CASES.size, :>=, 60
    suspects = CASES.to_h { |example| [example, suspects(example)] }
    missed = suspects.reject { |example, told| told.first == example["found"] }
    assert_operator missed.size, :<=, CASES.size * 0.15, missed.map { |example, told| [example["said"], example["found"], told.first(3)] }.inspect
    assert_empty(suspects.reject { |example, told| told.first(2).include?(example["found"]) }.keys.map { |example| example["said"] })
  end

  # By hand: 15 L in 60 s are all of 15 L/min; 10 L in 60 s are two thirds; of the 18 that should be there a feed of 9 is half,
  # one of 30 is enough and no more than that.
  def test_shares_and_what_is_amiss
    sound = told("litres" => 15.0, "seconds" => 60.0, "rated" => 15.0, "supply" => 30.0)
    assert_equal([1.0, 1.667], sound.map { |one| one.share.round(3) })
    refute(sound.any?(&:amiss?))
    short = told("litres" => 10.0, "seconds" => 60.0, "rated" => 15.0, "supply" => 9.0)
    assert_equal([0.667, 0.5], short.map { |one| one.share.round(3) })
    assert(short.all?(&:amiss?))
    assert_equal "9 L/min of feed: 50 % of the 18 L/min that should be there, for the pump takes 15 L/min", short.last.sum
    assert_raises(Gimlet::Core::InputError) { told("litres" => 10.0, "seconds" => 0.0) }
  end

  def too_much(**figures) = Flow::TooMuch.new.call(Flow::Bucket.new(litres: 20.0, seconds: 60.0, **figures))

  # By hand: 20 L in 60 s of a pump of 15 are 133 %. What else was measured says which figure is wrong; nothing of it is a fault of the pump.
  def test_more_than_a_pump_can_give_is_another_pump_or_a_wrong_figure
    assert_nil too_much(rated: 19.0, supply: 30.0)
    assert_match(/133 % of the 15 L.* another pump, one of 20 L.*or it turns at 1933 rpm, or litres or seconds are wrong: 20 L should take 80 s/,
                 too_much(rated: 15.0, rated_turns: 1450.0))
    # Charts: a 5 takes 15 L/min at 173 bar, and 20 at 307 (5 gpm at 276 bar).
    assert_match(/Nozzle and gauge say what it should give: litres or seconds are wrong/, too_much(rated: 15.0, nozzle: 5.0, bar: 173.0))
    assert_match(/Nozzle and gauge say the same as the bucket: it is another pump/, too_much(rated: 15.0, nozzle: 5.0, bar: 307.0))
    assert_nil too_much(rated: 15.0, turns: 1900.0, rated_turns: 1450.0), "it turns as fast"
    assert_match(/108 %.*It is another pump, one of 20/, too_much(rated: 18.0, displaced: 18.5), "more than the plungers sweep")
    assert_match(/more than the 12 L.min that the feed gives/, too_much(rated: 20.0, supply: 12.0))
  end

  # Nozzle charts, from memory: 4.5 gpm at 4000 psi. 15 L/min at 200 bar are 3.96 gpm at 2901 psi: 4.65.
  def test_the_nozzle_that_the_ratings_ask_for
    assert_in_delta 4.65, Flow::NozzleSizes.right(15, 200), 0.01
    sizes = Flow::NozzleSizes.call(15, 200)
    assert_equal([[4.5, false], [5.0, true], [5.5, false]], sizes.map { |one| [one.number, one.nearest] })
    assert_equal([214, 173, 143], sizes.map { |one| one.bar.round })
    wrong = told("litres" => 15.0, "seconds" => 60.0, "rated" => 15.0, "rated_bar" => 200.0, "nozzle" => 6.0, "bar" => 120.0)
    size = wrong.find { |one| one.sign == "nozzle_off" }
    assert size.amiss?
    measured = wrong.select(&:sign).to_h { |one| [one.sign, [one.there, one.gone]] }
    assert_equal "wrong_nozzle", DIAGNOSE.call(["pressure_loss"], {}, measured).suspects.first.cause.id
  end

  # A cause is named when it is likelier than not, and otherwise nothing is.
  def test_only_what_is_likelier_than_not_is_named
    worn = told("litres" => 20.0, "seconds" => 82.0, "rated" => 15.0, "nozzle" => 4.5, "bar" => 90.0).to_h { |one| [one.sign, [one.there, one.gone]] }
    assert_equal "nozzle", DIAGNOSE.call(["pressure_loss"], {}, worn).named.cause.id
    assert_nil DIAGNOSE.call(%w[pressure_loss]).named
  end
end
