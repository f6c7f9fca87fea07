# frozen_string_literal: true

require_relative "../support/system"

# From the torque that no sheet has to the last turn of the wrench.
class BenchSystemTest < SystemTest
  def say(line) = find_field("What you hear").send_keys(line, :enter)

  def order(line)
    visit "/"
    say line
    assert_text "Hand over"
    say "save"
    assert_text "work card (PDF)"
  end

  def log = Gimlet::Core::Bench::Log.of(Gimlet::Store::EntryLog.new(database, :bench_entries, :order_id).of(1))

  def test_ticks_and_turns_are_kept_and_what_lies_outside_is_flagged
    order "plate TK4R20, serial 31500, 15 lpm, green, packings"
    visit "/orders/1"
    click_link "At the bench"
    assert_text "step 1 of"
    12.times { find("button", text: /next\z/i).click if page.has_no_selector?("section[aria-label='Take apart']", wait: 1) }
    within("section[aria-label='Take apart']") { first("label").click }
    click_button "Show the whole list"
    assert_accessible
    click_button "head bolts M8: tighten"
    2.times do |turn|
      assert_text "bolt #{turn + 1}, turn #{turn + 1} of 34"
      assert_text "draw in, these by turns"
      keys :enter
    end
    assert_text "round 2 of 5"
    keys "6.5", :enter
    assert_text "bolt 2, turn 4 of 34"
    keys :enter
    assert_text "bolt 3, turn 5 of 34"
    keys "8", :enter
    assert_text "8 N·m: over, 6.2 N·m to 7 N·m is asked."
    assert_text "bolt 3, turn 5 of 34"
    assert_accessible
    keys "20 mm", :enter
    assert_text "is no torque"
    assert_equal "20 mm", find_field("reached").value
    select "lbf·in", from: "Unit that the wrench reads"
    click_button "Send 20 lbf·in"
    assert_text "20 lbf·in: under"
    click_button "Close"
    assert_text "4 of 34 turns done"
    assert_text "8 N·m was over"
    visit "/orders/1/bench"
    assert_text "4 of 34 turns done"
    assert_text "8 N·m was over"
    assert_equal [6.5, "lbf·in"], [log.reading("head_bolts", 2)["value"], log.reading("head_bolts", 4)["unit"]]
    assert_equal "wrench", log.reading("head_bolts", 4)["by"]
    assert_includes log.ticked, "turn head_bolts 3"
  end

  # Nothing is guessed where the sheet is silent: what is looked up stands on the order with its source.
  def test_a_value_is_entered_with_its_source_and_a_tool_is_lent
    visit "/"
    say "plate MGL40, plungers and packings"
    assert_selector "aside[aria-label=Tray] li", minimum: 2
    find("section[aria-label='Tightening'] h2 button").click
    within("form[aria-label='plunger bolts: enter a value']") do
      fill_in "value found", with: "48"
      click_button "enter it"
    end
    assert_text "Say where the value stands"
    within("form[aria-label='plunger bolts: enter a value']") do
      assert_field "value found", with: "48"
      fill_in "where it stands", with: "letter of the maker"
      click_button "enter it"
    end
    assert_text "entered at the counter, not from the series sheet"
    find("section[aria-label='Tools'] h2 button").click
    select "lent", from: "support pins M16, pair: lent or sold"
    assert_select "support pins M16, pair: lent or sold", selected: "lent"
    say "save"
    fill_in "Save all the same, because …", with: "his own plate"
    click_button "Save all the same"
    assert_text "work card (PDF)"
    record = Gimlet::Store::Orders.new(database).find(1)[:record]
    bolts = record["tightening"].find { |row| row["fastener"] == "plunger_fix" }
    assert_equal [true, "letter of the maker"], bolts.values_at("entered", "source")
    assert_equal "lent", record["tools"].find { |tool| tool["number"] == "MG-T4" }["how"]
  end
end
