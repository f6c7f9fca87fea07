# frozen_string_literal: true

require_relative "../support/system"

# Orders and tickets after the call: changed in between, amended, cancelled, closed, found again.
class ChangeTest < SystemTest
  def say(line) = find_field("What you hear").send_keys(line, :enter)
  def open_answer(name) = find("section[aria-label='#{name}'] h2 button").click

  def call_about(line)
    visit "/"
    say line
    assert_text "Enough to order"
  end

  def test_a_price_that_changed_while_it_was_looked_at_is_said_first
    call_about "plate TK4R20, serial 31500, 15 lpm, green, packings"
    stock = Gimlet::Store::Stock.new(database)
    kit = stock.all["PW-K220"]
    stock.upsert([{ number: "PW-K220", price_cents: kit.price_cents + 1000, on_hand: kit.on_hand, pack: 1 }])
    find("aside").find_button("Save the order").click
    # A look that came in between has shown the new price already.
    assert_text(/Since you looked, this has changed|Order 1 is saved/)
    find("aside").find_button("Save the order").click if page.has_text?("Since you looked", wait: 0)
    assert_text "Order 1 is saved"
    line = Gimlet::Store::Orders.new(database).find(1)[:record]["parts"]["lines"].find { |one| one["number"] == "PW-K220" }
    assert_equal kit.price_cents + 1000, line["price_cents"]
  end

  def test_an_order_is_amended_and_then_cancelled
    call_about "plate TK4R20, serial 31500, 15 lpm, green, packings"
    say "save"
    assert_text "Order 1 is saved"
    visit "/orders/1"
    click_button "Cancel the order"
    assert_text "Say in a few words why the order is cancelled."
    fill_in "why it is amended or cancelled", with: "oil seals too"
    click_button "Amend it on its ticket"
    assert_text "opened again: oil seals too"
    say "and oil seals"
    # Where the line's own answer is in sight, the page moves no more under the press.
    assert_text "asked for: oil seals"
    open_answer "Hand over"
    assert_text "This amends order 1"
    say "save"
    assert_text "Order 1 is saved"
    visit "/orders/1"
    assert_text "Version 2: oil seals too"
    click_link "version 1"
    assert_no_text "oil seal kit"
    assert_no_button "Cancel the order"
    visit "/orders/1"
    fill_in "why it is amended or cancelled", with: "beyond mending"
    click_button "Cancel the order"
    assert_text "Cancelled"
    assert_accessible
    visit "/orders"
    assert_selector "tr", text: "cancelled"
  end

  def test_a_ticket_is_closed_and_found_again
    visit "/"
    say "8 bolts, hums like a beehive"
    assert_text "Ask next"
    open_answer "Hand over"
    fill_in "why it ends without an order", with: "rang off"
    click_button "Close the ticket"
    assert_text "This ticket is closed."
    visit "/orders"
    assert_text "0 open tickets"
    select "closed", from: "Which tickets"
    fill_in "find orders and tickets", with: "beehive"
    assert_link "ticket 1"
    assert_accessible
    fill_in "find orders and tickets", with: "wasps"
    assert_text "0 closed tickets"
  end
end
