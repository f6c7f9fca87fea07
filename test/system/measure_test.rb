# frozen_string_literal: true

require_relative "../support/system"

# Wet hands at the measuring bench: the verdict, the picture, the sum.
class MeasureSystemTest < SystemTest
  def test_a_ring_in_its_groove_by_keyboard
    visit "/measure/seal"
    keys "7", :tab, "11"
    assert_selector "[aria-label=Verdict]", text: "7 × 2 mm. This is the size."
    assert_accessible
    { "groove inside, mm" => "7.1", "groove outside, mm" => "10.3", "groove width, mm" => "2.8" }.each { |label, size| fill_in label, with: size }
    assert_selector "svg[role=img][aria-label*='in its groove: 2.8 mm wide, 1.6 mm deep']"
    assert_text "squeeze: (1.97 − 1.6) / 1.97"
    fill_in "inside, mm", with: "17", match: :first
    assert_text "The inner diameter 17 is not below the outer 11"
    assert_field "outside, mm", with: "11"
  end

  def test_from_a_ticket_to_the_bench_and_back
    visit "/"
    say "plate TK4L20, loses pressure"
    keys :enter
    click_link "Bucket, nozzle, pressure"
    assert_field "pump (designation)", with: "TK4L20"
    fill_in "litres", with: "20"
    fill_in "in seconds", with: "85"
    all(:field, "nozzle number").first.set("045")
    fill_in "pressure at the gun", with: "100"
    assert_selector "[aria-label=Verdict]", text: "Worn nozzle"
    assert_selector "svg[role=img][aria-label*='meet at']"
    assert_accessible
    click_button "Keep this on ticket 1"
    assert_text "measured: bucket: 20 litres in 85 s"
  end
end
