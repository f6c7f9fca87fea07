# frozen_string_literal: true

require_relative "../support/system"

class IdentifySystemTest < SystemTest
  def test_their_pump_on_one_key
    visit "/"
    select "Saltmarsh Oyster Sheds, Inner Quay", from: "Customer"
    assert_button "F2 · TK4R20"
    find_field("What you hear").send_keys("packings", :enter)
    keys(:f2)
    assert_button "plate TK4R20: strike out"
    assert_text "To be sure of the plate"
    say "?"
    assert_text "Do the papers or the machine's plate give a flow?"
    say "15"
    assert_text "Enough to order"
    assert_accessible
  end

  def test_the_caliper_answers_the_open_measurement
    visit "/"
    say "TK4, packings, brass head"
    select "only old parts in hand", from: "How the customer is present"
    assert_text(/How (thick|wide)/)
    asked = find("section[aria-label='Ask next']").text[/“(.+)”/, 1]
    find("[aria-label='Caliper stand-in'] button", text: "Send 20.00 mm").click
    assert_selector "button[aria-label$='20 mm: strike out']"
    assert_no_text "“#{asked}”"
    assert_selector "aside[aria-label=Tray]", text: "PW-K220"
  end

  def test_fronts_are_compared_while_several_series_are_left
    visit "/"
    say "three ceramic plungers, brass head, 8 bolts"
    assert_selector "section[aria-label='Side by side'] svg", minimum: 4
    assert_text "Only option A:"
    assert_accessible
    say "plate TK4L20"
    assert_no_selector "section[aria-label='Side by side']"
  end

  def test_the_question_shows_where_to_look
    visit "/"
    select "only old parts in hand", from: "How the customer is present"
    find_field("What you hear").send_keys("three ceramic plungers, brass head, 8 bolts", :enter)
    assert_text "What holds the plunger on"
    # Nut, bolt or nothing: each is a picture, and pressing one answers.
    assert_selector "section[aria-label='Ask next'] button svg", minimum: 2
    find("section[aria-label='Ask next'] button", text: "bolt").click
    assert_button "what holds the plunger bolt: strike out"
  end

  def test_a_question_without_pictures_shows_where_to_look
    visit "/"
    say "three plungers, brass head, six caps"
    assert_selector "section[aria-label='Ask next'] svg[aria-label^='Where to look: from the']"
  end

  def test_a_flow_that_does_not_add_up_is_shown_with_its_sum
    visit "/"
    say "plate TK4L18, 15 lpm at 1450, packings"
    assert_selector "[role=note]", text: "15 L/min is more than TK4L18 can sweep (13.3)"
    assert_text "3 × π/4 × 18² mm² × 12 mm × 1450 rpm / 10⁶ = 13.3 L/min swept"
  end

  def test_a_pump_that_is_not_on_file_is_kept_as_it_was_said
    visit "/"
    say "plate ZZ9931QX, 14 bolts, 5 cylinders, brass head"
    assert_text "No pump in the catalogue fits what was seen."
    assert_accessible
    say "not on file"
    assert_text "Kept as a pump that is not on file."
    say "four bolts after all, plate TK4R20, a mermaid on its sticker"
    assert_text "mermaid"
    assert_no_selector "[aria-label=Candidates]"
    click_link "all that is known of it"
    assert_text "“four bolts after all, plate TK4R20, a mermaid on its sticker”"
    assert_text "not taken as anything: mermaid"
    assert_accessible
    click_link "Orders"
    assert_selector "section[aria-label='Not on file']", text: "plate ZZ9931QX, 14 bolts"
    click_link "nobody named"
    fill_in "what came of it", with: "it was a TK4 after all"
    keys :enter
    assert_selector "[aria-label=Candidates]"
  end

  def test_an_old_number_from_an_invoice
    visit "/"
    say "invoice PW-K42A, discharge valves"
    assert_selector "section[aria-label=Pump]", text: "before 31000"
    assert_button "old part or kit number PWK42A: strike out"
  end

  def test_what_a_reading_moved_is_shown
    visit "/"
    say "brass head, 8 bolts"
    assert_selector "[aria-label=Candidates]"
    say "TK4"
    assert_selector "[aria-label=Candidates]", text: "▴"
  end
end
