# frozen_string_literal: true

require_relative "../support/core"
require_relative "../../lib/gimlet/core/flow/bucket"

# A bucket and a watch tell a worn pump from what is not the pump.
class BucketTest < Minitest::Test
  include DemoCatalogue

  Flow = Gimlet::Core::Flow
  Diagnosis = Gimlet::Core::Diagnosis
  DIAGNOSE = Diagnosis::Diagnose.new(Diagnosis::Model.new(YAML.load_file(File.expand_path("../../data/vocabulary/diagnosis.yml", __dir__))))
  CASES = YAML.load_file(File.expand_path("bucket_cases.yml", __dir__))

  def told(figures) = Flow::BucketTest.new.call(Flow::Bucket.new(**figures.transform_keys(&:to_sym)))

  def suspects(one)
    signs = EAR.call(one["said"]).items.filter_map(&:complaint).uniq
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

  # By hand: 15 L in 60 s are all of 15 L/min; 10 L in 60 s are two thirds; a feed of 9 is 60 % of it, one of 30 is enough and no more than that.
  def test_shares_and_what_is_amiss
    sound = told("litres" => 15.0, "seconds" => 60.0, "rated" => 15.0, "supply" => 30.0)
    assert_equal([1.0, 2.0], sound.map(&:share))
    refute(sound.any?(&:amiss?))
    short = told("litres" => 10.0, "seconds" => 60.0, "rated" => 15.0, "supply" => 9.0)
    assert_equal([0.667, 0.6], short.map { |one| one.share.round(3) })
    assert(short.all?(&:amiss?))
    assert_equal "9 L/min of feed: 60 % of the 15 L/min that the pump takes; 18 L/min should be there", short.last.sum
    assert_raises(Gimlet::Core::InputError) { told("litres" => 10.0, "seconds" => 0.0) }
  end

  # A cause is named when it is likelier than not, and otherwise nothing is.
  def test_only_what_is_likelier_than_not_is_named
    worn = told("litres" => 20.0, "seconds" => 82.0, "rated" => 15.0, "nozzle" => 4.5, "bar" => 90.0).to_h { |one| [one.sign, [one.there, one.gone]] }
    assert_equal "nozzle", DIAGNOSE.call(["pressure_loss"], {}, worn).named.cause.id
    assert_nil DIAGNOSE.call(%w[pressure_loss]).named
  end
end
