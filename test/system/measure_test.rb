# frozen_string_literal: true

require_relative "../support/system"

# Wet hands at the measuring bench: the verdict, the picture, the sum.
class MeasureSystemTest < SystemTest
  def test_a_ring_in_its_groove_by_keyboard
    visit "/measure/seal"
    keys "9", :tab, "14"
    assert_selector "[aria-label=Verdict]", text: "HG-11 O-ring 9 × 2.5. This is the size."
    { "groove inside" => "9.1", "groove outside" => "13.1", "groove width" => "3.4" }.each { |label, size| fill_in label, with: size }
    assert_selector "svg[role=img][aria-label*='in its groove: 3.4 mm wide, 2 mm deep']"
    first("summary", text: "how it is worked out").click
    assert_text "squeeze: (2.47 − 2) / 2.47"
    fill_in "inside, mm", with: "17", match: :first
    assert_text "The inner diameter 17 is not below the outer 14"
    assert_field "outside, mm", with: "14"
  end

  def test_from_a_ticket_to_the_bench_and_back
    visit "/"
    say "plate TK4L20, loses pressure"
    keys :enter
    click_link "Bucket, nozzle, pressure"
    assert_field "pump", with: "TK4L20"
    fill_in "litres", with: "20"
    fill_in "in seconds", with: "85"
    all(:field, "nozzle number").first.set("045")
    fill_in "pressure at the gun", with: "100"
    assert_selector "[aria-label=Verdict]", text: "Worn nozzle"
    assert_selector "svg[role=img][aria-label*='meet at']"
    click_button "Keep this on ticket 1"
    assert_text "measured: bucket: 20 litres in 85 s"
  end

  def test_an_unloader_and_its_rubber
    visit "/measure/valves"
    fill_in "in place of valve", with: "WX20"
    fill_in "wanted pressure", with: "140"
    assert_selector "[aria-label=Verdict]", text: "WX20 serves."
    assert_selector "[aria-label=Valves] li", text: "Harrowgill HV18 fits, with a difference"
    assert_text "outlet: M22 x 1.5 instead of G 3/8"
    click_link "Materials"
    select "EPDM, ethylene propylene", from: "Material"
    select "lithium grease", from: "Set in with"
    assert_selector "[aria-label=Verdict]", text: "They do not go together."
    assert_text "Never lithium grease on EPDM"
    assert_accessible
  end

  # As it is said: the figures become a verdict on the ticket, and the pump is cleared.
  def test_the_typing_line_takes_a_bucket
    visit "/"
    say "plate TK4L20, loses pressure"
    say "bucket 20 litres in 85 seconds, nozzle 045, 100 bar"
    keys :enter
    assert_selector "section[aria-label=Measured]", text: "Worn nozzle"
    assert_text "No parts yet: the pump is probably not at fault."
    click_button "Strike out: 20 litres in 85 s, nozzle 045, pressure 100 bar"
    assert_no_selector "section[aria-label=Measured]", text: "Worn nozzle"
  end

  def test_a_ring_from_the_bench_goes_along_with_the_order
    visit "/"
    say "plate TK4R20, serial 31500, packings"
    assert_selector "aside[aria-label=Tray]", text: "PW-K220"
    visit "/measure/seal?ticket=1"
    fill_in "inside, mm", with: "9"
    fill_in "outside, mm", with: "14"
    click_button "HG-11 goes along with ticket 1"
    assert_text "Added to ticket 1."
    visit "/tickets/1"
    assert_selector "aside[aria-label=Tray]", text: "HG-11"
  end
end
