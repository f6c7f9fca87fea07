# frozen_string_literal: true

require_relative "../support/core"
require_relative "../../lib/gimlet/core/ticket/ticket"

# Each kind of entry by an example written by hand: what it is called in the call, and what it makes of the ticket.
class EntryKindsTest < Minitest::Test
  Ticket = Gimlet::Core::Ticket
  AREAS = { "packings" => "packings", "oil_seals" => "oil seals" }.freeze

  # Kind => body, its words, and the fields of the ticket that are other than before.
  EXAMPLES = {
    "said" => [{ "words" => "8 bolts", "heard" => { "items" => [], "unheard" => [] } }, nil, {}],
    "answered" => [{ "reading" => { "trait" => "head_bolts", "value" => 8 }, "label" => "head bolts: 8" }, "head bolts: 8", {}],
    "not_sure" => [{ "trait" => "head_bolts" }, "not sure", {}],
    "taken_up" => [{ "words" => "hums", "of" => 1, "complaint" => "noise" }, "taken up by hand", {}],
    "measured" => [{ "what" => "flow", "measure" => { "bucket" => { "litres" => 20, "seconds" => 85, "nozzle" => "045" } }, "readings" => [] },
                   "measured: bucket: 20 litres in 85 s, nozzle 045", {}],
    "picked" => [{ "of" => 1, "choice" => 0, "option" => 0, "words" => "15 lpm", "items" => [] }, "meant", {}],
    "struck" => [{ "of" => 3, "item" => nil }, "struck out: line 3", {}],
    "restored" => [{ "of" => 3, "item" => nil }, "brought back: line 3", {}],
    "customer" => [{ "customer_id" => 4 }, "customer named", { customer_id: 4 }],
    "channel" => [{ "channel" => "photo" }, "photo", { channel: "photo" }],
    "work" => [{ "areas" => %w[packings oil_seals], "agreed" => true, "pumps" => 2, "positions" => { "packings" => ["cylinder 2"] } },
               "agreed: packings cylinder 2, oil seals: 2 pumps",
               { scope: %w[packings oil_seals], agreed: true, pumps: 2, at: { "packings" => ["cylinder 2"] } }],
    "extent" => [{ "extent" => "leak_only" }, Gimlet::Core::Extent::NAMES.fetch("leak_only"), { extent: "leak_only" }],
    "checked" => [{ "check" => "nozzle_big", "result" => "yes" }, "nozzle big: yes", { checked: { "nozzle_big" => "yes" } }],
    "inspected" => [{ "slot" => "hp_seal", "position" => "cylinder 1", "outcome" => nil, "measured" => { "wear_mm" => 0.2 } },
                    "hp seal, cylinder 1: wear_mm 0.2",
                    { findings: [{ slot: "hp_seal", position: "cylinder 1", outcome: nil, measured: { "wear_mm" => 0.2 } }] }],
    "had" => [{ "number" => "PW-1", "quantity" => 2 }, "the customer has 2 × PW-1", { had: { "PW-1" => 2 } }],
    "owns" => [{ "tool" => "hex 6", "has" => false }, "the customer has no hex 6", { owned: { "hex 6" => nil } }],
    "handed" => [{ "tool" => "seal driver", "how" => "lent" }, "seal driver: lent", { handed: { "seal driver" => "lent" } }],
    "entered" => [{ "pump" => "X", "fastener" => "head_bolts", "value" => 22, "unit" => "N·m", "source" => "sheet 4" },
                  "head bolts: 22 N·m, from sheet 4",
                  { entered: { "head_bolts" => { pump: "X", value: 22, unit: "N·m", source: "sheet 4" } } }],
    "pump" => [{ "id" => "TK4L20" }, "TK4L20 taken by hand", { chosen: "TK4L20" }],
    "settled" => [{ "doubt" => "head_bolts 9", "reason" => "he counted twice" }, "“head bolts 9” stands: he counted twice",
                  { settled: { "head_bolts 9" => "he counted twice" } }],
    "plan" => [{ "policy" => "cheapest" }, "buy #{Gimlet::Core::KitPlan::POLICIES.fetch('cheapest')}", { policy: "cheapest" }],
    "fixed" => [{ "number" => "PW-1", "quantity" => 3, "reason" => "a spare" }, "PW-1 set to 3: a spare",
                { fixed: [{ number: "PW-1", quantity: 3, reason: "a spare" }] }],
    "also" => [{ "number" => "PW-2", "quantity" => 1, "reason" => "for the shelf" }, "1 × PW-2 added: for the shelf",
               { also: [{ number: "PW-2", quantity: 1, reason: "for the shelf" }] }],
    "extension" => [{ "lever_mm" => 300, "extension_mm" => 60, "angle_deg" => 90 }, "an extension of 60 mm turned 90° on a lever of 300 mm",
                    { extension: { lever_mm: 300, extension_mm: 60, angle_deg: 90 } }],
    "hazard_raised" => [{ "hazard" => "low_oil" }, "STOP: low oil", {}],
    "hazard_lifted" => [{ "hazard" => "low_oil", "reason" => "filled to the mark" }, "lifted, low oil: filled to the mark", {}],
    "stop_told" => [{ "hazard" => "low_oil", "words" => "fill it" }, "told the caller, low oil: fill it", {}],
    "unit" => [{ "unit" => "lbf·ft" }, "torques in lbf·ft", { unit: "lbf·ft" }],
    "wanted" => [{ "by" => "2026-12-04" }, "wanted by 2026-12-04", { wanted: "2026-12-04" }],
    "sighted" => [{ "due_on" => "2026-05-04" }, "kept as a pump that is not on file: they hear by 2026-05-04",
                  { state: "sighted", sighted: { at: Time.at(0), due_on: "2026-05-04" } }],
    "closed" => [{ "reason" => "rang off" }, "closed: rang off", { state: "closed" }],
    "reopened" => [{ "reason" => "rang again" }, "opened again: rang again", {}],
    "ordered" => [{ "order_id" => 7, "reason" => nil }, "saved as order 7", { state: "ordered", order_id: 7 }]
  }.freeze

  # Kind => a body that takes back what the example said, where it can be taken back.
  TAKEN_BACK = {
    "customer" => { "customer_id" => nil }, "checked" => { "check" => "nozzle_big", "result" => nil }, "pump" => { "id" => nil },
    "inspected" => { "slot" => "hp_seal", "position" => "cylinder 1", "outcome" => nil, "measured" => nil },
    "had" => { "number" => "PW-1", "quantity" => 0 }, "wanted" => { "by" => nil }, "handed" => { "tool" => "seal driver", "how" => nil },
    "entered" => { "pump" => "X", "fastener" => "head_bolts", "value" => nil }, "settled" => { "doubt" => "head_bolts 9", "reason" => nil },
    "fixed" => { "number" => "PW-1", "quantity" => nil }, "also" => { "number" => "PW-2", "quantity" => nil },
    "extension" => { "lever_mm" => nil, "extension_mm" => nil }, "reopened" => nil
  }.freeze

  def folded(*entries)
    list = entries.each.with_index(1).map { |(kind, body), at| Gimlet::Core::Entry.new(number: at, kind: kind, body: body, at: Time.at(0), who: "Ada") }
    Ticket::TicketState.of(list).to_h.except(:lines, :last)
  end

  # Another day is another day by which they hear, not another day on which it was seen.
  def test_a_pump_not_on_file_was_seen_when_it_was_first_kept
    list = [[1, "2026-05-04"], [2, "2026-05-11"]].map do |at, day|
      Gimlet::Core::Entry.new(number: at, kind: "sighted", body: { "due_on" => day }, at: Time.at(at), who: "Ada")
    end
    assert_equal({ at: Time.at(1), due_on: "2026-05-11" }, Ticket::TicketState.of(list).sighted)
  end

  def test_every_kind_has_its_example = assert_equal(Ticket::Kinds::ALL.keys.sort, EXAMPLES.keys.sort)

  EXAMPLES.each do |kind, (body, words, made)|
    define_method("test_#{kind}") do
      told = Ticket::Kinds.of(kind).words(body, AREAS)
      words ? assert_equal(words, told) : assert_nil(told)
      before = folded
      after = folded([kind, body])
      assert_equal(made, after.reject { |field, value| value == before[field] })
      back = TAKEN_BACK[kind] and assert_equal(before, folded([kind, body], [kind, back]), "taken back")
    end
  end

  # Dangers are told of, and lifted, at any time.
  SAFETY = %w[hazard_raised hazard_lifted stop_told].freeze

  # A ticket that is ordered or closed takes nothing more, but for being opened again; an open one is not opened.
  def test_what_may_follow
    ordered = Ticket::TicketState.of([Gimlet::Core::Entry.new(number: 1, kind: "ordered", body: { "order_id" => 7 }, at: Time.at(0), who: "Ada")])
    Ticket::Kinds::ALL.except("ordered", "struck", "restored", *SAFETY).each do |id, kind|
      refused = begin
        kind.follow({}, ordered)
        nil
      rescue Gimlet::Core::InputError => e
        e.code
      end
      assert_equal id != "reopened", refused == "ordered", id
    end
    SAFETY.each { |id| assert_nil Ticket::Kinds.of(id).follow({}, ordered) }
    assert_equal("open", assert_raises(Gimlet::Core::InputError) { Ticket::Kinds.of("reopened").follow({}, Ticket::TicketState.of([])) }.code)
  end
end
