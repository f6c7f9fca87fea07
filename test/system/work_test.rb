# frozen_string_literal: true

require_relative "../support/system"

# From what is complained of to what is sold, by hand and eye.
class WorkTest < SystemTest
  def say(line) = find_field("What you hear").send_keys(line, :enter)

  def call_about(line)
    visit "/"
    say line
    assert_text "Enough to order"
  end

  def open_answer(name) = find("section[aria-label='#{name}'] h2 button").click
  def folded = Gimlet::Core::Ticket::TicketState.of(Gimlet::Store::Tickets.new(database).entries(1))

  def test_a_complaint_is_followed_to_its_work
    call_about "plate TK4R20, serial 31500, 15 lpm, green, pulses and loses pressure"
    open_answer "Work"
    within("section[aria-label='What the complaint points to']") do
      assert_text "valves"
      click_button "Does the hose beat once a turn, as if one cylinder were dead? Yes"
      assert_button "one cylinder only: yes, take back"
      click_button "Least that should mend it: inlet valves, discharge valves", exact: false
    end
    assert_checked_field "inlet valves", visible: :all
    assert_accessible
    assert_equal [%w[inlet_valves discharge_valves], { "one_cylinder" => "yes" }], [folded.scope, folded.checked]
  end

  # By keyboard alone: an empty Enter takes the least that should mend it, the next one agrees it.
  def test_enter_takes_the_least_work_and_then_agrees_it
    call_about "plate TK4R20, serial 31500, 15 lpm, green, oil on the floor"
    say ""
    assert_text "Least that should mend it: oil seals"
    say ""
    assert_text "oil seals (asked for)"
    say ""
    assert_text "Why each part"
    assert_equal [["oil_seals"], true], [folded.scope, folded.agreed]
  end

  def test_a_worn_nozzle_needs_no_parts
    call_about "plate TK4R20, serial 31500, 15 lpm, green, loses pressure"
    open_answer "Work"
    assert_text "15 L/min at 200 bar is a nozzle of size 4.7"
    click_button "Does a new nozzle of the right size bring the pressure back? Yes"
    assert_text "No parts yet: the pump is probably not at fault."
  end

  def test_one_cylinder_only_and_how_far
    call_about "plate DK420, 17.6 lpm, grey, inlet valves"
    open_answer "Work"
    within("[aria-label='inlet valves: where']") do
      uncheck "inlet valve 1"
      assert_unchecked_field "inlet valve 1", visible: :all
      uncheck "inlet valve 3"
    end
    assert_text "inlet valves (inlet valve 2) (asked for)"
    choose "only what was agreed", exact: false
    assert_text "new parts run against them"
    open_answer "Parts"
    unfold "Why each part"
    assert_selector "table[aria-label='Why each part'] tr", text: "1 × DB 7711"
    assert_equal [{ "inlet_valves" => ["inlet valve 2"] }, "leak_only"], [folded.at, folded.extent]
  end

  def test_what_is_found_on_a_piece_changes_the_order
    call_about "plate MGL40, 600 rpm, 94 lpm, inlet valves"
    open_answer "Parts"
    within("section[aria-label='inlet valve']") do
      click_button "inlet valve cage"
      select_option "Found at", "inlet valve 2"
      click_button "renew it"
    end
    unfold "Why each part"
    assert_selector "table[aria-label='Why each part'] tr", text: "1 × MG-0043"
    assert_accessible
    found = folded.findings.first
    assert_equal ["inlet_cage", "inlet valve 2", "replace"], found.values_at(:slot, :position, :outcome)
  end

  def select_option(label, option)
    find("[role='combobox']", text: "everywhere").click
    page.document.find("[role='option']", text: option).click
    assert_text label
  end

  def test_a_line_set_by_hand_and_what_the_customer_has
    call_about "plate DK420, 17.6 lpm, grey, packings"
    open_answer "Parts"
    click_button "DB KIT 120: set by hand"
    fill_in "Quantity", with: 0
    fill_in "Why", with: "the bags are torn"
    click_button "set"
    unfold "Kits that are not used"
    assert_text "taken off by hand: the bags are torn"
    assert_no_selector "table[aria-label='Parts to sell'] tr", text: "DB KIT 120"
    assert_selector "table[aria-label='Parts to sell'] tr", text: /3\s+DB 7820/
    find("button", text: "part now, the rest to come").click
    assert_text "Not covered: 3 × high-pressure packing 20 DB 7820, taken off by hand"
    unfold "Why each part"
    fill_in "DB 7850: the customer has", with: 3
    find_field("DB 7850: the customer has").send_keys(:enter)
    assert_text "The customer has 3."
    assert_no_selector "table[aria-label='Parts to sell'] tr", text: "DB 7850"
  end

  def test_the_customer_s_own_wrench_is_not_lent
    call_about "plate TK4R20, serial 31500, 15 lpm, green, packings"
    open_answer "Tools"
    assert_selector "table[aria-label=Tools] tr", text: "torque wrench to 25 N·m"
    fill_in "from", with: 60
    fill_in "to", with: 5
    click_button "they have it"
    assert_text "is upside down: the smaller figure comes first"
    fill_in "from", with: 5
    fill_in "to", with: 60
    select "N·m", from: "Unit of that wrench"
    click_button "they have it"
    assert_selector "table[aria-label=Tools] tr", text: "customer's torque wrench 5 to 60 N·m"
    assert_no_text "torque wrench to 25 N·m"
    find_field("hex 6: the customer has it", visible: :all).click
    assert_text "the customer has 2"
    assert_accessible
  end

  # The day that was asked for stands in the field already; what is there by then leads, and the hands are on the line again.
  def test_by_which_day_all_of_it_is_wanted
    call_about "plate TK4R20, serial 31500, 15 lpm, green, packings, in a hurry"
    assert_field "wanted by", with: "today"
    fill_in "wanted by", with: "yesterweek"
    click_button "set"
    assert_selector "aside[aria-label=Tray]", text: "no day"
    assert_field "wanted by", with: "yesterweek"
    fill_in "wanted by", with: "today"
    click_button "set"
    assert_button "no day"
    assert_text "wanted by #{Date.today.strftime('%-d %b %Y')}"
    assert_no_text "too late"
    assert_equal find_field("What you hear"), page.active_element
    assert_equal Date.today.iso8601, folded.wanted
    click_button "no day"
    assert_field "wanted by"
    assert_nil folded.wanted
  end

  # A tablet on the counter, a desk and a wide screen.
  def test_it_fits_a_tablet_a_desk_and_a_wide_screen
    call_about "plate HBL25, 1000 rpm, grey, 27 lpm, packings and valves"
    [820, 1280, 1920].each do |width|
      view(width, 857)
      %w[Work Parts].each do |name|
        open_answer name
        assert_operator page.evaluate_script("document.documentElement.scrollWidth"), :<=, width, "#{name} at #{width}"
      end
    end
  ensure
    view
  end
end
