# frozen_string_literal: true

require "minitest/autorun"
require "pdf/reader"
require_relative "../../lib/gimlet/core/order/life"
require_relative "../../lib/gimlet/core/desk/loan"
require_relative "../../lib/gimlet/exchange/paper/delivery_note"
require_relative "../../lib/gimlet/exchange/paper/labels"
require_relative "../../lib/gimlet/exchange/paper/quote"
require_relative "../../lib/gimlet/exchange/purchase_csv"
require_relative "../../lib/gimlet/exchange/due_calendar"
require_relative "../../lib/gimlet/core/desk/due"

# What goes to the customer on paper: what is on it adds up, and says what is still to come.
class PapersTest < Minitest::Test
  Order = Gimlet::Core::Order
  Paper = Gimlet::Exchange::Paper

  LACKING = { "quantity" => 2, "name" => "spring", "part" => "X-9", "reason" => "no price on file", "stand_ins" => [], "by_hand" => false }.freeze
  LINE = { "number" => "A-1", "name" => "A-1 ring", "quantity" => 2, "short" => 1, "covers" => { "A-1" => 1 } }.freeze
  # Two cylinders with a ring and a spring each.
  STACK = { "id" => "packing", "name" => "packing", "positions" => ["cylinder 1", "cylinder 2"],
            "drawing" => { "length_mm" => 20, "radius_mm" => 10, "pieces" => [0, 10].map do |x|
              { "x_mm" => x, "width_mm" => 8, "outlines" => [[[x, 5], [x + 8, 5], [x + 8, 9], [x, 9]]], "circles" => [] }
            end },
            "layers" => [%w[ring A-1], %w[spring X-9]].map do |name, part|
              { "name" => name, "part" => part, "fates" => %w[replace replace] }
            end }.freeze
  RECORD = { "pump" => { "maker" => "Pellwick", "model" => "TK4R20", "serials" => "from 31000" },
             "work" => { "areas" => [{ "name" => "packings" }], "pumps" => 1 }, "reason" => "they have springs", "stacks" => [STACK],
             "parts" => { "lines" => [LINE], "unfilled" => [LACKING], "surplus" => [] }, "why" => [{ "part" => "A-1", "had" => 0 }] }.freeze

  def order(**told)
    Order.new(id: 7, version: 1, versions: [], customer: "Säl & Söner", created_at: Time.utc(2026, 11, 29), discount: "0", record: RECORD, **told)
  end

  def good(number, **told)
    Order::Good.new(number: number, name: "#{number} ring", wanted: 2, along: 0, price_cents: 1050, pack: 1, **Order::Goods::NOTHING, **told)
  end

  def life(*goods, stage: "open", loans: []) = Order::Life.new(id: 7, stage: stage, goods: goods, loans: loans)

  def text(pdf) = PDF::Reader.new(StringIO.new(pdf)).pages.map(&:text).join("\n").gsub(/\s+/, " ")
  def job(order, life) = Paper::OrderPaper::Job.new(order: order, life: life, total: life.total(order.discount, "21"))
  def note(order, life) = text(Paper::DeliveryNote.call([job(order, life)]))

  # By hand: 2 × 10.50 = 21.00, less 10 % = 18.90, tax 3.97 (3.969), to pay 22.87.
  def test_a_quote_adds_up
    offered = life(good("A-1"), good("B-2", along: 2), stage: "quoted")
    told = text(Paper::Quote.call([job(order(discount: "10", valid_until: "2026-12-13"), offered)]))
    ["Quote, order 7", "Säl & Söner", "29 November 2026", "These prices stand until 13 December 2026", "2 A-1 A-1 ring €10.50 €21.00",
     "less 10 % −€2.10", "tax, 21 % €3.97", "to pay €22.87", "half a cent up", "2 × B-2 B-2 ring, €10.50 each",
     "NOT IN THE BAG: 2 × spring X-9, needed for packing, cylinder 1, 2: no price on file.", "Agreed so: they have springs.",
     "TO COME: ring for packing, cylinder 2."].each { |piece| assert_includes told, piece }
  end

  def test_a_delivery_note_has_what_goes_and_what_is_still_to_come
    told = note(order, life(good("A-1", wanted: 3, bagged: 1, handed: 1), good("B-2", along: 2, bagged: 2)))
    assert_operator told.index("NOT IN THE BAG"), :<, told.index("2 A-1"), "what is missing comes first"
    ["2 A-1", "€21.00", "The whole order comes to €38.12", "Along in case: bring back what is not used 2 × B-2", "Still to come 1 × A-1",
     "NOT IN THE BAG: 2 × spring X-9, needed for packing, cylinder 1, 2: no price on file.", "a hole stays empty"]
      .each { |piece| assert_includes told, piece }
    refute_includes told, "to pay", "a part delivery is not settled by itself"
  end

  # A line of the drawing is an operator of the page (ISO 32000-1, table 59: m, l, c, h, re).
  def test_a_hole_is_drawn_and_what_is_whole_is_not
    strokes = ->(life, of = RECORD) { PDF::Reader.new(StringIO.new(Paper::DeliveryNote.call([job(order(record: of), life)]))).pages.sum { |page| page.raw_content.scan(/ l$/).size } }
    whole = RECORD.merge("stacks" => [STACK.merge("layers" => STACK["layers"].first(1),
                                                  "drawing" => STACK["drawing"].merge("pieces" => STACK["drawing"]["pieces"].first(1)))])
    here = life(good("A-1", bagged: 2))
    assert_operator strokes.call(life(good("A-1", bagged: 1)), whole), :>=, strokes.call(here, whole) + 6,
                    "a ring of four corners, above and below the axis"
  end

  # The shop's line stands at the foot of each page, its name at the head of the first.
  def test_the_shop_stands_on_its_paper
    face = Gimlet::Core::Desk::ShopFace.of("name" => "Skarrow Pump Spares", "address" => "Outer Quay 3\n\nSkarrow", "terms" => "14 days")
    goods = Array.new(60) { |at| good("A-#{at}", bagged: 2) }
    pages = PDF::Reader.new(StringIO.new(Paper::DeliveryNote.call([job(order, life(*goods))], on: Paper::Stationery.of(face: face)))).pages
    assert_operator pages.size, :>, 1
    pages.each { |page| assert_equal 1, page.text.scan("14 days").size, "page #{page.number}" }
    assert_equal ["Skarrow Pump Spares", "Outer Quay 3", "Skarrow"], pages.first.text.split("\n").map(&:strip).reject(&:empty?).first(3)
  end

  # Everything that is charged stands in the table, and nothing else.
  def test_a_settled_note_adds_up
    goods = [good("A-1", handed: 2, returned: 1), good("B-2", along: 2, handed: 2, returned: 1)]
    closed = note(order, life(*goods, stage: "closed"))
    ["1 A-1 A-1 ring €10.50 €10.50", "1 B-2 B-2 ring €10.50 €10.50", "goods €21.00", "to pay €25.41"].each do |piece|
      assert_includes closed, piece
    end
    handed = note(order, life(*goods, stage: "handed_over"))
    assert_includes handed, "goods €10.50", "what went along is not charged yet"
    assert_includes handed, "1 × B-2 B-2 ring, €10.50 each: charged only when kept"
  end

  def test_lent_tools_stand_on_it
    tool = Gimlet::Core::Desk::Loan.new(tag: "PW-T11/1", name: "guide pins", state: "out", order_id: 7, until: Date.new(2026, 12, 6),
                                        deposit_cents: 2550)
    assert_includes note(order, life(good("A-1", bagged: 2), loans: [tool])), "PW-T11/1 guide pins, until 6 December 2026, deposit €25.50"
  end

  def test_a_sheet_holds_two_dozen_labels
    labels = Array.new(25) { |at| Paper::Labels::Label.new(code: "A-#{at}", strong: "A-#{at}", lines: ["ring #{at}", "shelf B#{at}"]) }
    reader = PDF::Reader.new(StringIO.new(Paper::Labels.call(labels)))
    assert_equal 2, reader.page_count
    assert_includes reader.pages.first.text, "shelf B23"
    assert_includes reader.pages.last.text, "ring 24"
    assert_equal 1, PDF::Reader.new(StringIO.new(Paper::Labels.call([]))).page_count
  end

  def test_a_purchase_is_a_table_that_anybody_reads
    purchase = { id: 3,
                 lines: [{ number: "A-1", quantity: 4, price_cents: 4165, received: 1 },
                         { number: "B;2", quantity: 1, price_cents: nil, received: 0 }] }
    assert_equal [%w[purchase number quantity price received], %w[P-3 A-1 4 41.65 1], ["P-3", "B;2", "1", nil, "0"]],
                 CSV.parse(Gimlet::Exchange::PurchaseCSV.call(purchase))
  end

  # Long lines are folded, commas escaped (RFC 5545 3.1, 3.3.11); read back by the icalendar gem's parser.
  def test_a_calendar_of_strange_names
    row = { id: 9, name: "Ærø, Sæl & Söner; \"North\"", place: "quay 4, shed\\2", phone: "0160", designation: "X" * 90, due_on: "2027-02-28" }
    reasons = [Gimlet::Core::Desk::Due::Reason.new(on: nil, text: "rod seal; ask"), Gimlet::Core::Desk::Due::Reason.new(on: nil, text: "asked for")]
    text = Gimlet::Exchange::DueCalendar.call([[row, reasons]])
    assert text.lines.all? { |line| line.chomp.bytesize <= 75 }, "no line is longer than 75 octets"
    event = Icalendar::Calendar.parse(text).first.events.first
    assert_equal ["Ring #{row[:name]}: #{row[:designation]} is due", row[:place], "0160\nrod seal; ask\nasked for"],
                 [event.summary, event.location, event.description].map(&:to_s)
  end
end
