# frozen_string_literal: true

require_relative "../support/app"
require "pdf/reader"

# The card of the largest order of every series, read back as a bench reads it.
class CardsTest < Minitest::Test
  include SeededApp

  # Others with another seed: reading a card back takes its time.
  MOST = 8

  def reference = @reference ||= Gimlet::Counter::References.new(database).current

  def work
    @work ||= Gimlet::Counter::WorkOnTicket.new(reference, Gimlet::Store::Stock.new(database).all, Gimlet::Store::Customers.new(database), Gimlet::Store::Orders.new(database))
  end

  def record(pump)
    plate = { "items" => [{ "readings" => [{ "trait" => "plate", "value" => pump.designation }] }], "unheard" => [] }
    bodies = [["said", { "words" => pump.designation, "heard" => plate }], ["pump", { "id" => pump.id }],
              ["work", { "areas" => pump.series.areas_of(pump).map(&:id), "agreed" => true, "pumps" => 2 }]]
    entries = bodies.each_with_index.map do |(kind, body), at|
      Gimlet::Core::Ticket::Entry.new(number: at + 1, kind: kind, body: body, at: Time.now, who: "test")
    end
    JSON.parse(JSON.generate(Gimlet::Present::OrderRecord.of(work.call(1, entries), "all of it")))
  end

  def squeezed(text) = text.gsub(/\s+/, "")

  # In the order in which it is drawn. A sentence may go on over the page: what stands at the foot of each is taken out.
  def read(order, **options)
    card = Gimlet::Exchange::Paper::Card.call({ id: 7, record: order, customer: "Nannyfield", created_at: Time.now }, **options)
    reader = PDF::Reader.new(StringIO.new(card))
    assert_operator reader.page_count, :<=, 8, order["pump"]["model"]
    pages = reader.pages.map { |page| squeezed(page.runs(merge: false).map(&:text).join) }
    feet = pages.each_index.map { |at| squeezed("order 7 · #{order['pump']['model']} · page #{at + 1} of #{pages.size}") }
    pages.zip(feet).map { |page, foot| page.delete_suffix(squeezed(Gimlet::Core::Plan::Cautions::DEFERRAL) + foot) }.join
  end

  # What a bench must find on its card.
  def wanted(order)
    lines, unfilled = order["parts"].values_at("lines", "unfilled")
    passed = order["keep"].map { |one| one["look"].any? ? one["name"].capitalize : one["name"] }
    lines.map { |line| line["number"] } + unfilled.map { |line| line["name"] } + order["cautions"] + passed +
      order["keep"].flat_map { |one| one["look"] } + order["why"].flat_map { |one| one["reasons"] } +
      order["count_out"].flat_map { |one| one["pieces"] } +
      order["tightening"].flat_map { |one| [one["text"], one["source"], *one["rounds"]].compact } +
      order["stacks"].flat_map { |stack| stack["layers"].flat_map { |layer| layer.values_at("name", "facing", "lube").compact } } +
      order["steps"].flat_map { |step| step["text"] } + order["tools"].flat_map { |tool| tool.values_at("name", "number", "substitute").compact }
  end

  def test_every_part_torque_caution_and_direction_stands_on_the_card
    reference.snapshot.series.sample(MOST, random: Random.new(Minitest.seed)).each do |series|
      pumps = reference.snapshot.variants.select { |one| one.series == series }
      pump = pumps.max_by { |one| series.stacks.sum { |stack| stack.layers_of(one).size } }
      order = record(pump)
      card = read(order, paper: %w[A4 LETTER].sample(random: Random.new(Minitest.seed)))
      assert_empty wanted(order).reject { |text| card.include?(squeezed(text)) }, pump.id
    end
  end

  # Every family of valves, rebuilt whole: its card says how it is set, the least first, and what to beware of.
  SETTING = ["Set it with the gun open. Cap out until the spring is free", "Cap in, half a turn at a time", "Lock the cap",
             "must run back through the bypass",
             "The clip flies", "on the flat side", "on the pointed side", "into the thrust plate"].freeze

  def test_the_card_of_every_family_of_valves
    valves = reference.snapshot.variants.select { |one| one.series.item == "valve" }.uniq(&:series)
    assert_operator valves.size, :>=, 3
    valves.each do |valve|
      order = record(valve)
      card = read(order)
      assert_empty (wanted(order) + SETTING).reject { |text| card.include?(squeezed(text)) }, valve.id
      places = SETTING.first(4).map { |text| card.index(squeezed(text)) }
      assert_equal places.sort, places, "in the order in which it is done"
    end
  end

  def test_the_torque_strip_is_one_page_with_every_value
    %w[PG50L MGL40 UX3800 SC325L TK4L20].each do |designation|
      order = record(reference.snapshot.variants_of(designation).last)
      %w[A4 LETTER].each do |paper|
        reader = PDF::Reader.new(StringIO.new(Gimlet::Exchange::Paper::TorqueStrip.call({ id: 7, record: order }, paper: paper)))
        assert_equal 1, reader.page_count, designation
        text = squeezed(reader.pages.first.text)
        order["tightening"].each { |one| one["rounds"].each { |round| assert_includes text, squeezed(round), "#{designation} #{one['name']}" } }
      end
    end
    error = assert_raises(Gimlet::Core::InputError) { Gimlet::Exchange::Paper::TorqueStrip.call({ id: 7, record: {} }, paper: "A9") }
    assert_equal "unknown_paper", error.code
  end

  # No box runs over another or off the page: every line of text lies within the margins.
  def test_no_text_leaves_the_page
    %w[PG50L HBL20 UX3800].each do |designation|
      order = record(reference.snapshot.variants_of(designation).first)
      reader = PDF::Reader.new(StringIO.new(Gimlet::Exchange::Paper::Card.call({ id: 7, record: order, customer: nil, created_at: Time.now })))
      reader.pages.flat_map(&:runs).each do |run|
        assert_operator run.x + run.width, :<=, 595 - 30, "#{designation}: #{run.text}"
        assert_operator run.y, :>=, 20, "#{designation}: #{run.text}"
      end
    end
  end
end
