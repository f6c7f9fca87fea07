# frozen_string_literal: true

require_relative "../support/system"
require "icalendar"

# The shop's day on screen, by keyboard: from somebody who calls for the first time to the same as last time.
class ShopTest < SystemTest
  def setup
    super
    Gimlet::Store::Tools.new(database).add(tag: "PW-T11/1", number: "PW-T11", name: "manifold guide pins M8, pair", deposit_cents: 2500, shelf: "T1")
  end

  # Every piece of an order into the scanner's field, one after the other.
  def scan_all(label, sum)
    pieces = database[:goods].order(:number).select_map([:number, sum]).flat_map { |number, count| [number] * count }
    pieces.each_with_index do |number, at|
      find_field(label).send_keys(number, :enter)
      assert_selector "[role=status]", text: /✓ #{number}.*: (into the bag|checked)/ unless at == pieces.size - 1
      assert_no_field label, with: number
    end
  end

  def test_from_the_first_call_to_the_same_as_last_time
    visit "/"
    say "new customer Pier Nine Icehouse, Salt Quay, 0160 442 118"
    assert_select "Customer", selected: "Pier Nine Icehouse, Salt Quay"
    say "plate TK4R20, serial 31500, 15 lpm, green, packings"
    assert_text "Enough to order"
    say ""
    assert_text "Agreed work"
    say ""
    assert_text "Why each part"
    say "quote"
    assert_text "Order 1 is saved"
    assert_equal %w[quoted], database[:orders].select_map(:state)

    visit "/orders/1"
    assert_text "A quote, valid until"
    click_button "Order it"
    assert_selector "figure[aria-label='Stands at: to pick']"
    picking
    handing_over
    lent_and_back
    due
    visit "/"
    say "Pier Nine Icehouse"
    assert_button "F10 · as last time: packings on TK4R20 from 31000"
    keys(:f10)
    assert_current_path "/tickets/3"
    assert_text "99 % sure"
    assert_selector "aside[aria-label=Tray]", text: "PW-K220"
  end

  def picking
    assert_field "Scan each piece into the bag", focused: true
    keys("PW-K218", :enter)
    assert_text "✗ Not taken. PW-K218 is the TK4 seal kit 18, one pump: the order needs PW-K220"
    assert_accessible
    scan_all("Scan each piece into the bag", :reserved)
    stray_scan
    click_button "Scan each piece to check"
    assert_field "Scan each piece to check", focused: true
    scan_all("Scan each piece to check", :bagged)
    assert_selector "figure[aria-label='Stands at: ready to fetch']"
  end

  # The scanner's Enter comes once more after the last piece: nothing is checked or handed over by it.
  def stray_scan
    before = database[:movements].count
    assert_button "Scan each piece to check", focused: false
    keys("PW-K220", :enter)
    sleep 0.3
    assert_equal before, database[:movements].count
  end

  def handing_over
    assert_button "Hand over", focused: false
    before = database[:movements].count
    keys("PW-K220", :enter)
    sleep 0.3
    assert_equal before, database[:movements].count
    find_field("by whom").send_keys("Per Lindqvist", :enter)
    assert_selector "figure[aria-label='Stands at: handed over']"
    assert_text "handed over", minimum: 2
  end

  def lent_and_back
    field = find_field("lend: scan the tool")
    field.send_keys([:control, "a"], "tool pw-t11/1", :enter)
    assert_text "Out: PW-T11/1 manifold guide pins M8, pair"
    click_button "Close: nothing more comes back"
    assert_text "Tools are still out for order 1: PW-T11/1"
    find_button("Take it back").send_keys(:enter)
    assert_no_text "Out: PW-T11/1"
    find_button("Close: nothing more comes back").send_keys(:enter)
    assert_text "Closed: nothing more is to be done."
  end

  def due
    visit "/desk/customers/#{database[:orders].get(:customer_id)}"
    find_field("months between").send_keys("12", :enter)
    assert_text "12 months after order 1"
    # Read back by the icalendar gem's own parser (RFC 5545).
    calendar = page.evaluate_async_script("fetch('/api/due.ics').then((one) => one.text()).then(arguments[0])")
    event = Icalendar::Calendar.parse(calendar).first.events.first
    assert_equal [Date.today >> 12, "Ring Pier Nine Icehouse: TK4R20 is due"], [event.dtstart.to_date, event.summary.to_s]
  end

  def test_today_is_one_key_from_each_thing
    lived_in
    visit "/desk/today"
    { "To answer" => 2, "To pick" => 3, "To check" => 1, "Ready to fetch" => 2, "Waiting for parts" => 1, "Deliveries expected" => 1,
      "Tools overdue" => 1, "To ring" => 4 }.each { |pile, count| assert_selector "section[aria-label='#{pile}']", text: /\A#{pile}\s+#{count}\s/ }
    assert_accessible
    key = find("section[aria-label='To check'] kbd").text
    keys(key)
    assert_selector "h1", text: "Drosselby DK420"
    assert_field "Scan each piece to check"
    database[:orders].where(state: "ordered").update(state: "closed")
    visit "/desk/today"
    assert_no_selector "section[aria-label='To pick']"
    assert_equal key, find("section[aria-label='To check'] kbd").text, "a pile keeps its key whatever else waits"
    visit "/desk/figures"
    assert_selector "figure[aria-label='Calls and orders by day'] svg"
    assert_text "Learned here"
  end

  def test_the_shelf_is_counted_and_filled
    visit "/desk/prices"
    click_button "Count a shelf"
    2.times { find_field("Scan every piece on the shelf").send_keys("PW-K220", :enter) }
    click_button "Compare with the ledger"
    assert_text "2 counted, 3 in the ledger (-1)"
    click_button "Book the count"
    assert_text "Say why PW-K220 is 2 and not 3"
    fill_in "why, PW-K220", with: "one was broken"
    click_button "Book the count"
    assert_no_text "in the ledger"
    fill_in "find a number or a name", with: "tk4 seal kit 20"
    assert_selector "table[aria-label=Stock] tbody tr", count: 1
    click_button "PW-K220"
    assert_text "counted -1, one was broken"
    within("section[aria-label='PW-K220']") do
      fill_in "how many", with: "4"
      click_button "Book it"
    end
    assert_text "6 free: 6 here, 0 promised"
    click_link "Buying"
    assert_text "Nothing lies below its level, and no order waits."
  end
end
