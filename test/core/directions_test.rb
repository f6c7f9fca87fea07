# frozen_string_literal: true

require_relative "../support/core"

# Which way a piece looks: its words, how it is drawn, what it holds back and where the water comes from are compared.
class DirectionsTest < Minitest::Test
  include DemoCatalogue

  Catalogue = Gimlet::Core::Catalogue
  Doctor = Gimlet::Core::Doctor
  OTHER = { "from" => "towards", "towards" => "from" }.freeze

  def layer(name, facing, shape, opens_to = nil)
    Catalogue::Layer.new(slot: name.tr(" ", "_"), name: name, facing: facing, shape: shape, opens_to: opens_to)
  end

  def stack(from, towards, *layers, id: "s") = Catalogue::Stack.new(id: id, name: id, from: from, towards: towards, layers: layers)

  PACKING = ["bottom of the bore", "crankcase"].freeze
  PORT = ["lower cap", "gallery"].freeze
  # Ends of the stack, the piece's words, its shape => the end that its opening looks to; nil where the words do not say.
  HEARD = [
    [PACKING, "lips in", "u_seal", "from"], [PACKING, "lips out", "u_seal", "towards"],
    [PACKING, "hollow side to the crankcase", "u_seal", "towards"],
    [PACKING, "flat out", "u_seal", "from"], [PACKING, "metal back to the crankcase", "u_seal", "from"], [PACKING, "in", "u_seal", nil],
    [PACKING, "lips in its groove", "u_seal", nil], [PACKING, "garter spring to the oil", "lip_seal", "towards"],
    [PORT, "closed top up", "cage", "towards"], [PORT, "legs down", "cage", "towards"], [PORT, "cage to the cap", "valve", "towards"],
    [PORT, "seat faces up", "valve", "from"], [PORT, "lapped face to the spring", "seat", "towards"], [PORT, "flat in", "ring", "from"],
    [%w[left right], "lips in", "u_seal", nil], [PORT, "lips to the manifold", "u_seal", nil]
  ].freeze

  def test_words_of_direction
    HEARD.each do |ends, facing, shape, way|
      one = stack(*ends, layer("piece", facing, shape), layer("spring", nil, "spring"))
      assert_equal [way].compact, Doctor::Facing.new(one, 0).ends.map(&:last), facing
    end
  end

  def remarks(*stacks) = Doctor::Directions.new(SNAPSHOT.series.first.with(stacks: stacks), nil).call.map { |remark| [remark.level, remark.text] }

  # Common practice, no source: a seal's lips look at what it holds back.
  def test_lips_look_at_what_they_hold_back
    { ["high-pressure seal", PACKING, "towards"] => 1, ["high-pressure seal", PACKING, "from"] => 0, ["low-pressure seal", PACKING, "towards"] => 1,
      ["oil seal", ["wet end", "crankcase"], "from"] => 1, ["oil seal", ["wet end", "crankcase"], "towards"] => 0,
      ["scraper", PACKING, "towards"] => 0 }.each do |(name, ends, way), count|
      assert_equal count, remarks(stack(*ends, layer(name, nil, "u_seal", way))).size, "#{name} #{way}"
    end
  end

  def valve(id, ends, *shapes)
    stack(*ends, *shapes.map { |shape, way| layer(shape, nil, shape, way) }, id: id)
  end

  # Common practice, no source: water comes through the seat and lifts the poppet against its spring.
  def test_a_check_valve_lets_the_water_through
    right = [%w[spring], %w[poppet towards], %w[seat from]]
    assert_empty remarks(valve("discharge_valve", %w[cap cylinder], *right))
    assert_empty remarks(valve("inlet_valve", %w[cap gallery], *right))
    assert_match(/the cylinder of an inlet valve is not at towards/, remarks(valve("inlet_valve", %w[cap cylinder], *right)).last.last)
    assert_match(/the cylinder of an outlet valve is not at from/, remarks(valve("discharge_valve", %w[cylinder gallery], *right)).last.last)
    assert_match(/outside of its seat and its spring/, remarks(valve("discharge_valve", %w[cap cylinder], *right.values_at(1, 0, 2))).first.last)
    assert_match(/opens to from, away from seat/,
                 remarks(valve("discharge_valve", %w[cap cylinder], %w[spring], %w[poppet from], %w[seat from])).first.last)
    one_piece = ->(way) { remarks(stack("cap", "cylinder", layer("valve", nil, "valve", way), id: "discharge_valve")) }
    assert_equal [0, 0], [one_piece.call("towards").size, remarks(stack("cap", "gallery", layer("v", nil, "valve", "towards"), id: "inlet")).size]
  end

  def rings(ends, *shapes)
    layers = shapes.map { |shape, way| layer(shape, nil, shape, way).with(consumables: [], criteria: []) }
    Doctor::Rings.new(SNAPSHOT.series.first.with(stacks: [stack(*ends, *layers)]), nil).call.size
  end

  # Common practice, no source: the ring that seals meets the pressure, its backup is behind it and hollow towards it. In a valve the pressure is on
  # the poppet's side.
  def test_a_backup_ring_is_behind_its_ring
    { [PORT, %w[backup], %w[oring], %w[poppet]] => 0, [PORT, %w[oring], %w[backup], %w[poppet]] => 1, [PORT, %w[poppet], %w[oring], %w[backup]] => 0,
      [PORT, %w[poppet], %w[backup], %w[oring]] => 1, [PACKING, %w[oring], %w[backup]] => 0, [PACKING, %w[backup], %w[oring]] => 1,
      [PACKING, %w[backup], %w[oring], %w[backup]] => 0, [%w[left right], %w[backup], %w[oring]] => 0,
      [PACKING, %w[oring], %w[backup from]] => 0, [PACKING, %w[oring], %w[backup towards]] => 1 }.each do |(ends, *shapes), count|
      assert_equal count, rings(ends, *shapes), "#{ends} #{shapes}"
    end
  end

  def turned(series, stack, layers)
    other = stack.with(layers: layers)
    Doctor::Directions.new(series.with(stacks: series.stacks.map { |one| one.equal?(stack) ? other : one }), nil).call
  end

  def each_stack = SNAPSHOT.series.each { |series| series.stacks.each { |stack| yield series, stack } }

  # Every piece of the demo that is drawn to a side, turned round: most are noticed, and nothing is said of the demo as it is.
  def test_what_is_drawn_the_wrong_way_round_is_noticed
    each_stack { |series, stack| assert_empty turned(series, stack, stack.layers), "#{series.id} #{stack.id}" }
    noticed = []
    each_stack do |series, stack|
      stack.layers.each_with_index.select { |layer, _| layer.opens_to }.each do |layer, at|
        layers = stack.layers.dup.tap { |all| all[at] = layer.with(opens_to: OTHER[layer.opens_to]) }
        noticed << turned(series, stack, layers).any?
      end
    end
    assert_operator noticed.count(true), :>=, noticed.size * 0.85, noticed.size
  end

  SWAPPED = { "in" => "out", "out" => "in", "up" => "down", "down" => "up" }.freeze

  # The words turned round, and valves put together in the opposite order.
  def test_words_and_orders_turned_round_are_noticed
    noticed = []
    each_stack do |series, stack|
      stack.layers.each_with_index do |layer, at|
        next unless layer.opens_to && Doctor::Facing.new(stack, at).ends.any? && layer.facing.match?(/\b(in|out|up|down)\b/)

        layers = stack.layers.dup.tap { |all| all[at] = layer.with(facing: layer.facing.sub(/\b(in|out|up|down)\b/) { |word| SWAPPED[word] }) }
        noticed << turned(series, stack, layers).any?
      end
      noticed << turned(series, stack, stack.layers.reverse).any? if stack.layers.any? { |layer| layer.shape == "seat" && layer.condition.nil? }
    end
    assert_operator noticed.size, :>=, 40
    assert_operator noticed.count(true), :>=, noticed.size * 0.9, noticed.inspect
  end
end
