# frozen_string_literal: true

require_relative "../support/system"

# What the counter promises, and what it says instead of promising.
class PromisesTest < SystemTest
  def open_answer(name) = find("section[aria-label='#{name}'] h2 button").click
  def line(text) = find_field("What you hear").send_keys(text, :enter)

  def test_when_nothing_more_can_be_asked
    visit "/"
    say "TK4, 20 mm plunger, hex 6, discharge valves"
    assert_text "Where is the oil sight glass?"
    line "?"
    assert_text "oil sight glass not sure"
    line "?"
    assert_selector "section[aria-label='Nothing more to ask']", text: "No question would tell more."
    assert_selector "section[aria-label='Nothing more to ask']", text: "of option A would be bought in vain"
    within("section[aria-label='What to open']") do
      assert_text "How many turns has the valve spring?"
      assert_button "Copy to send"
    end
    line "?"
    assert_text "There is no such answer to choose."
    assert_text "Ask for a photo of the plate and the front, or for an old part"
    assert_accessible
    line "save the old spring has seven turns"
    assert_text "Order 1 is saved"
    visit "/orders/1"
    assert_text "Placed all the same: the old spring has seven turns"
  end

  def test_the_plate_alone_is_checked
    visit "/"
    say "RPL20, packings"
    assert_text "To be sure of the plate"
    assert_selector "aside[aria-label=Tray]", text: "Only a plate or a number says which pump this is"
    line "13.2 lpm, black crankcase"
    assert_text "Enough to order"
  end

  def test_what_no_pump_has_can_be_said
    visit "/"
    say "packings"
    assert_text "Is there a maker's name"
    find("section[aria-label='Ask next'] button", text: "another maker").click
    assert_button "maker another: strike out"
    assert_no_selector "aside[aria-label=Tray] li"
  end

  def test_complaints_are_kept_and_shown_with_the_work
    visit "/"
    say "DK420, grey, 17.6 lpm, loses pressure, milky oil, packings"
    assert_selector "section[aria-label=Work]", text: "complaint: loses pressure, milky oil"
    line ""
    assert_text "Complaint: loses pressure, milky oil."
    line ""
    open_answer "Parts"
    find("button", text: "part now, the rest to come").click
    line "save"
    assert_text "A danger stands that the caller was not told of"
    click_button "Read out: they know"
    assert_text "The caller was told by"
    find_field("What you hear").send_keys([:control, "a"], "save", :enter)
    assert_text "Say why the order is placed all the same"
    assert_equal 0, database[:orders].count, "places of the work stay empty"
    find_field("What you hear").send_keys([:control, "a"], "save they have the seals", :enter)
    assert_text "Order 1 is saved"
    assert_equal ["loses pressure", "milky oil"], JSON.parse(database[:orders].get(:document)).dig("work", "complaints")
  end

  def test_who_typed_is_kept
    visit "/"
    fill_in "Who is typing", with: "Ada"
    find_field("What you hear").send_keys("8 bolts", :enter)
    assert_button "head bolts 8: strike out"
    assert_equal ["Ada"], database[:entries].select_map(:who)
  end

  def test_a_refused_step_is_said_where_it_was_taken
    visit "/"
    say "TK4, packings"
    assert_text "Ask next"
    id = database[:tickets].get(:id)
    database[:entries].insert(ticket_id: id, number: 2, kind: "ordered", body: '{"order_id":7,"reason":null}', key: "x", who: "Bo", at: Time.now)
    select "pump on the counter", from: "How the customer is present"
    assert_selector "header [role=alert]", text: "This ticket is order 7 already"
  end
end
