# frozen_string_literal: true

require_relative "../support/system"

class CounterTest < SystemTest
  def saved_state = Gimlet::Store::Tickets.new(database).open.first&.fetch(:state)

  def open_answer(name) = find("section[aria-label='#{name}'] h2 button").click

  def wait_until(seconds = 5)
    deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + seconds
    sleep 0.05 until yield || Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline
    assert yield
  end

  def test_a_ticket_survives_a_reload_and_a_restart
    visit "/"
    say "8 bolts, hex 6, packings"
    assert_selector "li", text: "head bolts 8"
    keys("half a sentence")
    wait_until { saved_state && saved_state["draft"] == "half a sentence" }
    path = URI(current_url).path
    Capybara.app = Gimlet::API::App.new(database)
    visit path
    assert_selector "li", text: "head bolts 8"
    assert_field "What you hear", with: "half a sentence"
  end

  def test_a_mistake_is_named_and_the_line_stays
    visit "/"
    say "900 mm plunger"
    assert_text "plunger diameter 900 mm is beyond any pump here (at most 200)"
    assert_field "What you hear", with: "900 mm plunger"
    keys([:control, "a"], "8 bolts, grumbles at night", :enter)
    assert_text "Not understood: grumbles night"
    assert_selector "li", text: "head bolts 8"
  end

  def test_a_reading_is_struck_out_and_brought_back
    visit "/"
    say "plate DK420, 2 cylinders"
    assert_selector "[role=note]", text: "“cylinders 2” does not fit DK420"
    click_button "cylinders 2: strike out"
    assert_no_selector "[role=note]"
    assert_button "cylinders: bring back"
    click_button "cylinders: bring back"
    assert_selector "[role=note]"
  end

  def test_not_sure_goes_on_to_the_next_question
    visit "/"
    say "TK4, 20 mm plunger, valves"
    assert_text "Where is the oil sight glass?"
    say "?"
    assert_text "Is there a serial number?"
    assert_selector "li", text: "oil sight glass not sure"
  end

  def test_a_double_click_makes_one_order
    visit "/"
    say "plate TK4R20, serial 31500, packings"
    assert_text "Enough to order"
    find("aside").find_button("Save the order").double_click
    assert_text "Order 1 is saved"
    assert_equal 1, database[:orders].count
    fill_in "What you hear", with: "6 caps"
    find_field("What you hear").send_keys(:enter)
    assert_text "This ticket is order 1 already"
  end

  def test_how_the_customer_is_present_changes_what_is_asked
    visit "/"
    say "TK4, packings"
    assert_text "Ask next"
    select "only old parts in hand", from: "How the customer is present"
    assert_text "How thick is a plunger?"
    wait_until { saved_state && saved_state["channel"] == "parts" }
  end

  def test_a_candidate_taken_by_hand_is_the_order
    visit "/"
    say "TK4, 20 mm plunger, hex 6, discharge valves"
    find("[aria-label=Candidates] button", text: "TK4L20 before 31000").click
    assert_selector "section[aria-label=Pump]", text: "Pellwick TK4L20 before 31000"
    assert_selector "aside[aria-label=Tray]", text: "PW-K42A"
    assert_text "Save, though not sure"
    fill_in "What you hear", with: "save"
    find_field("What you hear").send_keys(:enter)
    assert_text "Order 1 is saved"
    assert_equal "before 31000", JSON.parse(database[:orders].get(:document)).dig("plan", "serial_range")
  end

  def test_a_slash_leads_back_to_the_line
    visit "/"
    say "plate DK420, packings"
    open_answer "Tools"
    assert_text "packing driver 20/25"
    keys("/")
    say "plungers"
    assert_selector "section[aria-label=Work]", text: "packings, plungers"
  end

  def test_commands_that_cannot_be_obeyed_say_so
    visit "/"
    say "save"
    assert_text "There is nothing to save yet"
    keys([:control, "a"], "card", :enter)
    assert_text "Save the order first"
    keys([:control, "a"], "9", :enter)
    assert_text "Not understood: 9"
    visit "/tickets/999"
    assert_text "There is no ticket 999."
  end

  def test_changed_in_two_windows
    visit "/"
    say "8 bolts"
    wait_until { saved_state }
    ticket = Gimlet::Store::Tickets.new(database).open.first
    Gimlet::Store::Tickets.new(database).update(ticket[:id], version: ticket[:version], state: ticket[:state].merge("pumps" => 3))
    say "hex 6"
    assert_text "changed elsewhere in the meantime"
    assert_equal 3, saved_state["pumps"]
  end

  def test_work_pumps_findings_and_unit
    visit "/"
    say "plate DK420, packings"
    assert_text "Enough to order"
    open_answer "Work"
    check "plungers"
    check "pressure ring"
    fill_in "Pumps", with: 2
    click_button "Agreed with the customer"
    assert_selector "tr", text: "6 × DB 7855"
    assert_selector "tr", text: "6 × DB 7920"
    open_answer "Tightening"
    select "lbf·ft", from: "Unit of the customer's wrench"
    assert_selector "article[aria-label='plunger nuts M10']", text: "11 lbf·ft"
    assert_equal 2, saved_state["pumps"]
  end

  def test_another_way_to_buy
    visit "/"
    say "plate TK4R20, serial 31500, discharge valves"
    assert_text "Enough to order"
    open_answer "Parts"
    assert_selector "table[aria-label='Parts to sell']", text: "PW-4132"
    click_button "cheapest = complete sets"
    assert_selector "table[aria-label='Parts to sell']", text: "PW-K42B"
    assert_text "1 short"
  end

  def test_orders_are_listed_and_kept
    visit "/"
    select "Slipway Boatyard, Outer Quay", from: "Customer"
    find_field("What you hear").send_keys("plate SC325L, packings", :enter)
    assert_text "Enough to order"
    say "save"
    assert_text "Order 1 is saved"
    click_link "Orders"
    assert_selector "[role=row]", text: "Slipway Boatyard"
    assert_accessible
    find("[role=gridcell]", text: "SC325L").click
    assert_text "The same order serves SC325L, SC325R"
    assert_accessible
    visit "/orders/77"
    assert_text "There is no order 77."
  end

  def test_the_first_view_loads_little_script
    visit "/"
    assert_text "Type what the caller sees"
    names = page.evaluate_script("performance.getEntriesByType('resource').map((one) => one.name)").grep(/\.js\z/)
    bytes = names.sum { |name| Zlib.gzip(File.read(File.join(Gimlet::API::App::UI, URI(name).path))).bytesize }
    assert_includes 1..250_000, bytes
  end
end
