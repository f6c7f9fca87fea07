# frozen_string_literal: true

require "minitest/autorun"
require "ruby-units"
require_relative "../../lib/gimlet/core/0_quantities/quantity"

# The ruby-units gem as an independent oracle for every factor.
class UnitsGemTest < Minitest::Test
  NAMES = { "N·m" => "N*m", "lbf·in" => "lbf*in", "lbf·ft" => "lbf*ft", "kgf·m" => "kg*gee*m", "bar" => "bar", "psi" => "psi",
            "MPa" => "MPa", "L/min" => "l/min", "US gpm" => "gal/min", "mm" => "mm", "in" => "in", "kg" => "kg", "lb" => "lb",
            "rpm" => "rpm" }.freeze

  def test_every_pair_of_units
    Gimlet::Core::Units::FACTORS.each_value do |units|
      units.keys.permutation(2) do |from, to|
        ours = Gimlet::Core::Quantity.new(value: 7r, unit: from).to(to).value.to_f
        theirs = RubyUnits::Unit.new("7 #{NAMES.fetch(from)}").convert_to(NAMES.fetch(to)).scalar.to_f
        assert_in_epsilon theirs, ours, 1e-6, "#{from} in #{to}"
      end
    end
  end
end
