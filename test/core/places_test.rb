# frozen_string_literal: true

require_relative "../support/core"
require "gimlet/core/8_plan/rebuild"

# Every agreed place is filled, coming, kept, left out by somebody's word, or empty. Counted by hand on packings of a DK415: one set of four pieces a
# cylinder, three cylinders, each piece sold loose too.
class PlacesTest < Minitest::Test
  include DemoCatalogue

  Core = Gimlet::Core
  Stock = Core::KitPlan::Stock
  Fixed = Core::KitPlan::Fixed
  Places = Core::Order::Places
  KIT, LOOSE = "DB KIT 115", ["DB 7815", "DB 7835", "DB 7871", "DB 7850"].freeze

  def shelf(kit:, loose: 0)
    { KIT => Stock.new(price_cents: 400, on_hand: kit, pack: 1) }
      .merge(LOOSE.to_h { |number| [number, Stock.new(price_cents: 150, on_hand: loose, pack: 1)] })
  end

  def places(stock, policy: nil, pumps: 1, had: {}, fixed: [], days: {})
    teardown = Core::Teardown.of(variant("DK415"), Core::Scope.of(["packings"], extent: "leak_only"))
    demand = Core::Demand.new(teardown, snapshot, pumps: pumps, had: had)
    Places.of_plan(demand, Core::KitPlan::Plans.new(demand, snapshot, stock, fixed: fixed).one(policy), pumps: pumps, days: days)
  end

  # Which pieces of each stack are told of, by all its rows.
  def drawn(all)
    all.all.map(&:stack).uniq.to_h do |stack|
      [stack, all.rows(stack).flat_map do |row|
        row.layers.each_index.select do |at|
          row.layers[at]
        end
      end.uniq.sort]
    end
  end

  def told(all) = all.counts.except("kept")

  def test_what_lies_there_fills_the_first_cylinders_and_the_last_is_empty
    all = places(shelf(kit: 2), policy: "on_shelf")
    assert_equal({ "shelf" => 8, "empty" => 4 }, told(all))
    assert_equal "12 places: 8 on the shelf, 4 empty", all.says
    assert_equal ["cylinder 3"], all.open.map(&:position).uniq
    assert_equal(LOOSE.sort, all.lacking.map { |text| text[/DB 78\d\d/] }.sort)
    assert_includes all.lacking, "NOT IN THE BAG: 1 × high-pressure packing DB 7815, needed for packing, cylinder 3: not enough on the shelf today."
  end

  def test_what_is_short_is_to_come
    all = places(shelf(kit: 1), policy: "cheapest")
    assert_equal({ "shelf" => 4, "coming" => 8 }, told(all))
    assert_empty all.lacking
    assert_equal ["TO COME: 8 pieces for packing, cylinder 2, 3."], all.coming
    assert_equal ["TO COME: 8 pieces for packing, cylinder 2, 3: Friday."],
                 places(shelf(kit: 1), policy: "cheapest", days: { KIT => "Friday" }).coming
  end

  def test_what_the_customer_has_fills_the_first_places
    all = places(shelf(kit: 0, loose: 9), had: { "DB 7815" => 2 })
    assert_equal({ "own" => 2, "shelf" => 10 }, told(all))
    assert_equal ["cylinder 1", "cylinder 2"], all.all.select { |place| place.how == "own" }.map(&:position)
  end

  def test_on_two_pumps_each_has_its_places
    all = places(shelf(kit: 4), policy: "on_shelf", pumps: 2)
    assert_equal({ "shelf" => 16, "empty" => 8 }, told(all))
    assert_includes all.lacking.join, "2 × high-pressure packing DB 7815, needed for packing, cylinder 2, 3 of pump 2"
    rows = all.rows(all.open.first.stack)
    assert_equal ["cylinder 1, 2, 3 of pump 1; cylinder 1 of pump 2", "cylinder 2, 3 of pump 2"], rows.map(&:where), "what stands alike is told once"
  end

  def test_what_somebody_left_out_is_told_with_their_word
    by_hand = [["DB 7815", 1, "two are new"], [KIT, 0, "none"]].map { |row| Fixed.new(**Fixed.members.zip(row).to_h) }
    all = places(shelf(kit: 0, loose: 9), fixed: by_hand)
    assert_equal({ "shelf" => 10, "left_out" => 2 }, told(all))
    assert_equal ["taken off by hand: two are new"], all.open.map(&:why).uniq
  end

  def test_a_piece_without_a_number_leaves_its_place_empty
    gap = Places::Gap.new(part: nil, name: "disc", why: "no part number on file", by_hand: false)
    spots = [1, 2].map { |at| Core::Order::Place.new(stack: "s", title: "valve", position: "inlet #{at}", at: 0, piece: "disc", renewed: true) }
    all = Places.new(spots, 1, own: {}, supply: [], gaps: [gap])
    assert_equal ["NOT IN THE BAG: 2 × disc, needed for valve, inlet 1, 2: no part number on file."], all.lacking
  end

  def test_what_was_agreed_says_so
    demand = Core::Demand.new(Core::Teardown.of(variant("PG50L"), Core::Scope.of(["plungers"])), snapshot)
    assert_includes demand.lines.flat_map(&:reasons).join("; "),
                    "plunger (cylinder 1, 2, 3): plungers agreed, and nothing else of it is renewed by rule"
  end

  def test_what_stays_in_its_bore_is_no_place_and_a_piece_without_a_number_has_its_reason
    layer = ->(name, part, fates) { { "slot" => name, "name" => name, "part" => part, "fates" => fates } }
    stack = { "id" => "s", "name" => "s", "positions" => %w[p q],
              "layers" => [layer.call("disc", nil, ["replace", nil]), layer.call("seat", "B", ["keep", nil])] }
    record = { "stacks" => [stack], "work" => { "pumps" => 1 }, "why" => [],
               "parts" => { "unfilled" => [{ "part" => nil, "name" => "disc", "reason" => "none on file", "by_hand" => false }], "lines" => [] } }
    all = Places.of_order(record, nil)
    assert_equal([["disc", "empty", "none on file"], ["seat", "kept", nil]], all.all.map { |one| [one.piece, one.how, one.why] })
  end

  # A piece without a number cannot be ordered: it is looked over, as its sheet says.
  def test_what_was_agreed_and_has_no_number_is_looked_over
    document = document("ulvskar-ux")
    document["fits"].reject! { |fit| fit["slot"] == "rod_seal" }
    bare = Core::Catalogue::Snapshot.new([Core::Catalogue::Build.call(document)], version: "x")
    fates = Core::Demand.new(Core::Teardown.of(bare.variants.first, Core::Scope.of(["rod_seals"])), bare).fates
    assert_equal [:inspect], fates.select { |fate| fate.place.layer.slot == "rod_seal" }.map(&:kind).uniq
  end

  # As orders of earlier versions were kept: a line that does not say what it covers fills nothing.
  def test_a_line_that_covers_nothing_fills_nothing
    stack = { "id" => "s", "name" => "s", "positions" => ["p"],
              "layers" => [{ "slot" => "ring", "name" => "ring", "part" => "A", "fates" => ["replace"] }] }
    record = { "stacks" => [stack], "work" => { "pumps" => 1 }, "why" => [{ "part" => "A", "had" => 0 }],
               "parts" => { "unfilled" => [], "lines" => [{ "number" => "A", "quantity" => 1 }] } }
    assert_equal "1 place: 1 empty", Places.of_order(record, nil).says
    record["parts"]["lines"].first.merge!("covers" => { "A" => 1 }, "short" => 1)
    assert_equal "1 place: 1 to come", Places.of_order(record, nil).says
  end

  # As the ledger has them: out, then in the bag, then kept on the shelf, then to come; of a quote, and of a line that the order has no more, as it
  # was made.
  Good = Struct.new(:out, :bagged, :reserved, :short)
  Life = Struct.new(:state, :row) do
    def good(_number) = row
  end

  def test_an_order_s_places_as_its_ledger_fills_them
    positions = (1..8).map { |at| "p #{at}" }
    stack = { "id" => "s", "name" => "s", "positions" => positions,
              "layers" => [{ "slot" => "ring", "name" => "ring", "part" => "A", "fates" => ["replace"] * 8 }] }
    line = { "number" => "A", "quantity" => 8, "covers" => { "A" => 1 }, "short" => 5 }
    record = { "stacks" => [stack], "work" => { "pumps" => 1 }, "why" => [{ "part" => "A", "had" => 0 }],
               "parts" => { "unfilled" => [], "lines" => [line] } }
    told = ->(life) { Places.of_order(record, life, days: { "A" => "Friday" }).counts }
    assert_equal({ "out" => 1, "bag" => 2, "shelf" => 3, "coming" => 2 }, told.call(Life.new("open", Good.new(1, 2, 3, 2))))
    assert_equal({ "out" => 1, "bag" => 2, "shelf" => 3, "empty" => 2 }, told.call(Life.new("open", Good.new(1, 2, 3, 0))))
    assert_equal({ "shelf" => 3, "coming" => 5 }, told.call(Life.new("quoted", Good.new(1, 2, 3, 2))))
    assert_equal({ "shelf" => 3, "coming" => 5 }, told.call(Life.new("open", nil)))
    assert_empty told.call(Life.new("cancelled", Good.new(1, 2, 3, 2)))
    assert_equal ["Friday"], Places.of_order(record, Life.new("open", Good.new(0, 0, 6, 2)), days: { "A" => "Friday" }).to_come.map(&:day).uniq
  end

  # A piece that serves two numbers is shared out whole: of five sets at two thirds of a piece, three pieces and a third serve, so three.
  def test_shared_pieces_are_whole
    spots = Array.new(5) { |at| Core::Order::Place.new(stack: "s", title: "s", position: "p #{at}", at: 0, piece: "ring", part: "A", renewed: true) }
    supply = [Places::Supply.new(covers: { "A" => 0.6667 }, units: [["bag", 2], ["shelf", 3]])]
    assert_equal({ "bag" => 1, "shelf" => 2, "empty" => 2 }, told(Places.new(spots, 1, own: {}, supply: supply, gaps: [])))
    thirds = [Places::Supply.new(covers: { "A" => 0.6667 }, units: [["out", 1], ["bag", 1], ["shelf", 1]])]
    assert_equal({ "out" => 1, "shelf" => 1, "empty" => 3 }, told(Places.new(spots, 1, own: {}, supply: thirds, gaps: [])))
  end

  # Every model by every area: as many places as pieces are wanted, and each plan leaves open exactly what it says that it does.
  def test_places_are_the_demand_and_its_gaps
    stock = STOCK.transform_values { |one| one.with(on_hand: one.on_hand.clamp(0, 2)) }
    snapshot.variants.sample(24, random: Random.new(Minitest.seed)).each do |pump|
      pump.series.areas_of(pump).each do |area|
        demand = Core::Demand.new(Core::Teardown.of(pump, Core::Scope.of([area.id], extent: "usual")), snapshot, pumps: 2)
        Core::KitPlan::Plans.new(demand, snapshot, stock).call.each do |plan|
          all = Places.of_plan(demand, plan, pumps: 2)
          note = "#{pump.id} #{area.id} #{plan.name}, seed #{Minitest.seed}"
          assert_equal demand.lines.sum(&:quantity) + demand.missing.sum(&:quantity), told(all).values.sum, note
          assert_equal plan.lacking, all.open.size, note
          drawn(all).each { |stack, layers| assert_equal all.all.select { |one| one.stack == stack }.map(&:at).uniq.sort, layers, note }
        end
      end
    end
  end
end
