# frozen_string_literal: true

require_relative "../support/system"

class CounterTest < SystemTest
  def tickets = Gimlet::Store::Tickets.new(database)
  def folded(id = 1) = Gimlet::Core::Ticket::TicketState.of(tickets.entries(id))

  def open_answer(name) = find("section[aria-label='#{name}'] h2 button").click

  def wait_until(seconds = 5)
    deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + seconds
    sleep 0.05 until yield || Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline
    assert yield
  end

  def test_a_ticket_and_what_is_being_typed_survive_a_reload_and_a_restart
    visit "/"
    say "8 bolts, hex 6, packings"
    assert_button "head bolts 8: strike out"
    keys("half a sentence")
    path = URI(current_url).path
    visit path
    assert_button "head bolts 8: strike out"
    assert_field "What you hear", with: "half a sentence"
    STAGE.app = Gimlet::API::App.new(Gimlet::Counter::Shop.new(database))
    visit path
    assert_button "head bolts 8: strike out"
  end

  def test_a_mistake_is_named_and_the_line_stays
    visit "/"
    say "900 mm plunger"
    assert_text "plunger diameter 900 mm is beyond any pump here (at most 200)"
    assert_field "What you hear", with: "900 mm plunger"
    keys([:control, "a"], "8 bolts, grumbles at night", :enter)
    assert_text "Not heard: “grumbles at night”"
    assert_button "head bolts 8: strike out"
  end

  # Whoever types while the caller talks does not wait for an answer; the second line is refused, and comes back to the field.
  def test_fast_hands_lose_and_merge_nothing
    visit "/"
    keys("8 bolts", :enter, "900 mm plunger", :enter, "hex 6", :enter, "packings", :enter, "17")
    assert_button "head bolts 8: strike out"
    assert_button "head bolt drive hex 6: strike out"
    assert_text "asked for: packings"
    wait_until { find_field("What you hear").value.split.tally == "900 mm plunger 17".split.tally }
    path = URI(current_url).path
    refute_equal "/", path
    visit path
    assert_equal "900 mm plunger 17".split.tally, find_field("What you hear").value.split.tally
    visit "/"
    assert_field "What you hear", with: ""
  end

  # Two keys make something of words that were not heard.
  def test_words_that_were_not_heard_are_taken_up
    visit "/"
    say "8 bolts, sings at night"
    assert_text "Press = and then"
    keys("=")
    assert_text "“sings at night” is: p plate"
    keys("c")
    assert_button "complaint: something else: strike out"
    assert_no_text "Not heard"
    assert_equal ["other"], folded.complaints
  end

  def test_what_can_be_typed_is_shown_on_a_key
    visit "/"
    say "TK4, packings"
    assert_text "Ask next"
    keys(:f1)
    assert_selector "section[aria-label='What can be typed'] dt", text: "(asked now)"
    assert_selector "section[aria-label='What can be typed'] dt", text: "stands [reason]"
    assert_accessible
    first("section[aria-label='What can be typed'] dd button").click
    assert_field "What you hear", with: /\S/
    keys(:f1)
    assert_no_selector "section[aria-label='What can be typed']"
  end

  def test_a_reading_is_struck_out_and_brought_back
    visit "/"
    say "plate DK420, 2 cylinders"
    assert_selector "[role=note]", text: "“cylinders 2” does not fit DK420"
    click_button "cylinders 2: strike out"
    assert_no_selector "[role=note]"
    click_button "cylinders 2: bring back"
    assert_selector "[role=note]"
    find_field("What you hear").click
    say "strike"
    unfold "struck out"
    assert_button "plate DK420: bring back"
    say "back 1"
    assert_button "plate DK420: strike out"
  end

  def test_a_doubt_stands_for_a_reason
    visit "/"
    say "plate DK420, grey, 17.6 lpm, 2 cylinders, packings"
    assert_text "Check again: How many plungers does it have?"
    assert_selector "aside[aria-label=Tray]", text: "A reading that matters does not fit"
    assert_accessible
    say "stands he counted the heads"
    assert_selector "[role=note]", text: "Because: he counted the heads"
    assert_text "Enough to order"
    click_button "Open it again"
    assert_text "Check again"
    find_field("What you hear").send_keys("3", :enter)
    assert_text "Enough to order"
  end

  # A figure is the count, never the number of a button.
  def test_a_figure_answers_a_counted_question
    visit "/"
    say "plate DK420, grey, 17.6 lpm, 2 cylinders, packings"
    assert_text "Check again: How many plungers does it have?"
    say "3"
    assert_button "cylinders 3: strike out"
  end

  def test_nothing_is_promised_early
    visit "/"
    say "everything"
    assert_selector "section[aria-label=Work]", text: "oil seals (asked for)"
    assert_no_button "Save the order"
    assert_selector "aside[aria-label=Tray]", text: "Empty until the pump and the work are known."
    say "TK4, 20 mm plunger, hex 6"
    assert_selector "section[aria-label='By option']", text: "option B"
    fill_in "Why it is saved all the same", with: "old customer, same pump as last year"
    click_button "Save all the same"
    assert_text "Order 1 is saved"
    assert_equal "old customer, same pump as last year", JSON.parse(database[:orders].get(:document))["reason"]
  end

  def test_not_sure_goes_on_to_the_next_question
    visit "/"
    say "TK4, 20 mm plunger, valves"
    assert_text "Where is the oil sight glass?"
    say "?"
    assert_text "Is there a serial number?"
    assert_button "oil sight glass not sure: strike out"
  end

  def test_a_double_click_makes_one_order
    visit "/"
    say "plate TK4R20, serial 31500, 15 lpm, green, packings"
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
    wait_until { folded.channel == "parts" }
  end

  def test_a_candidate_taken_by_hand_is_the_order
    visit "/"
    say "TK4, 20 mm plunger, hex 6, discharge valves"
    find("[aria-label=Candidates] button", text: "TK4L20 before 31000").click
    assert_selector "section[aria-label=Pump]", text: "Pellwick TK4L20 before 31000"
    assert_selector "aside[aria-label=Tray]", text: "PW-K42A"
    assert_text "TK4L20 before 31000 was taken by hand."
    find_field("What you hear").send_keys("save", :enter)
    assert_text "Say why the order is placed all the same."
    find_field("What you hear").send_keys(" he read the serial", :enter)
    assert_text "Order 1 is saved"
    assert_equal "before 31000", JSON.parse(database[:orders].get(:document)).dig("pump", "serials")
  end

  def test_a_slash_leads_back_to_the_line
    visit "/"
    say "plate DK420, packings"
    assert_selector "[aria-label='The call']", text: "DK420"
    open_answer "Tools"
    assert_text "seal press"
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
    assert_text "There is no such answer to choose"
    keys([:control, "a"], "stands because", :enter)
    assert_text "No doubt stands"
    visit "/tickets/999"
    assert_text "There is no ticket 999."
  end

  def test_two_windows_see_each_other
    visit "/"
    say "8 bolts"
    assert_button "head bolts 8: strike out"
    path = URI(current_url).path
    other = open_new_window
    within_window(other) do
      visit path
      find_field("What you hear").send_keys("hex 6", :enter)
      assert_button "head bolt drive hex 6: strike out"
    end
    assert_button "head bolt drive hex 6: strike out", wait: 10
    say "brass"
    within_window(other) { assert_button "head material brass: strike out", wait: 10 }
    assert_equal(%w[head_bolts head_bolt_drive manifold_material], folded.readings.map { |reading| reading[:trait] })
  ensure
    other&.close
  end

  # What the network does to a press of Enter: the answer is lost, the entry is not, and it counts once.
  def test_a_lost_answer_doubles_nothing
    visit "/"
    say "8 bolts"
    assert_button "head bolts 8: strike out"
    page.execute_script(<<~JS)
      const real = window.fetch; let lost = false;
      window.fetch = async (...given) => {
        const answer = await real(...given);
        const request = given[0];
        if (!lost && request.url && request.url.endsWith("/entries")) { lost = true; throw new TypeError("lost"); }
        return answer;
      };
    JS
    say "hex 6"
    assert_button "head bolt drive hex 6: strike out", wait: 10
    assert_equal 2, folded.readings.size
  end

  def test_work_pumps_findings_and_unit
    visit "/"
    say "plate DK420, grey, 17.6 lpm, packings"
    assert_text "Enough to order"
    open_answer "Work"
    check "plungers"
    assert_text "plungers (asked for)"
    fill_in "Pumps", with: 2
    find_field("Pumps").send_keys(:enter)
    wait_until { folded.pumps == 2 }
    # The page moves when the answer comes: a press in that moment may miss.
    assert_selector "aside[aria-label=Tray]", text: /6\s+DB KIT 220/
    click_button "Agreed with the customer"
    unfold "Why each part"
    assert_selector "tr", text: "6 × DB 7920"
    within("section[aria-label='packing']") do
      click_button "front guide"
      click_button "renew it"
    end
    assert_selector "tr", text: "6 × DB 7857"
    assert_selector "tr", text: "6 × DB 7920"
    open_answer "Tightening"
    select "lbf·ft", from: "Unit of the customer's wrench"
    assert_selector "article[aria-label='plunger nuts M10']", text: "13 lbf·ft"
    assert_equal [2, "lbf·ft"], [folded.pumps, folded.unit]
  end

  def test_a_head_is_tightened_turn_by_turn
    visit "/"
    say "plate TK4R20, serial 31500, 15 lpm, green, packings"
    assert_text "Enough to order"
    open_answer "Tightening"
    assert_selector "svg[aria-label='plunger 1 8.8 mm out, enters first; plunger 2 0 mm out; plunger 3 8.8 mm out, enters first']"
    click_button "head bolts M8: turn by turn"
    within("[role=dialog]") do
      assert_text "round 1 of 5"
      assert_text "draw in, these by turns"
      assert_text "bolt 1, turn 1 of 34"
      10.times { page.driver.browser.action.send_keys(:enter).perform }
      assert_text "round 3 of 5"
      assert_text "13.2 N·m"
      page.driver.browser.action.send_keys(:backspace).perform
      assert_text "bolt 8, turn 10 of 34"
    end
    assert_accessible
    page.driver.browser.action.send_keys(:escape).perform
    assert_no_selector "[role=dialog]"
  end

  def test_another_way_to_buy
    visit "/"
    say "plate TK4R20, serial 31500, 15 lpm, green, discharge valves"
    assert_text "Enough to order"
    open_answer "Parts"
    assert_selector "table[aria-label='Parts to sell']", text: "PW-4132"
    click_button "cheapest, complete sets"
    assert_selector "table[aria-label='Parts to sell']", text: "PW-K42B"
    assert_text "1 short"
  end

  def test_orders_are_listed_and_kept
    visit "/"
    select "Slipway Boatyard, Outer Quay", from: "Customer"
    find_field("What you hear").send_keys("plate SC325L, 29.8 lpm, blue, packings", :enter)
    assert_text "Enough to order"
    save_order
    assert_text "Order 1 is saved"
    click_link "Orders"
    assert_selector "tr", text: "Slipway Boatyard"
    find("td", text: "SC325L").click
    assert_text "The same order serves SC325L, SC325R"
    visit "/orders/77"
    assert_text "There is no order 77."
  end

  def test_the_first_view_loads_little_script
    visit "/"
    assert_text "Type what the caller sees"
    names = page.evaluate_script("performance.getEntriesByType('resource').map((one) => one.name)").grep(/\.js\z/)
    bytes = names.sum { |name| Zlib.gzip(File.read(File.join(Gimlet::API::BrowserFiles::FOLDER, URI(name).path))).bytesize }
    assert_includes 1..250_000, bytes
  end
end
