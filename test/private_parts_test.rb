# frozen_string_literal: true

require "minitest/autorun"
require_relative "../lib/gimlet/core/5_kit_plan/exactness"

# Parts of a gem that it does not promise to keep are touched in one file each: who updates the gem sees here what to look at.
class PrivatePartsTest < Minitest::Test
  ROOT = File.expand_path("..", __dir__)
  PLACES = { "Highs::FFI" => ["lib/gimlet/core/5_kit_plan/exactness.rb"], "Xsv::SheetRowsHandler" => ["lib/gimlet/exchange/xlsx_rows.rb"] }.freeze

  def files = Dir["#{ROOT}/lib/**/*.rb"].to_h { |path| [path.delete_prefix("#{ROOT}/"), File.read(path)] }

  def test_each_is_touched_in_one_file
    PLACES.each { |part, places| assert_equal places, files.select { |_, text| text.include?(part) }.keys, part }
  end

  # The rows of a sheet whose last rows are words are in test/exchange/price_list_test.rb.
  def test_the_solver_takes_the_options_that_exact_plans_need
    model = Highs.mip(sense: :minimize, col_cost: [1], col_lower: [0], col_upper: [1], row_lower: [1], row_upper: [1], a_format: :rowwise,
                      a_start: [0], a_index: [0], a_value: [1], integrality: [:integer])
    assert_silent { Gimlet::Core::KitPlan::Exactness.ask_of(model) }
    refute_equal 0, Highs::FFI.Highs_setDoubleOptionValue(model.to_ptr, +"no such option", 0.0), "an option that it does not know is not told apart"
  end
end
