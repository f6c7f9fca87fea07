# frozen_string_literal: true

require_relative "../support/core"

class PositionsTest < Minitest::Test
  def test_said_shortly
    { ["cylinder 1", "cylinder 2", "cylinder 3"] => "cylinder 1, 2, 3", ["head A", "head B"] => "head A, B", ["left"] => "left",
      ["inlet valve 1", "inlet valve 2", "discharge valve 1"] => "inlet valve 1, 2, discharge valve 1" }.each do |names, said|
      assert_equal said, Gimlet::Core::Positions.short(names)
    end
  end
end
