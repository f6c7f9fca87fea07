# frozen_string_literal: true

require_relative "../support/system"

# The catalogue in the browser: looked up, begun a ticket from, written, published and taken back.
class CatalogueTest < SystemTest
  def test_a_part_is_found_by_its_sizes_and_a_ticket_begun_from_it_by_keyboard
    visit "/catalogue"
    keys "20x28x6 seal"
    assert_text "PW-4220"
    keys :arrow_down
    keys :enter
    assert_selector "h1", text: "PW-4220 high-pressure seal 20"
    assert_text "3 in a pump (cylinder 1, cylinder 2, cylinder 3)"
    assert_text "3 of it, for one pump"
    keys "t"
    assert_current_path %r{/tickets/\d+}
    assert_text "PW-4220"
  end

  def test_a_kit_says_what_it_leaves_open_and_a_series_shows_all_of_it
    visit "/catalogue/kits/PW-K220"
    assert_text "3, 3 left open"
    visit "/catalogue/series/pellwick-tk4"
    assert_selector "[aria-label='What tells the models apart']"
    ["Taken apart: TK4L20 from 31000", "195 lbf·in", "Sources and doubts"].each { |words| assert_text words }
    find_field("Which pump is drawn").select("TK4L15 before 31000")
    assert_text "Taken apart: TK4L15 before 31000"
    assert_link "PW-4215"
    visit "/catalogue/beside/pellwick-tk4/quellby-va"
    assert_text "Pellwick TK4 beside Quellby VA"
  end

  def test_the_catalogue_needs_no_sideways_scrolling
    %w[/catalogue /catalogue/parts/PW-4220 /catalogue/kits/PW-K220 /catalogue/series/pellwick-tk4 /catalogue/write].each do |path|
      visit path
      assert_selector "h1"
      assert_equal 1280, page.evaluate_script("document.documentElement.scrollWidth"), path
    end
  end

  def begin_changing
    visit "/catalogue/write/pellwick-tk4"
    click_button "Begin"
    assert_text "in the place of pellwick-tk4"
  end

  def retype(label, text)
    field = find(:xpath, "//*[@aria-label='#{label}']")
    field.send_keys([:control, "a"], text, :enter)
  end

  def test_a_torque_is_changed_its_danger_seen_published_and_taken_back
    begin_changing
    fill_in "read in (document)", with: "TK4 sheet, 5th edition"
    click_link "fasteners (3)"
    click_link "head_bolts"
    assert_accessible
    retype "value of fasteners 0 tightenings 0", "210"
    assert_text "2 places changed"
    click_button "publish"
    assert_text "a torque goes up"
    assert_text "published 210 lbf·in"
    fill_in "why (kept with the revision)", with: "new edition"
    click_button "Publish"
    assert_text "210 lbf·in", wait: 20
    assert_text "new edition", wait: 20
    click_button "take this one back"
    assert_text "takes revision 2 back"
    assert_no_text "210 lbf·in"
  end

  def test_a_mistake_stands_where_it_is_and_what_was_refused_stays_in_its_field
    begin_changing
    click_link "parts (49)"
    assert_accessible
    retype "od, mm of PW-4220", "18"
    assert_text "id_mm 20 is no less than od_mm 18"
    assert_text "parts (49) · 1 to look at"
    retype "od, mm of PW-4220", "wide"
    assert_text "“wide” is not a number"
    assert_field "od, mm of PW-4220", with: "wide"
    click_button "publish"
    assert_button "Publish", disabled: true
  end

  def test_rows_are_pasted_from_a_spreadsheet_and_a_table_with_its_own_headings_is_taken_in
    begin_changing
    click_link "parts (49)"
    page.execute_script(<<~JS, find_field("Paste rows here"))
      const data = new DataTransfer();
      data.setData("text", "PW-9001\\tspare ring\\t20\\t30\\nPW-9002\\tspare washer\\t8\\t16\\n");
      arguments[0].dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
    JS
    assert_text "parts (51)"
    assert_field "od, mm of PW-9002", with: "16"
    click_button "take a table in"
    find_field("Table, with its headings").send_keys("Part no;Description;OD\nPW-9002;spare washer;17\nPW-9003;ring;9\n")
    click_button "Look at it"
    assert_text "1 new, 1 otherwise than on file"
    click_button "Take these into the draft"
    assert_text "parts (52)"
    assert_field "od, mm of PW-9002", with: "17"
  end

  def test_bolts_are_placed_by_a_click_and_a_stack_is_drawn_as_it_is_built
    begin_changing
    click_link "fasteners (3)"
    click_link "head_bolts"
    find("svg[aria-label^='manifold from the front']").click
    assert_text(/but for|is 8, and head_bolts have 9/)
    click_link "stacks (6)"
    click_link "packing"
    click_button "trial card"
    assert_selector "figure[aria-label=packing]", text: "2 high-pressure seal"
    click_button "hp_seal up"
    assert_selector "figure[aria-label=packing]", text: "1 high-pressure seal"
  end

  def test_a_call_is_practised_on_a_draft
    begin_changing
    click_button "practice call"
    find("label", text: "What a caller says").find("input").send_keys("8 bolts, hex 6, 20 mm ceramic", :enter)
    assert_text "Nothing of this is kept."
    assert_text "TK4L20"
  end
end
