# frozen_string_literal: true

require_relative "../support/core"

class WorkedOrdersTest < Minitest::Test
  include DemoCatalogue

  ORDERS = YAML.load_file(File.expand_path("worked_orders.yml", __dir__)).freeze

  # What is needed and the tools that it takes, without asking how to buy it.
  def worked_out(order)
    teardown = Gimlet::Core::Teardown.of(variant(order["pump"]),
                                         Gimlet::Core::Scope.of(order["work"], at: order["at"] || {}, extent: order["extent"]))
    [Gimlet::Core::Demand.new(teardown, snapshot), Gimlet::Core::Tools::ToolList.new(teardown, []).tools]
  end

  def test_orders_come_out_line_for_line
    ORDERS.each do |order|
      demand, tools = worked_out(order)
      told = "#{order['pump']} #{order['work'].join(', ')}"
      assert_equal order["needs"].sort, demand.quantities.sort, told
      back = demand.keep.to_h { |piece| [piece.name, piece.fate.to_s] }
      assert_equal order["back"].to_a.sort, back.slice(*(order["back"] || {}).keys).to_a.sort, told
      assert_empty (order["tools"] || []) - tools.map(&:number), told
      other_frames = (order["tools"] ? %w[0 1] : []).map { |frame| "GH T1#{frame}" } - (order["tools"] || [])
      assert_empty other_frames & tools.map(&:number), told
    end
  end

  def test_they_speak_of_most_constructions
    series = ORDERS.map { |order| variant(order["pump"]).series }.uniq
    assert_operator series.map(&:construction).uniq.size, :>=, 18
  end
end
