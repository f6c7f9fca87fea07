# frozen_string_literal: true

require_relative "../support/app"
require "pdf/reader"

# The card of the largest order of every series, read back as a bench reads it.
class CardsTest < Minitest::Test
  include SeededApp

  # Others with another seed: reading a card back takes its time.
  MOST = 12

  def reference = @reference ||= Gimlet::Counter::References.new(database).current
  def work = @work ||= Gimlet::Counter::WorkOnTicket.new(reference, Gimlet::Store::Stock.new(database).all, Gimlet::Store::Customers.new(database))

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

  def read(order)
    reader = PDF::Reader.new(StringIO.new(Gimlet::Exchange::Card.call({ id: 7, record: order, customer: "Nannyfield", created_at: Time.now })))
    assert_operator reader.page_count, :<=, 3, order["pump"]["model"]
    squeezed(reader.pages.map { |page| without_foot(page.text) }.join)
  end

  # A sentence may go on over the page.
  def without_foot(text) = text.lines.reject { |line| line.strip.empty? }[0..-2].join

  def test_every_part_torque_caution_and_direction_stands_on_the_card
    reference.snapshot.series.sample(MOST, random: Random.new(Minitest.seed)).each do |series|
      pumps = reference.snapshot.variants.select { |one| one.series == series }
      pump = pumps.max_by { |one| series.stacks.sum { |stack| stack.layers_of(one).size } }
      order = record(pump)
      card = read(order)
      wanted = order["parts"]["lines"].map { |line| line["number"] } + order["parts"]["unfilled"].map { |line| line["name"] } + order["cautions"] +
               order["tightening"].map { |one| one["text"] } + order["stacks"].flat_map do |stack|
                                                                 stack["layers"].filter_map do |layer|
                                                                   layer["facing"]
                                                                 end
                                                               end +
               order["keep"].map { |one| one["name"] } + order["steps"].flat_map { |step| step["text"] } + order["tools"].map { |tool| tool["name"] }
      missing = wanted.reject { |text| card.include?(squeezed(text)) }
      assert_empty missing, pump.id
    end
  end

  def test_the_torque_strip_is_one_page_with_every_value
    %w[PG50L MGL40 UX3800 SC325L TK4L20].each do |designation|
      order = record(reference.snapshot.variants_of(designation).last)
      %w[A4 LETTER].each do |paper|
        reader = PDF::Reader.new(StringIO.new(Gimlet::Exchange::TorqueStrip.call({ id: 7, record: order }, paper: paper)))
        assert_equal 1, reader.page_count, designation
        text = squeezed(reader.pages.first.text)
        order["tightening"].each { |one| one["rounds"].each { |round| assert_includes text, squeezed(round), "#{designation} #{one['name']}" } }
      end
    end
    error = assert_raises(Gimlet::Core::InputError) { Gimlet::Exchange::TorqueStrip.call({ id: 7, record: {} }, paper: "A9") }
    assert_equal "unknown_paper", error.code
  end

  # No box runs over another or off the page: every line of text lies within the margins.
  def test_no_text_leaves_the_page
    %w[PG50L HBL20 UX3800].each do |designation|
      order = record(reference.snapshot.variants_of(designation).first)
      reader = PDF::Reader.new(StringIO.new(Gimlet::Exchange::Card.call({ id: 7, record: order, customer: nil, created_at: Time.now })))
      reader.pages.flat_map(&:runs).each do |run|
        assert_operator run.x + run.width, :<=, 595 - 30, "#{designation}: #{run.text}"
        assert_operator run.y, :>=, 20, "#{designation}: #{run.text}"
      end
    end
  end
end
