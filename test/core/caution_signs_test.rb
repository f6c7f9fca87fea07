# frozen_string_literal: true

require_relative "../support/core"

# What a caution is drawn with, and before which part of the work it is opened.
class CautionSignsTest < Minitest::Test
  include DemoCatalogue

  Cautions = Gimlet::Core::Plan::Cautions
  PARTS_OF_A_CARD = %w[part held tool used open out look back renew close finish].freeze

  def plan(pump) = Gimlet::Core::Teardown.of(pump, pump.series.areas_of(pump).map(&:id))

  # Trapped pressure, jets and what flies come before anything is opened; an over-tight thread before anything is closed.
  def test_the_usual_ones_are_known_by_their_pictures
    assert_equal(%w[pressure jet eyes], Cautions::ALWAYS.map { |text| Cautions.sign(text).picture })
    assert_equal(%w[open open open], Cautions::ALWAYS.map { |text| Cautions.sign(text).before })
    assert_equal %w[manual part], Cautions.sign(Cautions::DEFERRAL).to_a.first(2)
  end

  def test_heavy_pieces_and_soft_threads
    heavy = Cautions.for(plan(variant("MGL40")), snapshot).find { |text| text.include?("kg") }
    assert_equal %w[heavy open], Cautions.sign(heavy).to_a.first(2)
    soft = Cautions.for(plan(variant("TK4L20 from 31000")), snapshot).find { |text| text.include?("brass") }
    assert_equal %w[torque close], Cautions.sign(soft).to_a.first(2)
  end

  # What is of one series alone is never taken for one of the usual.
  def test_every_caution_of_the_demo_has_a_sign
    snapshot.variants.uniq(&:series).each do |pump|
      Cautions.for(plan(pump), snapshot).each do |text|
        sign = Cautions.sign(text)
        assert_includes PARTS_OF_A_CARD, sign.before, text
        usual = Cautions::SIGNS.key?(text) || text.end_with?(Cautions::HEAVY, Cautions::NEVER_OVER)
        assert_equal !usual, sign.picture == "mind", text
        assert_equal !usual, sign.title.nil?, text
      end
    end
  end
end
