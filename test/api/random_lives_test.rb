# frozen_string_literal: true

require_relative "../support/app"
require_relative "../support/shop"

# Orders that live at random: pieces short, scanned once too often, put back, amended, handed over in parts, returned. However it goes, the places of
# the work stand as the ledger counts the pieces, what is not in the bag is on the papers, and no scan hands anything over.
# LIVES=300 for more of them.
class RandomLivesTest < Minitest::Test
  include SeededApp
  include Shop

  LIVES = Integer(ENV.fetch("LIVES", 8))
  STEPS = 12
  JOBS = [["#{KNOWN}, packings", ["packings"]], ["plate DK420, packings", ["packings"]], ["plate SC325L, packings", ["packings"]],
          ["plate TK4L18, serial 30211, inlet valves", ["inlet_valves"]], ["plate PG50L, packings", ["packings"]]].freeze
  STANDS = { "out" => ->(good) { good["handed"] - good["returned"] }, "bag" => ->(good) { good["bagged"] }, "shelf" => ->(good) { good["reserved"] },
             "coming" => ->(good) { good["wanted"] - good["bagged"] - good["handed"] - good["reserved"] } }.freeze

  def test_places_are_the_ledger_at_every_step
    @random = Random.new(Minitest.seed)
    LIVES.times { |at| live("life #{at}, seed #{Minitest.seed}") }
  end

  private

  def live(note)
    words, areas = JOBS.sample(random: @random)
    database[:stock].update(on_hand: Sequel.lit("min(on_hand, ?)", @random.rand(0..3))) if database[:goods].empty?
    order = save(agreed(words: words, areas: areas, pumps: @random.rand(1..2), plan: [nil, "on_shelf", "cheapest"].sample(random: @random)),
                 reason: "as it is")
    STEPS.times do
      act(order)
      order = fetch(order)
      holds(order, note) unless order["state"] == "cancelled"
    end
    papers(order, note) unless order["state"] == "cancelled"
  end

  def act(order)
    number = order["goods"].map { |good| good["number"] }.sample(random: @random)
    case @random.rand(13)
    when 0..3 then scan(order, [number, "NONSENSE", ""].sample(random: @random), %w[pick check].sample(random: @random))
    when 4 then pick_all(order)
    when 5 then step(order, "put_back", number: number, quantity: 1)
    when 6 then step(order, "hand_over", how: "fetched", to: ["Per", ""].sample(random: @random), reason: [nil, "in a hurry"].sample(random: @random))
    when 7 then step(order, "take_back", number: number, quantity: 1, because: @random.rand(2).zero? ? "faulty" : "unused", to_shelf: false)
    when 9, 10 then step(order, "undo")
    when 11 then step(order, "cancel", reason: "rang off", handed: [nil, "shelf", "scrapped", "kept"].sample(random: @random))
    when 8 then send_json("POST", "/api/movements", entry("received", number: number, quantity: 1))
    else check_all(order)
    end
    refute_equal 500, last_response.status, last_response.body
    scanned_only(order) if last_request.path.end_with?("/scans")
  end

  def scanned_only(order)
    handed = order["goods"].sum { |good| good["handed"] }
    assert_equal handed, fetch(order)["goods"].sum { |good| good["handed"] }, "a scan hands over nothing"
  end

  # By hand from goods and lines: of each wanted number, how many pieces stand where, the surest first.
  def holds(order, note)
    record, stands = order["record"], Hash.new(0)
    record["why"].each do |why|
      left = why["quantity"]
      { "own" => why["had"], **STANDS.to_h { |how, _| [how, pieces(order, why["part"], how)] } }.each do |how, pieces|
        taken = [left, pieces].min
        stands[how] += taken
        left -= taken
      end
      stands["open"] += left
    end
    stands["open"] += record["parts"]["unfilled"].select { |row| row["part"].nil? }.sum { |row| row["quantity"] }
    assert_equal stands.reject { |_, count| count.zero? }, told(order["places"]), note
  end

  # Of what is sold alone: what goes along in case fills no place.
  def pieces(order, part, how)
    order["record"]["parts"]["lines"].select { |line| line["covers"].key?(part) }.sum do |line|
      good, left = good(order, line["number"]), line["quantity"]
      units = STANDS.to_h do |stand, count|
        taken = [left, count.call(good)].min
        left -= taken
        [stand, taken]
      end
      (units[how] * line["covers"][part]).round
    end
  end

  def told(places)
    names = { "the customer has it" => "own", "with the customer" => "out", "in the bag" => "bag", "on the shelf" => "shelf", "to come" => "coming",
              "left out" => "open", "empty" => "open" }
    places["says"].scan(/(\d+) ([a-z ]+)(?:,|$)/).each_with_object(Hash.new(0)) { |(count, how), all| all[names.fetch(how)] += count.to_i }
  end

  def papers(order, note)
    squeezed = ->(text) { text.gsub(/\s+/, "") }
    %w[note card label].each do |name|
      text = squeezed.call(paper(order, name))
      order["places"]["lacking"].first(2).each do |told|
        assert_includes text, squeezed.call(name == "label" ? told[0, 30] : told), "#{name}, #{note}"
      end
    end
  end
end
