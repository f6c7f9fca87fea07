# frozen_string_literal: true

require_relative "../support/core"
require_relative "../support/reversals"

# Reversals planted in the demo's documents, some of each kind in each series, chosen at random: what is wrong is noticed, and what is right is not.
# How much is noticed of the whole demo is printed by bench/reversals.rb.
class ReversalsTest < Minitest::Test
  include DemoCatalogue

  Doctor = Gimlet::Core::Doctor
  # The quick ones first.
  CHECKS = [Doctor::Bolts, Doctor::Directions, Doctor::Rings, Doctor::Springs, Doctor::Assembly, Doctor::Passing, Doctor::WaysOfTightening,
            Doctor::Spoken, Doctor::Lists, Doctor::Hosts].freeze
  # Share that is noticed at least, by kind.
  BARS = { drawing: 0.9, words: 0.85, layers: 0.85, rings: 0.9, springs: 0.8, closing: 0.75, lists: 0.85 }.freeze
  EACH = 1

  def test_what_is_turned_round_is_noticed
    random = Random.new(Minitest.seed)
    noticed = Hash.new { |all, kind| all[kind] = [] }
    DOCUMENTS.each do |document|
      Reversals.of(document).group_by(&:kind).each do |kind, all|
        all.sample(EACH, random: random).each { |reversal| noticed[kind] << [reversal.name, noticed?(reversal.document)] }
      end
    end
    BARS.each do |kind, share|
      found = noticed.fetch(kind)
      missed = found.reject(&:last).map(&:first)
      assert_operator missed.size, :<=, (found.size * (1 - share)).ceil, "#{kind} of #{found.size}, seed #{Minitest.seed}: #{missed.join('; ')}"
    end
    assert_operator noticed.values.sum(&:size), :>=, 90
  end

  def test_nothing_is_said_of_what_is_right
    DOCUMENTS.each { |document| refute noticed?(document), document["series"]["id"] }
  end

  private

  def noticed?(document)
    series = Gimlet::Core::Catalogue::Build.call(document)
    return true if Doctor::References.new(series, nil).call.any?(&:error?)

    known = Doctor::Known.new(sentences: Doctor::Sentences.of(series))
    CHECKS.any? { |check| check.new(series, known).call.any? }
  end
end
