# frozen_string_literal: true

require_relative "../support/system"
require "pdf/reader"

# The whole job, by keyboard alone.
class StoryTest < SystemTest
  LINE = "something K, 4, then can't read, 20, eight head bolts taking a 6 mm hex key, three white plungers, " \
         "wants valves and packings, what torque"

  def test_from_the_call_to_the_card
    visit "/"
    assert_accessible
    say LINE
    assert_text "“Where is the oil sight glass?”"
    assert_button "head bolts 8: strike out"
    assert_text "inlet valves, discharge valves, packings (asked for)"
    assert_accessible

    say "1"
    assert_text "Enough to order"
    assert_text "from 31000 or 1 more with the same order"
    assert_text "They differ in shaft side, which does not change it."
    say ""
    assert_text "Agreed work"
    assert_accessible
    say ""
    assert_text "Goes back in"
    unfold "Why each part"
    assert_text "does not survive taking off the manifold"
    assert_accessible
    say ""
    assert_text "seal driver 20/22"
    assert_accessible
    say ""
    assert_text "published 195 lbf·in"
    assert_selector "svg[aria-label='manifold from the front: tighten in the order f, c, g, b, h, a, d, e']"
    assert_accessible
    say ""
    unfold "A jet goes through skin: hospital at once"
    assert_text "Any such injury is a medical emergency"
    assert_accessible
    say "save"
    assert_text "Order 1 is saved"

    # A browser without windows shows no PDF: which one is opened is what counts, what stands in it is read in test/exchange.
    page.execute_script("window.open = (url) => { window.opened = url; }")
    say "card"
    page.document.synchronize(5, errors: [Minitest::Assertion]) { assert_equal "/api/orders/1/card.pdf", page.evaluate_script("window.opened") }
    assert_equal 1, database[:orders].count
  end

  def test_what_would_be_heard_is_shown_while_the_line_is_typed
    visit "/"
    keys("three white plungers, hex 10, packings, SC3 25 mm plungers, wobbles a bit")
    assert_selector "[aria-label='Would be heard'] li", text: "25 mm plungers → plunger diameter 25 mm"
    assert_selector "[aria-label='Would be heard'] li", text: "“wobbles” not heard"
    assert_selector "aside[aria-label=Tray]", text: "Empty until"
    keys(:enter)
    assert_selector "section[aria-label=Pump]", text: "Orlenhavn SC325L"
    assert_selector "aside[aria-label=Tray]", text: "OH.K25"
  end

  def test_no_request_leaves_the_machine
    visit "/"
    say LINE
    assert_text "Ask next"
    visit "/orders"
    assert_text "1 open ticket"
    addresses = page.evaluate_script("performance.getEntriesByType('resource').map((one) => one.name)")
    refute_empty addresses
    addresses.each { |address| assert address.start_with?(page.server_url), address }
  end
end
