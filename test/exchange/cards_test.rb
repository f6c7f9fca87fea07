# frozen_string_literal: true

require_relative "../support/app"
require "pdf/reader"
require_relative "../../lib/gimlet/exchange/paper/card"
require_relative "../../lib/gimlet/exchange/paper/torque_strip"

# The card of the largest order of every series, read back as a bench reads it.
class CardsTest < Minitest::Test
  include SeededApp

  # Others with another seed: reading a card back takes its time.
  MOST = 2

  def reference = @reference ||= Gimlet::Counter::CurrentReference.new(database).current

  def work
    @work ||= Gimlet::Counter::WorkOnTicket.new(reference, Gimlet::Store::Stock.new(database).all, Gimlet::Store::Customers.new(database), Gimlet::Store::Orders.new(database))
  end

  def record(pump)
    plate = { "items" => [{ "readings" => [{ "trait" => "plate", "value" => pump.designation }] }], "unheard" => [] }
    bodies = [["said", { "words" => pump.designation, "heard" => plate }], ["pump", { "id" => pump.id }],
              ["work", { "areas" => pump.series.areas_of(pump).map(&:id), "agreed" => true, "pumps" => 2 }]]
    entries = bodies.each_with_index.map do |(kind, body), at|
      Gimlet::Core::Entry.new(number: at + 1, kind: kind, body: body, at: Time.now, who: "test")
    end
    JSON.parse(JSON.generate(Gimlet::Counter::PlaceOrder.record(work.call(1, entries), "all of it")))
  end

  def kept(record, **fields) = Gimlet::Core::Order.new(id: 7, version: 1, versions: [], record: record, created_at: Time.now, **fields)
  def on(paper) = Gimlet::Exchange::Paper::Stationery.of(paper: paper)
  def squeezed(text) = text.gsub(/\s+/, "")

  # In the order in which it is drawn. A sentence may go on over the page: what stands at the foot of each is taken out.
  def read(order, **options)
    card = Gimlet::Exchange::Paper::Card.call(kept(order, customer: "Nannyfield"), **options)
    reader = PDF::Reader.new(StringIO.new(card))
    assert_operator reader.page_count, :<=, 8, order["pump"]["model"]
    reader.pages.each { |page| assert_operator lines_of(page), :>=, FEWEST, "page #{page.number} of #{order['pump']['model']}" }
    pages = reader.pages.map { |page| squeezed(page.runs(merge: false).map(&:text).join) }
    feet = pages.each_index.map { |at| squeezed("order 7 · #{order['pump']['model']} · page #{at + 1} of #{pages.size}") }
    pages.zip(feet).map { |page, foot| page.delete_suffix(squeezed(Gimlet::Core::Plan::Cautions::DEFERRAL) + foot) }.join
  end

  # A page with a few lines is a page too many.
  FEWEST = 6

  # Heights at which something is written, the foot apart.
  def lines_of(page) = page.runs(merge: false).map { |run| run.y.round }.uniq.size - 1

  # What a bench must find on its card.
  def wanted(order)
    lines, unfilled = order["parts"].values_at("lines", "unfilled")
    passed = order["keep"].map { |piece| piece["look"].any? ? piece["name"].sub(/\A./, &:upcase) : piece["name"] }
    cautions = order["cautions"] - [Gimlet::Core::Plan::Cautions::DEFERRAL]
    lines.map { |line| line["number"] } + unfilled.map { |line| line["name"] } + cautions + passed +
      order["keep"].flat_map { |piece| piece["look"] } + order["why"].flat_map { |line| line["reasons"] } +
      order["count_out"].flat_map { |one| one["pieces"] } +
      order["tightening"].flat_map { |row| [row["text"], row["source"], *row["rounds"]].compact } +
      order["stacks"].flat_map { |stack| stack["layers"].flat_map { |layer| layer.values_at("name", "facing", "lube").compact } } +
      order["steps"].flat_map { |step| step["text"] } + order["tools"].flat_map { |tool| tool.values_at("name", "number", "substitute").compact }
  end

  # A list of passes that breaks is read as two: its last figure stands on the line of its first.
  def test_a_list_of_passes_stays_on_one_line
    pump = reference.snapshot.variants.find { |one| one.id == "TK4L20 from 31000" }
    order = record(pump)
    card = PDF::Reader.new(StringIO.new(Gimlet::Exchange::Paper::Card.call(kept(order))))
    order["tightening"].select { |row| row["rounds"].size > 1 }.each do |row|
      told = squeezed(row["rounds"].each.with_index(1).map { |round, at| "#{at}) #{round}" }.join)
      lines = card.pages.flat_map do |page|
        page.runs(merge: false).group_by do |run|
          run.y.round
        end.values.map { |runs| squeezed(runs.sort_by(&:x).map(&:text).join) }
      end
      assert(lines.any? { |line| line.include?(told) }, told)
    end
  end

  def test_what_is_sold_under_another_number_is_said_in_its_line
    line = { "number" => "N-2", "name" => "seal", "kit" => false, "quantity" => 3, "pack" => 1, "covers" => { "N-1" => 1 }, "reason" => nil }
    parts = Gimlet::Core::Order::Parts.new({ "parts" => { "lines" => [line, line.merge("covers" => { "N-2" => 1 })] } })
    assert_equal [[3, "N-2", "seal", "in place of N-1"], [3, "N-2", "seal", ""]], parts.rows
  end

  def test_the_pump_is_drawn_on_its_card_and_others_are_not_named
    pump = reference.snapshot.variants.find { |one| one.id == "TK4L20 from 31000" }
    order = record(pump)
    assert_equal(%w[front side top], order["outside"].map { |view| view["id"] })
    refute_includes read(order), squeezed("The same order serves")
    # Orders of earlier versions have no such drawing.
    assert_includes read(order.merge("outside" => [])), "TK4L20"
  end

  def test_every_part_torque_caution_and_direction_stands_on_the_card
    reference.snapshot.series.sample(MOST, random: Random.new(Minitest.seed)).each do |series|
      pumps = reference.snapshot.variants.select { |variant| variant.series == series }
      pump = pumps.max_by { |one| series.stacks.sum { |stack| stack.layers_of(one).size } }
      order = record(pump)
      card = read(order, on: on(%w[A4 LETTER].sample(random: Random.new(Minitest.seed))))
      assert_empty wanted(order).reject { |text| card.include?(squeezed(text)) }, pump.id
    end
  end

  # Every family of valves, rebuilt whole: its card says how it is set, the least first, and what to beware of.
  SETTING = ["Set it with the gun open. Cap out until the spring is free", "Cap in, half a turn at a time", "Lock the cap",
             "must run back through the bypass",
             "it flies", "on the flat side", "on the pointed side", "the wrong way round there is no pressure at all",
             "The bottom disc goes back first, with its ring, and lies flat"].freeze

  def test_the_card_of_every_family_of_valves
    valves = reference.snapshot.variants.select { |variant| variant.series.item == "valve" }.uniq(&:series)
    assert_operator valves.size, :>=, 3
    valves.each do |valve|
      order = record(valve)
      card = read(order)
      assert_empty (wanted(order) + SETTING).reject { |text| card.include?(squeezed(text)) }, valve.id
      places = SETTING.first(4).map { |text| card.index(squeezed(text)) }
      assert_equal places.sort, places, "in the order in which it is done"
    end
  end

  SOME = 3

  # What a wrong word makes dangerous, or useless: some of them each time, test/core/beware_test.rb looks for all. Common practice of each
  # construction, no source.
  BEWARE = {
    "TK4L20 from 31000" => ["closed top up: the thread to draw it by is in it", "push the whole guide in square until it clicks home in the head"],
    "MGL40" => ["Nobody's hand or face in their line", "Take the two outer bolts of the top row out first and put the support pins in their place"],
    "SC325L" => ["first step is where the low-pressure seal seats", "The tabbed retainers come out before the plunger"],
    "SV20" => ["lips to the discharge side", "The inlet manifold goes over the bare rods"],
    "DW40" => ["The first head goes on with its valves and is tightened, screws in a cross, before the piston assembly goes in",
               "The greased piston assembly, driven until it bottoms in the first head"],
    "UX3800" => ["anti-seize on its back only, never on that face", "none on the bronze backup", "grit kills the new seals"],
    "GT2-25" => ["Packing retainers onto the oiled plungers first, then the manifold", "draw them with collet and slide hammer"],
    "HBL20" => ["and last, outermost below, the seat, flat side down and out of the valve"],
    "DK418" => ["grasp the seal under the guide, side to side while pulling"],
    "CB30-12" => ["Turn the pump over, outlet ports uppermost", "the force goes through its inner ring only"],
    "LT14" => ["intermediate ring, bevel in, into the bore"], "TJ14L" => ["all sit on the plunger bolt"],
    "RPL15" => ["Onto the rod: O-ring, slinger, plunger"],
    "PG50L" => ["later tight again, and one eighth turn beyond", "Before starting, set the seats by pressure",
                "Their final tightening comes only with the plunger in and the retainer set true to it", "nut comes out"]
  }.freeze

  def test_what_a_wrong_word_would_make_dangerous
    BEWARE.to_a.sample(SOME, random: Random.new(Minitest.seed)).each do |id, sentences|
      card = read(record(reference.snapshot.variants.find { |variant| variant.id == id }))
      assert_empty sentences.reject { |text| card.include?(squeezed(text)) }, id
    end
    seats = read(record(reference.snapshot.variants.find { |variant| variant.id == "PG50L" }))
    places = ["Fill the fluid end and vent it", "Before starting, set the seats by pressure", "Open the gun or dump valve"].map do |text|
      seats.index(squeezed(text))
    end
    assert_equal places.sort, places, "vented, then set, then started"
  end

  # Held against where the layers lie: the ring that holds meets the pressure first, its backup is behind it; lips look to the pressure.
  def test_rings_and_lips_by_where_they_lie
    rings = reference.snapshot.series.find { |series| series.name == "TK4" }.stack("discharge_valve").layers.map(&:slot)
    assert_operator rings.index("cover_backup"), :<, rings.index("plate_oring"), "from the plate to the cylinder, where the pressure is"
    { "HB" => %w[inlet_valve discharge_valve], "SC3" => %w[inlet_valve discharge_valve] }.each do |name, stacks|
      stacks.each do |id|
        slots = reference.snapshot.series.find { |series| series.name == name }.stack(id).layers.map(&:slot)
        assert_operator slots.index("plug_backup"), :<, slots.index("plug_oring"), "#{name}: from the plug to the cylinder"
      end
    end
    check = reference.snapshot.series.find { |series| series.name == "UX" }.stack("check_valve")
    assert_equal ["outlet", %w[hp_spring hp_poppet hp_seat]], [check.from, check.layers.map(&:slot)], "the spring behind the poppet"
    rods = %w[LT LC RP ND DK4].map { |name| reference.snapshot.series.find { |series| series.name == name }.stack("plunger").layers.map(&:slot) }
    rods.each { |slots| assert_equal %w[plunger slinger rod_oring], slots.last(3), "the O-ring first onto the rod, nearest the crankcase" }
    lt = reference.snapshot.series.find { |series| series.name == "LT" }.stack("packing")
    assert_operator lt.layers.map(&:slot).index("intermediate_ring"), :<, lt.layers.map(&:slot).index("retainer")
    two = reference.snapshot.series.find { |series| series.name == "SV" }.stack("packing")
    assert_equal ["discharge side", "from"], [two.from, two.layer("hp_seal").opens_to]
  end

  def test_the_torque_strip_is_one_page_with_every_value
    %w[PG50L MGL40 UX3800 SC325L TK4L20].each do |designation|
      order = record(reference.snapshot.variants_of(designation).last)
      %w[A4 LETTER].each do |paper|
        reader = PDF::Reader.new(StringIO.new(Gimlet::Exchange::Paper::TorqueStrip.call(kept(order), on: on(paper))))
        assert_equal 1, reader.page_count, designation
        text = squeezed(reader.pages.first.text)
        order["tightening"].each { |row| row["rounds"].each { |round| assert_includes text, squeezed(round), "#{designation} #{row['name']}" } }
      end
    end
    error = assert_raises(Gimlet::Core::InputError) { Gimlet::Exchange::Paper::TorqueStrip.call(kept({}), on: on("A9")) }
    assert_equal "unknown_paper", error.code
  end

  # No box runs over another or off the page: every line of text lies within the margins.
  def test_no_text_leaves_the_page
    %w[PG50L HBL20 UX3800].sample(2, random: Random.new(Minitest.seed)).each do |designation|
      order = record(reference.snapshot.variants_of(designation).first)
      reader = PDF::Reader.new(StringIO.new(Gimlet::Exchange::Paper::Card.call(kept(order))))
      reader.pages.flat_map(&:runs).each do |run|
        assert_operator run.x + run.width, :<=, 595 - 30, "#{designation}: #{run.text}"
        assert_operator run.y, :>=, 20, "#{designation}: #{run.text}"
      end
    end
  end
end
