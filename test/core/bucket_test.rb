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
    missed = CASES.reject { |one| suspects(one).first == one["found"] }
    assert_operator missed.size, :<=, CASES.size * 0.15, missed.map { |one| [one["said"], one["found"], suspects(one).first(3)] }.inspect
    assert_empty(CASES.reject { |one| suspects(one).first(2).include?(one["found"]) }.map { |one| one["said"] })
  end
end
