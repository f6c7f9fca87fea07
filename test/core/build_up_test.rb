# frozen_string_literal: true

require_relative "../support/core"

# In which order a stack is played. What goes in first is common practice, no source.
class BuildUpTest < Minitest::Test
  include DemoCatalogue

  # Pieces that must come in this order, by series and stack: into a bore the deepest first, onto a rod what lies against its shoulder first.
  ORDERS = {
    "drosselby-dk4 packing" =>
      "support ring, high-pressure packing, front guide, scraper ring, low-pressure packing, rear guide",
    "drosselby-dk4 inlet_valve" =>
      "valve seat O-ring, valve assembly, valve cap O-ring, valve cap",
    "drosselby-dk4 plunger" =>
      "plunger rod O-ring, slinger, slip-on plunger, crush washer, plunger nut",
    "pellwick-tk4 packing" =>
      "support ring, high-pressure seal, rear support ring, front guide, low-pressure seal, rear guide",
    "pellwick-tk4 discharge_valve" =>
      "discharge valve seat, discharge valve spring, cover piece backup ring, port cover piece",
    "pellwick-tk4 inlet_valve" =>
      "inlet seat O-ring, inlet valve seat, inlet valve poppet, inlet valve spring, inlet valve cage",
    "quellby-va inlet_valve" =>
      "valve backup ring, valve O-ring, inlet valve seat, inlet valve cage, valve plug",
    "nordmoy-nd inlet_valve" =>
      "seat O-ring, valve seat, valve poppet, valve spring, valve cage, short cap",
    "nordmoy-nd discharge_valve" =>
      "valve cage, valve spring, valve poppet, valve seat, seat O-ring, long cap",
    "harbolt-hb packing" =>
      "lower outer gasket, lower U-seal, lower hard gasket, intermediate ring, upper hard gasket, upper U-seal, upper outer gasket, pressure ring",
    "harbolt-hb inlet_valve" =>
      "inlet valve seat, inlet lower plate, valve body, inlet upper plate, inlet upper cage, crush washer, valve plug",
    "orlenhavn-sc3 packing" =>
      "male adapter, high-pressure seal, seal case O-ring, seal case",
    "lumbarrow-lt packing" =>
      "head ring, high-pressure seal, stop ring, intermediate ring, low-pressure seal, brass retainer",
    "silverow-sv inlet_valve" =>
      "inlet valve, spacer, inlet valve spring, conical washer, slotted nut, split pin",
    "mastergarth-mg retainer" =>
      "cylinder rear O-ring, packing retainer, spacer spring",
    "mastergarth-mg plunger" =>
      "guide O-ring, flinger, plunger, plunger bolt",
    "brackenholt-dw suction_valve" =>
      "suction valve O-ring, suction valve seat, suction valve poppet, suction valve spring",
    "brackenholt-dw pressure_valve" =>
      "pressure valve spring, pressure valve poppet, pressure valve seat",
    "ulvskar-ux inlet_valve" =>
      "spacer tube, poppet basket, inlet poppet",
    "dunnagarth-pg packing" =>
      "lip ring, oil ring, packing spacer, pressure ring, header ring",
    "dunnagarth-pg inlet_valve" =>
      "suction valve seat, suction valve, suction valve spring, suction stop, cover gasket",
    "harrowgill-hv piston" =>
      "piston, ring that holds the piston, clip, thrust plate, setting spring, cap"
  }.freeze

  # Built on a piece from both of its ends, or into two bores: there is no one order, and none is told.
  NO_ONE_ORDER = ["brackenholt-dw flanges", "brackenholt-dw piston", "silverow-sv adapter", "silverow-sv packing", "twyfin-ob2 plunger",
                  "ulvskar-ux check_valve"].freeze

  def pumps = snapshot.variants.uniq(&:series)

  def played(pump, stack)
    layers = stack.layers_of(pump)
    Gimlet::Core::Assembly::BuildUp.order(pump.series, stack, layers).map { |place| layers[place].name }
  end

  ORDERS.each do |place, told|
    define_method("test_#{place}") do
      series, id = place.split
      wanted = told.split(", ")
      pump = pumps.find { |one| one.series.id == series }
      assert_equal wanted, played(pump, pump.series.stack(id)) & wanted
    end
  end

  def test_each_piece_comes_once_or_no_order_is_told
    untold = pumps.flat_map do |pump|
      pump.series.stacks.filter_map do |stack|
        names = played(pump, stack)
        next "#{pump.series.id} #{stack.id}" if names.empty?

        assert_equal stack.layers_of(pump).map(&:name).sort, names.sort, "#{pump.id} #{stack.id}"
        nil
      end
    end
    assert_equal NO_ONE_ORDER, untold.sort
  end

  Ends = Gimlet::Core::Catalogue::StackEnds

  # A stack of which only its ends and shapes matter.
  def stack(from, towards, *shapes)
    layers = shapes.map { |shape| Struct.new(:shape).new(shape) }
    Struct.new(:from, :towards, :layers) { include Ends }.new(from, towards, layers)
  end

  def test_the_bottom_of_a_bore_by_what_its_ends_are_called
    assert_equal "from", stack("Bottom of the bore", "upper cap").inner
    assert_equal "towards", stack("upper cap", "cylinder").inner
    assert_equal "from", stack("cylinder", "top plate").inner
    assert_equal "towards", stack("cylinder", "top plate").open_end
    assert_nil stack("upper cap", "lower cap").inner, "two mouths"
    assert_nil stack("left", "right").open_end
  end

  def test_every_name_of_a_mouth_and_of_a_bottom
    ["Cap", "valve plug", "Cover", "top plate", "manifold, above", "outer end", "rod end", "wet end"].each do |name|
      assert_equal %w[towards from], [stack(name, "gallery").inner, stack("gallery", name).inner], name
    end
    ["Bottom", "head, below"].each { |name| assert_equal %w[from towards], [stack(name, "cap").inner, stack("cap", name).inner], name }
    ["crankcase", "power end", "Hydraulic end"].each { |name| assert_equal "towards", stack("left", name, "plunger").inner, name }
  end

  def test_what_sits_in_a_piece_goes_in_by_its_mouth
    into = ->(mouth) { Gimlet::Core::Assembly::BuildUp.into(Struct.new(:opens_to).new(mouth), [2, 4, 3]) }
    assert_equal [[4, 3, 2], [2, 3, 4], [2, 4, 3]], ["from", "towards", nil].map(&into)
  end

  def test_a_rod_is_open_where_it_is_not_fixed
    assert_equal "towards", stack("manifold", "crankcase", "ring", "plunger").inner
    assert_nil stack("manifold", "crankcase", "ring").inner, "no rod"
    assert_nil stack("power end", "crankcase", "plunger").inner
  end

  # The axis of a document comes before what its ends are called.
  def test_an_axis_says_where_a_stack_opens
    broken = document("drosselby-dk4")
    assert_equal ["valve seat O-ring", "valve cap"], first_and_last(broken)
    broken["axes"] << { "stacks" => [{ "stack" => "inlet_valve", "open" => "towards" }] }
    assert_equal ["valve cap", "valve seat O-ring"], first_and_last(broken)
  end

  def first_and_last(document)
    series = Gimlet::Core::Catalogue::Build.call(document)
    pump = Gimlet::Core::Catalogue::Snapshot.new([series], version: "test").variants.first
    played(pump, pump.series.stack("inlet_valve")).values_at(0, -1)
  end
end
