# frozen_string_literal: true

require_relative "../support/core"
require "date"
require "gimlet/core/order/next_step"

# An order's life: every state by every step by every role, and what each does to the ledger.
class OrderLifeTest < Minitest::Test
  Order = Gimlet::Core::Order
  Desk = Gimlet::Core::Desk

  def good(**sums)
    Order::Good.new(number: "A-1", name: "seal", wanted: 2, along: 0, price_cents: 500, pack: 1, **Order::Goods::NOTHING, **sums)
  end

  def life(stage = "open", goods = [good], loans: [])
    Order::Life.new(id: 7, stage: stage, goods: goods, loans: loans, valid_until: Date.new(2026, 12, 1), today: Date.new(2026, 11, 29), discount: "0")
  end

  # By hand: what each state looks like on the shelf and in the bag.
  STATES = {
    "quoted" => ["quoted", {}], "ordered" => ["open", { reserved: 2 }], "waiting" => ["open", { reserved: 1 }],
    "picked" => ["open", { bagged: 2, checked: 1 }], "checked" => ["open", { bagged: 2, checked: 2 }],
    "handed_over" => ["handed_over", { handed: 2 }], "closed" => ["closed", { handed: 2 }], "cancelled" => ["cancelled", {}]
  }.freeze

  # By hand, from what a counter does: state => what may be done. Common practice, no source.
  MAY = {
    "quoted" => %w[amend prolong accept discount name undo cancel],
    "ordered" => %w[amend discount name serve_first pick put_back check check_alone hand_over lend tool_back take_back undo cancel],
    "waiting" => %w[amend discount name serve_first pick put_back check check_alone hand_over lend tool_back take_back undo cancel],
    "picked" => %w[amend discount name put_back check check_alone hand_over lend tool_back take_back undo cancel],
    "checked" => %w[amend discount name put_back hand_over lend tool_back take_back undo cancel],
    "handed_over" => %w[name lend tool_back take_back close undo cancel], "closed" => %w[name take_back undo], "cancelled" => %w[amend name undo]
  }.freeze

  FREE = Desk::Loan.new(tag: "PW-T11/1", number: "PW-T11", name: "guide pins", price_cents: 2500)
  OUT = FREE.with(state: "out", order_id: 7, until: Date.new(2026, 12, 1), customer: "Hollin Orchard", deposit_cents: 2500)

  BENCH = %w[pick put_back check check_alone].freeze
  # They rest on what was done before, and on who did it.
  RESTING = %w[check_alone undo].freeze

  # What each step is sent with, where it can be done.
  BODIES = {
    "prolong" => { "until" => "2026-12-24" }, "serve_first" => { "reason" => "boat sails tonight" },
    "discount" => { "percent" => "5" }, "name" => { "customer_id" => 1 },
    "pick" => { "number" => "A-1", "quantity" => 1 }, "put_back" => { "number" => "A-1", "quantity" => 1 },
    "check" => { "number" => "A-1", "quantity" => 1 }, "hand_over" => { "how" => "fetched", "to" => "Per", "reason" => "in a hurry" },
    "take_back" => { "number" => "A-1", "quantity" => 1, "because" => "unused", "to_shelf" => true },
    "cancel" => { "reason" => "rang off", "handed" => "shelf" }, "amend" => { "reason" => "fewer", "wanted" => { "A-1" => 1 } },
    "accept" => {}, "close" => {}, "lend" => { "tool" => "PW-T11/1", "found" => FREE, "until" => "2026-12-06", "deposit" => "25" },
    "tool_back" => { "tool" => "PW-T11/1", "condition" => "good" }
  }.freeze

  def in_state(state) = STATES.fetch(state).then { |stage, sums| life(stage, [good(**sums)]) }

  def test_every_state_by_every_step_by_every_role
    STATES.each_key do |state|
      assert_equal state, in_state(state).state
      Order::Steps::ALL.each_value do |step|
        next if %w[quote place].include?(step.id)

        assert_equal MAY.fetch(state).include?(step.id), step.from?(in_state(state)), "#{step.id} from #{state}"
        %w[counter bench keeper owner].each do |role|
          assert_equal %w[counter owner].include?(role) || BENCH.include?(step.id), step.for?(role), "#{step.id} by #{role}"
          assert_equal step.from?(in_state(state)) && step.for?(role), Order::Steps.may(in_state(state), role).include?(step.id)
        end
        next if RESTING.include?(step.id)

        step.from?(in_state(state)) ? done(step, state) : refused(step, state)
      end
    end
  end

  # By hand: state => what comes next, by scan, by a press, by a form. Common practice, no source.
  NEXT = {
    "quoted" => [nil, %w[accept], %w[prolong]], "ordered" => ["pick", [], []], "waiting" => ["pick", [], %w[serve_first]],
    "picked" => ["check", [], %w[hand_over]], "checked" => [nil, [], %w[hand_over]],
    "handed_over" => [nil, %w[close], %w[take_back]], "closed" => [nil, [], %w[take_back]], "cancelled" => [nil, [], []]
  }.freeze

  def test_what_comes_next
    STATES.each_key do |state|
      nexts = Order::NextStep.of(in_state(state), MAY.fetch(state))
      assert_equal NEXT.fetch(state), [nexts.scan&.fetch(:kind), nexts.buttons.map { |one| one[:kind] }, nexts.forms], state
    end
    assert_equal "Waits for 1 × A-1 seal.", Order::NextStep.of(in_state("waiting"), []).says
    assert_nil Order::NextStep.of(in_state("ordered"), []).says
    assert_match(/nothing more/, Order::NextStep.of(in_state("closed"), []).says)
    assert_equal "A quote, valid until 2026-12-01.", Order::NextStep.of(in_state("quoted"), []).says
    assert_nil Order::NextStep.of(in_state("ordered"), %w[amend]).scan, "who may not pick is not asked to"
    bags = { "ordered" => [false, true], "waiting" => [false, true], "picked" => [true, false], "checked" => [false, false] }
    bags.each { |state, told| assert_equal told, Order::NextStep.of(in_state(state), []).to_h.values_at(:unchecked, :part), state }
    assert_equal %w[hand_over], Order::NextStep.of(life("open", []), %w[hand_over]).forms, "tools alone are handed over too"
    assert_empty Order::NextStep.of(life("closed", [good(handed: 2, returned: 2)]), %w[take_back]).forms, "all of it is back"
    half = life("open", [good(reserved: 1, bagged: 1), good.with(number: "A-2", bagged: 1, wanted: 1)])
    assert_equal({ kind: "pick", name: "Scan each piece into the bag", codes: %w[A-1] }, Order::NextStep.of(half, %w[pick check]).scan)
    assert_equal %w[A-1 A-2], Order::NextStep.of(half, %w[check]).scan[:codes]
  end

  def step_of(kind, who, **body) = Gimlet::Core::Entry.new(number: 1, kind: kind, body: body.transform_keys(&:to_s), at: Time.at(0), who: who)

  def test_what_is_printed_and_with_what
    ids = ->(state, benched) { Order::Papers.of(state, benched: benched).map(&:id) }
    assert_equal %w[quote card strip label], ids.call("quoted", true)
    assert_equal %w[card strip note label], ids.call("ordered", false)
    assert_includes ids.call("closed", true), "torques"
    quote, order, gone = life("quoted"), life, life("cancelled")
    assert_equal([true, false, false], [quote, order, gone].map { |other| quote.same_paper?(other) })
    assert_equal([false, true, false], [quote, order, gone].map { |other| order.same_paper?(other) })
  end

  # Two people, or a word why there is one. Common practice, no source.
  def test_another_person_checks
    picked = [step_of("pick", "Ines", number: "A-1", quantity: 2)]
    bag = life("open", [good(bagged: 2), good(bagged: 1).with(number: "B-2")]).with(done: picked, who: "Ines")
    assert_match(/You picked A-1 yourself/, refusal("check", BODIES["check"], bag).message)
    assert Order::Steps::Check.call(BODIES["check"].merge("number" => "B-2"), bag), "that one somebody else picked"
    assert Order::Steps::Check.call(BODIES["check"], bag.with(who: "Oddny"))
    assert Order::Steps::Check.call(BODIES["check"], bag.with(who: nil)), "where nobody says who they are"
    assert_equal %w[check_alone], Order::NextStep.of(bag, %w[check_alone]).forms
    assert_empty Order::NextStep.of(bag.with(who: "Oddny"), %w[check_alone]).forms
    assert_match(/few words/, refusal("check_alone", { "reason" => "no" }, bag).message)
    assert_match(/nothing of order 7/, refusal("check_alone", { "reason" => "alone here" }, bag.with(who: "Oddny")).message)
    alone = bag.with(done: [*picked, step_of("check_alone", "Ines", reason: "alone here")])
    assert Order::Steps::Check.call(BODIES["check"], alone)
    assert_empty Order::NextStep.of(alone, %w[check_alone]).forms, "it is said once"
    assert_equal "checked by who picked: alone here", Order::Steps::CheckAlone.words({ "reason" => "alone here" })
    assert_match(/yourself/,
                 refusal("check", BODIES["check"],
                         alone.with(done: alone.done + [step_of("pick", "Per", number: "A-1", quantity: 1)], who: "Per")).message)
  end

  # Every step that can be undone leaves pieces and stage as they were before it.
  def test_the_last_step_is_undone
    { "pick" => [good(reserved: 2)], "check" => [good(bagged: 2)], "put_back" => [good(bagged: 2, checked: 2)], "close" => [good(handed: 2)],
      "hand_over" => [good(bagged: 2, checked: 1)], "take_back" => [good(handed: 2)], "cancel" => [good(handed: 2)] }
      .each do |kind, goods|
      before = life(%w[close cancel].include?(kind) ? "handed_over" : "open", goods)
      outcome = Order::Steps.check(kind, before).call(BODIES.fetch(kind, {}), before)
      after = moved(before, outcome.movements).with(stage: outcome.stage || before.stage, done: [step_of(kind, "Ines", **outcome.body)])
      assert_includes Order::NextStep.of(after, %w[undo]).buttons,
                      { kind: "undo", name: "Undo: #{Order::Steps::ALL.fetch(kind).words(outcome.body)}", quiet: true }, kind
      undone = Order::Steps::Undo.call({}, after)
      assert_equal before.goods, moved(after, undone.movements).goods, kind
      assert_equal before.stage, undone.stage || after.stage, kind
      assert_equal "undone: #{Order::Steps::ALL.fetch(kind).words(outcome.body)}", Order::Steps::Undo.words(undone.body)
    end
  end

  def undone(kind, body, before)
    outcome = Order::Steps::ALL.fetch(kind).call(body, before)
    after = moved(before, outcome.movements).with(stage: outcome.stage || before.stage, done: [step_of(kind, "Ines", **outcome.body)])
    [after, Order::Steps::Undo.call({}, after)]
  end

  # What came back another way is undone that way; what a cancelled order had in its bag is on the shelf by now, and what was kept is theirs.
  def test_undone_as_it_was_done
    kinds = ->(told) { told.last.movements.map { |one| [one.kind, one.quantity] } }
    away = BODIES["take_back"].merge("to_shelf" => false)
    assert_equal [["not_stays_out", 1]], kinds.call(undone("take_back", away, life("open", [good(handed: 2)])))
    cancel = ->(handed, goods) { undone("cancel", { "reason" => "rang off", "handed" => handed }, life("open", [goods])) }
    assert_equal [["not_stays_out", 1]], kinds.call(cancel.call("scrapped", good(handed: 2, returned: 1)))
    assert_equal [["not_returned", 2]], kinds.call(cancel.call("shelf", good(handed: 2)))
    assert_empty kinds.call(cancel.call("kept", good(handed: 2)))
    assert_match(/\A1 piece is with the customer/, refusal("cancel", { "reason" => "rang off" }, life("open", [good(handed: 1)])).message)
    assert_match(/\A2 pieces are with the customer/, refusal("cancel", { "reason" => "rang off" }, life("open", [good(handed: 2)])).message)
    assert_equal(["open", []], cancel.call(nil, good(bagged: 2)).last.then { |told| [told.stage, told.movements] })
    assert_equal "quoted", undone("cancel", { "reason" => "rang off" }, life("quoted")).last.stage
    accepted = life("open", [good(reserved: 2)]).with(done: [step_of("accept", "Ines")])
    assert_equal(["quoted", [["released", 2]]], Order::Steps::Undo.call({}, accepted).then { |told| [told.stage, kinds.call([told])] })
  end

  # Steps of earlier versions did not keep what was: nothing is made up.
  def test_what_did_not_keep_what_was_is_not_taken_back
    steps = Gimlet::Core::Order::Steps
    assert_equal [nil, nil], [steps::Prolong.undo({ "until" => "2026-12-24" }, nil), steps::Discount.undo({ "percent" => "5" }, nil)]
  end

  def test_terms_and_tools_are_as_they_were
    assert_equal({ discount: "0" }, undone("discount", { "percent" => "5" }, life).last.columns)
    assert_equal({ valid_until: "2026-12-01" }, undone("prolong", { "until" => "24 dec" }, life("quoted")).last.columns)
    assert_equal({ state: "back", tag: "PW-T11/1" }, undone("lend", BODIES["lend"], life).last.loan)
    back = undone("tool_back", { "tool" => "PW-T11/1", "condition" => "worn" }, life("open", loans: [OUT])).last.loan
    assert_equal({ state: "out", tag: "PW-T11/1", deposit_cents: 2500, condition: OUT.condition, until: "2026-12-01" }, back)
  end

  def test_what_cannot_be_undone_says_so
    [nil, step_of("undo", "Ines"), step_of("discount", "Ines", percent: "5"), step_of("hand_over", "Ines", how: "fetched")].each do |last|
      after = life("open", [good(bagged: 2)]).with(done: [last].compact)
      assert_match(/cannot be undone/, refusal("undo", {}, after).message)
      assert_empty Order::NextStep.of(after, %w[undo]).buttons
    end
  end

  # What went out already is of what is wanted: four, two of them gone; three wanted leave one to come.
  def test_an_amended_order_counts_what_went_out
    amended = ->(sums, wanted) { Order::Steps::Amend.call({ "reason" => "fewer", "wanted" => { "A-1" => wanted } }, life("open", [good(**sums)])) }
    moved = ->(*of) { amended.call(*of).movements.to_h { |one| [one.kind, one.quantity] } }
    assert_equal({ "released" => 1 }, moved.call({ wanted: 4, handed: 2, reserved: 2 }, 3))
    assert_equal({}, moved.call({ wanted: 4, handed: 2, reserved: 2 }, 4))
    assert_equal({ "put_back" => 1, "released" => 1 }, moved.call({ wanted: 4, handed: 2, bagged: 2, checked: 0 }, 3))
    assert_equal({ "unchecked" => 1, "put_back" => 1, "released" => 1 }, moved.call({ wanted: 4, handed: 2, bagged: 2, checked: 2 }, 3))
  end

  def test_the_way_of_a_life
    way = Order::States.way("picked", quoted: false)
    assert_equal([["to pick", "behind"], ["to check", "now"], ["ready to fetch", "ahead"], ["handed over", "ahead"], %w[closed ahead]],
                 way.map { |stop| [stop.name, stop.at] })
    assert_equal "quote", Order::States.way("ordered", quoted: true).first.name
    assert_equal ["waiting for parts", "now"], Order::States.way("waiting", quoted: false).first.to_h.values_at(:name, :at)
    assert_equal "cancelled", Order::States.way("cancelled", quoted: true).find { |stop| stop.at == "now" }.name
    assert_equal %w[ordered picked checked waiting handed_over quoted], Order::States.piled.map(&:id)
    assert_equal %w[quoted ordered waiting picked checked], Order::States.open
    assert_equal %w[closed cancelled], Order::States.ids - Order::States.live
  end

  # What may be done moves only what its row of the table says, and leaves nothing below zero. Where pieces are not at hand it is refused.
  def done(step, state)
    here = in_state(state)
    outcome = step.call(BODIES.fetch(step.id), here)
    assert_empty outcome.movements.map(&:kind).uniq - step::EFFECT - ["released"], "#{step.id} from #{state}"
    after = moved(here, outcome.movements)
    assert_operator after.goods.first.to_h.slice(*Order::Goods::NOTHING.keys).values.min, :>=, 0, "#{step.id} from #{state}"
    refute_empty step.words(outcome.body)
  rescue Gimlet::Core::InputError => e
    assert_match(/\.\z/, e.message)
    assert_includes %w[pick put_back check hand_over take_back tool_back amend], step.id, "#{step.id} from #{state}: #{e.message}"
  end

  def refused(step, state)
    error = assert_raises(Gimlet::Core::InputError) { Order::Steps.check(step.id, in_state(state)) }
    assert_match(/\AOrder 7 is .+\.\z/, error.message)
    assert_includes error.message, "“#{step::NAME}”"
  end

  # The ledger's sums, as the database keeps them.
  def moved(life, movements, stage = nil)
    goods = life.goods.map do |good|
      movements.select { |one| one.number == good.number }.reduce(good) do |sum, one|
        sum.with(**one.deltas.except(:on_hand).to_h { |key, delta| [key, sum[key] + delta] })
      end
    end
    life.with(goods: goods, stage: stage || life.stage)
  end

  def refusal(step, body, life) = assert_raises(Gimlet::Core::InputError) { Order::Steps::ALL.fetch(step).call(body, life) }

  def test_a_life_from_the_shelf_to_the_customer_and_back
    life = life("open", [good(reserved: 2)])
    step = lambda do |id, body|
      outcome = Order::Steps.check(id, life).call(body, life)
      life = moved(life, outcome.movements, outcome.stage)
    end
    step.call("pick", { "number" => "A-1", "quantity" => 2 })
    assert_equal "picked", life.state
    assert_equal "reason", refusal("hand_over", { "how" => "fetched" }, life).field
    step.call("check", { "number" => "A-1", "quantity" => 2 })
    step.call("put_back", { "number" => "A-1", "quantity" => 1 })
    assert_equal ["ordered", 1], [life.state, life.goods.first.checked], "what goes back to the shelf is not checked any more"
    step.call("hand_over", { "how" => "fetched", "to" => "Per" })
    assert_equal ["ordered", 1], [life.state, life.goods.first.handed], "a part delivery leaves the order open"
    step.call("pick", { "number" => "A-1", "quantity" => 1 })
    step.call("hand_over", { "how" => "posted", "to" => "parcel 7", "reason" => "the post goes" })
    assert_equal "handed_over", life.state
    assert_match(/Only 2/, refusal("take_back", BODIES["take_back"].merge("quantity" => 3), life).message)
    step.call("take_back", BODIES["take_back"])
    assert_equal 1, life.goods.first.out
    step.call("close", {})
    assert_equal "closed", life.state
  end

  def test_what_is_refused_says_why
    picked = life("open", [good(bagged: 1, reserved: 1)])
    assert_match(/None of A-1 is promised/, refusal("pick", BODIES["pick"], life).message)
    assert_match(/All 2 × A-1 are in the bag/, refusal("pick", BODIES["pick"], life("open", [good(bagged: 2)])).message)
    assert_match(/no B-2/, refusal("pick", { "number" => "B-2", "quantity" => 1 }, picked).message)
    assert_match(/No A-1 is in the bag/, refusal("check", BODIES["check"], life("open", [good(reserved: 2)])).message)
    assert_match(/None × A-1 left/, refusal("check", BODIES["check"], life("open", [good(bagged: 1, checked: 1, reserved: 1)])).message)
    assert_match(/Nothing of order 7/, refusal("hand_over", BODIES["hand_over"], life("open", [good(reserved: 2)])).message)
    assert_equal "to", refusal("hand_over", BODIES["hand_over"].merge("to" => " "), picked).field, "somebody takes it, by name"
    assert_match(/2 pieces are with the customer/, refusal("cancel", { "reason" => "never fetched" }, in_state("handed_over")).message)
    assert_equal "reason", refusal("cancel", { "reason" => " " }, in_state("ordered")).field
    assert_match(/Tools are still out/, refusal("close", {}, life("handed_over", [good(handed: 2)], loans: [OUT])).message)
    assert_match(/faulty/, refusal("take_back", BODIES["take_back"].merge("because" => "faulty"), in_state("closed")).message)
    assert_match(/handed over already/, refusal("amend", BODIES["amend"], life("open", [good(handed: 2)])).message)
    assert_match(/ran out on 2026-12-01/, refusal("accept", {}, life("quoted").with(today: Date.new(2026, 12, 2))).message)
    assert_match(/past/, refusal("prolong", { "until" => "2026-11-28" }, life("quoted")).message)
    assert_match(/is no day/, refusal("prolong", { "until" => "soon" }, life("quoted")).message)
    ["120", "-5", "ten", "5.555", ""].each { |typed| assert_equal "percent", refusal("discount", { "percent" => typed }, life).field, typed }
  end

  def test_tools_go_out_and_come_back
    lent = Order::Steps::Lend.call(BODIES["lend"], life)
    assert_equal({ state: "out", tag: "PW-T11/1", until: "2026-12-06", deposit_cents: 2500 }, lent.loan)
    assert_match(/until 2026-12-06, deposit 25.00/, Order::Steps::Lend.words(lent.body))
    assert_match(/is out with Hollin Orchard until 2026-12-01/, refusal("lend", BODIES["lend"].merge("found" => OUT), life).message)
    assert_match(/promised to order 9/, refusal("lend", BODIES["lend"].merge("found" => FREE.with(state: "promised", order_id: 9)), life).message)
    assert_match(/No tool has the tag/, refusal("lend", BODIES["lend"].merge("found" => nil), life).message)
    assert_match(/is past/, refusal("lend", BODIES["lend"].merge("until" => "2026-11-28"), life).message)
    assert_equal "until", refusal("lend", BODIES["lend"].merge("until" => "some day"), life).field
    ["lots", "-5", "2.345", "1000000", ""].each do |typed|
      assert_equal "deposit", refusal("lend", BODIES["lend"].merge("deposit" => typed), life).field, typed
    end
    assert_equal([0, 2550, 2505], ["0", "€25,5", "25.05"].map { |typed| Gimlet::Core::Money.cents(typed, field: "deposit") })
    out = life("handed_over", [good(handed: 2)], loans: [OUT])
    assert_equal "back", Order::Steps::ToolBack.call({ "tool" => "pw-t11/1", "condition" => "worn" }, out).loan[:state]
    assert_match(/is not out for order 7/, refusal("tool_back", BODIES["tool_back"], life).message)
    refute OUT.overdue?(Date.new(2026, 12, 1))
    assert OUT.overdue?(Date.new(2026, 12, 2))
  end

  def test_a_cancelled_order_gives_everything_back
    sums = { reserved: 1, bagged: 1, checked: 1 }
    outcome = Order::Steps::Cancel.call({ "reason" => "rang off" }, life("open", [good(**sums)]))
    after = moved(life("open", [good(**sums)]), outcome.movements)
    assert_equal Order::Goods::NOTHING, after.goods.first.to_h.slice(*Order::Goods::NOTHING.keys)
    assert_equal(1, outcome.movements.sum { |one| one.deltas[:on_hand] })
  end

  def test_an_amendment_lets_go_of_what_it_does_not_want
    amended = lambda do |wanted, **sums|
      before = life("open", [good(**sums)])
      moved(before, Order::Steps::Amend.call({ "reason" => "fewer", "wanted" => { "A-1" => wanted } }, before).movements).goods.first
    end
    assert_equal [1, 0], amended.call(1, reserved: 2).to_h.values_at(:reserved, :bagged)
    assert_equal [0, 1, 1], amended.call(1, bagged: 2, checked: 2).to_h.values_at(:reserved, :bagged, :checked)
    assert_equal [1, 1], amended.call(2, bagged: 1, reserved: 1).to_h.values_at(:reserved, :bagged), "what is still wanted stays where it is"
    assert_equal({ 3 => -1 }, Desk::Allocation.call(9, [Desk::Allocation::Want.new(order_id: 3, open: 1, reserved: 2)]))
  end

  def test_one_unchecked_piece_is_enough_to_look_again
    goods = [good(bagged: 2, checked: 2), good(bagged: 2, checked: 1).with(number: "B-2")]
    assert_equal "picked", life("open", goods).state
    assert_match(/Tools are still out/, refusal("cancel", { "reason" => "rang off" }, life("open", goods, loans: [OUT])).message)
    assert Order::Steps::Accept.call({}, life("quoted").with(today: Date.new(2026, 12, 1))), "the last day is still a day"
    own = FREE.with(state: "promised", order_id: 7)
    assert Order::Steps::Lend.call(BODIES["lend"].merge("found" => own), life), "what is kept for it goes out with it"
  end

  # A piece that goes along in case is charged when nothing more comes back, and not before.
  def test_what_is_charged
    kept = good(wanted: 3, along: 1, handed: 3)
    assert_equal [2, 3], [kept.charged(over: false), kept.charged(over: true)]
    back = kept.with(returned: 1)
    assert_equal [2, 2], [back.charged(over: false), back.charged(over: true)]
    assert_equal [1, 1], [back.with(returned: 2).charged(over: false), back.with(returned: 2).charged(over: true)]
    assert_equal 2, good(wanted: 3, along: 1).charged(over: true)
  end

  # Whatever lies there and whoever waits: nothing is promised twice, the one who waits longest is served first.
  def test_promises
    random = Random.new(Minitest.seed)
    500.times do
      on_hand = random.rand(12)
      wants = Array.new(random.rand(1..6)) do |order|
        open = random.rand(5)
        Desk::Allocation::Want.new(order_id: order, open: open, reserved: random.rand(open + 1))
      end
      changes = Desk::Allocation.call(on_hand, wants)
      after = wants.to_h { |want| [want, want.reserved + changes.fetch(want.order_id, 0)] }
      assert_operator after.values.sum, :<=, on_hand
      after.each { |want, reserved| assert_includes 0..want.open, reserved }
      assert_equal [on_hand, wants.sum(&:open)].min, after.values.sum, "nothing lies free while somebody waits"
      next unless wants.sum(&:reserved) <= on_hand

      wants.each { |want| assert_operator changes.fetch(want.order_id, 0), :>=, 0, "a promise that can be kept is kept" }
      short = wants.index { |want| after[want] < want.open }
      wants.drop((short || wants.size) + 1).each do |want|
        assert_operator changes.fetch(want.order_id, 0), :<=, 0, "nobody passes one who waits longer"
      end
    end
  end

  def test_what_a_label_says
    assert_equal %w[order 7], Desk::Code.read(" order  7 ").to_a
    assert_equal %w[order 7], Desk::Code.read("http://127.0.0.1:4480/orders/7/bench").to_a
    assert_equal %w[tool PW-T11/1], Desk::Code.read("tool pw-t11/1").to_a
    ["pw-4120\n", "PW\u20114120", "pw\u2212\u0034120"].each { |typed| assert_equal %w[number PW-4120], Desk::Code.read(typed).to_a }
    ["ORDER 7", "TOOL PW-T11/1", "PW-4120"].each { |text| assert_equal text, Desk::Code.read(text).to_s }
  end

  # docs/orders.md is made from the same table.
  def test_the_docs_have_every_step
    root = File.expand_path("../..", __dir__)
    assert_equal IO.popen([RbConfig.ruby, "#{root}/bin/orders"], &:read), File.read("#{root}/docs/orders.md"), "run bin/orders > docs/orders.md"
  end
end
