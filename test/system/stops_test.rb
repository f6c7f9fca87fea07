# frozen_string_literal: true

require_relative "../support/system"

# A danger on screen: above pump and price, in the way of the order until it was read out, the first step at the bench.
class StopsOnScreenTest < SystemTest
  def test_from_the_call_to_the_bench
    visit "/"
    say "TK4R20, serial 31500, green, 15 lpm, packings, hairline crack in the manifold"
    assert_selector "section[aria-label='Stop: a crack']", text: "STOP: a crack."
    assert_text "Switch it off and keep it off"
    assert_accessible
    2.times { say "" }
    say "save"
    assert_text "A danger stands that the caller was not told of"
    click_button "Read out: they know"
    assert_text "The caller was told by"
    find_field("What you hear").send_keys([:control, "a"])
    save_order
    assert_text "Order 1 is saved"
    bench
  end

  def bench
    visit "/orders/1/bench"
    assert_selector "section[aria-label='Stop: a crack']"
    assert_no_text "Before you start"
    assert_accessible
    click_button "It is seen to: go on"
    assert_text "Say what was looked at before this is lifted"
    fill_in "what was looked at, by whom", with: "a new manifold is on, Tomos"
    click_button "It is seen to: go on"
    assert_no_selector "section[aria-label='Stop: a crack']"
    assert_equal 1, database[:entries].where(kind: "hazard_lifted").count
  end

  def test_what_may_be_one_is_asked
    visit "/"
    say "maybe the head is cracked"
    assert_text "Ask first: Is the metal itself cracked?"
    within("section[aria-label='Stop: a crack']") { click_button "No" }
    assert_no_text "Ask first"
    say "the jet got his finger"
    assert_text "STOP: struck by the jet."
    click_button "It is seen to"
    fill_in "what was looked at, by whom", with: "he is at the hospital"
    click_button "Lift it"
    assert_no_text "STOP"
  end
end
