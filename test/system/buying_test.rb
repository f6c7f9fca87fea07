# frozen_string_literal: true

require_relative "../support/system"
require_relative "../../lib/gimlet/supplier/stand_in"

# Customers, lent tools, purchases and what was learned, on screen.
class BuyingTest < SystemTest
  def with_supplier
    stand_in = Gimlet::Supplier::StandIn.start(Gimlet::Store::Stock.new(database).all.transform_values(&:price_cents))
    STAGE.app = @app = Gimlet::API::App.new(Gimlet::Counter::Shop.new(database, supplier: Gimlet::Exchange::SupplierLink.new(stand_in.address)),
                                            demo: true)
    yield
  ensure
    stand_in&.stop
  end

  def choose(label, value)
    find(:css, "[role=combobox]", text: label).click
    find("li[role=option]", text: value).click
  end

  def test_what_is_short_is_bought_and_received
    lived_in
    with_supplier do
      visit "/desk/buying"
      assert_selector "table[aria-label='To buy'] tbody tr", minimum: 3
      click_button "Ask the supplier"
      assert_text(/\d+ there, €\d+\.\d\d, \d days/)
      choose "fine", "down"
      click_button "Ask the supplier"
      assert_text "The supplier says no (503). Write the purchase down and send it on paper or by mail"
      click_button "Write the purchase"
      assert_text "not sent yet"
      find("article[aria-label='Purchase 11']").click_button("Send it")
      assert_text "The supplier says no (503)", minimum: 1
      choose "down", "short"
      find("article[aria-label='Purchase 11']").click_button("Send it")
      assert_text(/\d confirmed of \d/)
      within("article[aria-label='Purchase 11']") do
        click_button "Their dispatch note"
        click_button "Receive it"
      end
      assert_text(/\d+ to come/)
    end
    assert_operator database[:movements].where(kind: "received", why: "purchase 11").count, :>=, 1
    assert_empty Gimlet::Store::Ledger.new(database).wrong_sums
  end

  # The purchase that was expected this morning comes: the order that waits for it can be picked.
  def test_what_comes_moves_a_waiting_order_on
    lived_in
    waiting = database[:orders].where(state: "waiting").get(:id)
    visit "/orders/#{waiting}"
    assert_text(/Waits for \d+ × PW-K220/)
    visit "/desk/buying"
    within("form[aria-label='What came of purchase 10']") do
      fill_in find("label", text: /\APW-K220:/)[:for], with: "99"
      click_button "Receive it"
      assert_text "99 × PW-K220 came"
      click_button "More came: receive it"
    end
    assert_text "all of it came"
    visit "/orders/#{waiting}"
    assert_selector "figure[aria-label='Stands at: to pick']"
  end

  def test_customers_are_found_changed_and_merged
    visit "/desk/customers"
    fill_in "find by name, place, phone, pump", with: "quay tk4"
    assert_selector "table[aria-label=Customers] tbody tr", text: "Saltmarsh Oyster Sheds", count: 1
    fill_in "find by name, place, phone, pump", with: "nobody at all"
    assert_text "Nobody has “nobody at all”."
    fill_in "new: name, place, phone", with: "saltmarsh oyster sheds, elsewhere"
    keys(:enter)
    assert_text "There is a customer called “Saltmarsh Oyster Sheds”, Inner Quay already"
    assert_field "new: name, place, phone", with: "saltmarsh oyster sheds, elsewhere"
    find_field("new: name, place, phone").send_keys([:control, "a"], "Salt Marsh Oysters, Inner Quay, 0160 9", :enter)
    assert_field "phone", with: "0160 9"
    fill_in "note", with: "rings before six"
    click_button "Change"
    assert_button "Change", disabled: true
    fill_in "another pump of theirs", with: "dk418"
    keys(:enter)
    assert_selector "article[aria-label='DK418']"
    within("article[aria-label='DK418']") do
      fill_in "due on (date)", with: "soon"
      click_button "Keep"
      assert_text "is no day: a day is written as"
      fill_in "due on (date)", with: (Date.today + 3).iso8601
      click_button "Keep"
      assert_text "due #{(Date.today + 3).strftime('%-d %b %Y')}"
      fill_in "what they said", with: "after the fair"
      click_button "Rung"
      assert_text "last rung #{Date.today.strftime('%-d %b %Y')}"
    end
    find("summary", text: "The same as another").click
    fill_in "is the same as", with: "Saltmarsh"
    find("li[role=option]", text: "Saltmarsh Oyster Sheds").click
    assert_current_path "/desk/customers/1"
    assert_selector "article[aria-label='DK418']"
    assert_equal [["rings before six", 1]], database[:customers].where(name: "Salt Marsh Oysters").select_map(%i[note merged_into])
  end

  def test_tools_have_tags
    visit "/desk/tools"
    assert_text "No tool has a tag yet"
    { "tag" => "pw-t11/1", "number" => "pw-t11", "shelf" => "t1" }.each { |label, text| fill_in label, with: text, exact: true }
    fill_in "deposit", with: "much"
    click_button "Write down a tool"
    assert_text "“much” is no amount"
    fill_in "deposit", with: "30"
    click_button "Write down a tool"
    assert_selector "table[aria-label=Tools] tbody tr", text: "PW-T11/1 manifold guide pins M8, pair T1 good on its shelf €30.00", normalize_ws: true
    assert_accessible
    visit "/"
    say "plate TK4R20, serial 31500, 15 lpm, green, packings"
    ["Enough to order", "Agreed work", "Why each part"].each { |shown| assert_text(shown) && say("") }
    assert_text "1 of 1 free to lend"
  end

  def test_cancelled_with_what_becomes_of_the_pieces
    lived_in
    id = database[:orders].where(state: "handed_over").reverse(:id).get(:id)
    out = database[:goods].where(order_id: id).sum(:handed)
    visit "/orders/#{id}"
    fill_in "why it is amended or cancelled", with: "it was the gun"
    click_button "Cancel the order"
    assert_text "Tools are still out for order #{id}"
    assert_field "why it is amended or cancelled", with: "it was the gun"
    click_button "Take it back"
    assert_no_button "Take it back"
    choose "are back on the shelf", "came back, are scrapped"
    click_button "Cancel the order"
    assert_selector "figure[aria-label='Stands at: cancelled']"
    assert_text "it was the gun"
    assert_equal out, database[:movements].where(order_id: id, kind: "stays_out").sum(:quantity)
  end

  def test_the_history_is_told_in_words
    Gimlet::Store::Stock.new(database).upsert([{ number: "PW-K220", price_cents: 7000, on_hand: 2, pack: 1 }], who: "Ines")
    visit "/desk/history"
    assert_text "price of PW-K220 TK4 seal kit 20, one pump: from €67.18 to €70.00, 2 here, were 3"
  end
end
