# frozen_string_literal: true

require_relative "../support/core"

# In which order a stack is played. What goes in first is that of the descriptions of the constructions (common practice, no source).
class BuildUpTest < Minitest::Test
  include DemoCatalogue

  def played(pump, id)
    stack = pump.series.stack(id)
    layers = stack.layers_of(pump)
    Gimlet::Core::Plan::BuildUp.order(pump.series, stack, layers).map { |place| layers[place].name }
  end

  def test_each_piece_comes_once
    snapshot.variants.uniq(&:series).each do |pump|
      pump.series.stacks.each do |stack|
        assert_equal stack.layers_of(pump).map(&:name).sort, played(pump, stack.id).sort, "#{pump.id} #{stack.id}"
      end
    end
  end

  # A packing whose support ring goes in first, then the high-pressure seal; the seal that sits in the rear guide is in it before the guide goes in.
  def test_the_deepest_first_and_what_sits_in_a_piece_before_it
    names = played(variant("TK4L20 from 31000"), "packing")
    support, seal, guide = [/support ring/, /high-pressure seal/, /rear guide/].map do |name|
      names.index do |one|
        one.match?(name) && !one.include?("O-ring")
      end
    end
    assert_operator support, :<, seal
    assert_operator seal, :<, guide
    assert_operator names.index { |one| one.include?("low-pressure seal") }, :<, guide
  end
end
