# frozen_string_literal: true

require_relative "../support/system"

# The typing line as hands use it: a choice on one key, what puts the line before right, lines brought back, and whoever calls named in it.
class LineTest < SystemTest
  def field = find_field("What you hear")

  def test_a_rating_without_a_frame_is_chosen_by_one_key
    visit "/"
    say "15 lpm"
    within("[aria-label='What “15 lpm” means']") { assert_button "F6 rated flow 15 L/min" }
    assert_no_button "rated flow 15 L/min: strike out"
    keys(:f6)
    assert_button "rated flow 15 L/min: strike out"
    assert_no_selector "[aria-label='What “15 lpm” means']"
    # While it is still being typed, the key sends the line too.
    keys("200 bar")
    assert_selector "[aria-label='What “200 bar” means']"
    keys(:f7)
    assert_button "seen now, no rating: strike out"
    assert_field "What you hear", with: ""
    say "10 bar"
    assert_selector "[aria-label='What “10 bar” means']"
    keys(:escape)
    assert_no_selector "[aria-label='What “10 bar” means']"
    assert_text "meant neither"
  end

  def test_a_line_puts_the_one_before_right
    visit "/"
    say "8 bolts, brass head"
    assert_button "head bolts 8: strike out"
    say "sorry, ten bolts"
    assert_button "head bolts 10, instead of “8 bolts”: strike out"
    assert_button "head bolts 8: bring back"
    assert_button "head material brass: strike out"
  end

  def test_strike_takes_each_line_back_once_whether_or_not_it_was_heard
    visit "/"
    say "8 bolts"
    say "grumbles at night"
    assert_text "Not heard: “grumbles at night”"
    say "strike"
    assert_no_text "Not heard: “grumbles at night”. Press"
    assert_button "head bolts 8: strike out"
    say "strike"
    unfold "2 struck out"
    assert_button "head bolts 8: bring back"
    say "back 1"
    assert_button "head bolts 8: strike out"
  end

  def test_the_arrows_bring_lines_back_and_escape_clears
    visit "/"
    say "8 bolts"
    say "hex 6"
    assert_button "head bolt drive hex 6: strike out"
    keys(:up)
    assert_field "What you hear", with: "hex 6"
    keys(:up)
    assert_field "What you hear", with: "8 bolts"
    keys(:down)
    assert_field "What you hear", with: "hex 6"
    keys(:escape)
    assert_field "What you hear", with: ""
  end

  # Wherever the mouse was last, what is typed next goes into the line.
  def test_a_click_anywhere_leaves_the_typing_in_the_line
    visit "/"
    say "8 bolts"
    find("section[aria-label='Work'] h2 button").click
    page.driver.browser.action.send_keys("hex 6").perform
    assert_field "What you hear", with: "hex 6"
  end

  def test_who_calls_is_named_in_the_line_or_written_down
    visit "/"
    say "nannyfield goat dairy, 8 bolts"
    assert_select "Customer", selected: "Nannyfield Goat Dairy, Nannyfield"
    say "new customer Ferrymead Cress, Ostrey Quay"
    assert_select "Customer", selected: "Ferrymead Cress, Ostrey Quay"
    say "new customer ferrymead cress"
    assert_text "There is a customer called “Ferrymead Cress”, Ostrey Quay already"
  end

  def test_work_heard_after_it_was_agreed_is_added_and_named
    visit "/"
    say "TK4L20, serial 31500, packings"
    assert_text "asked for: packings"
    find("section[aria-label='Work'] h2 button").click
    click_button "Agreed with the customer"
    assert_text "PW-K220"
    say "and oil seals too"
    assert_text "since it was agreed: oil seals added"
  end

  def test_the_line_that_told_most_is_named_and_what_made_it_less_certain
    visit "/"
    say "TK4, 8 bolts"
    assert_text "Line 1 told most"
    say "ten bolts"
    assert_text "Line 2 made it less certain."
  end

  def test_f1_tells_what_the_words_between_do
    visit "/"
    keys(:f1)
    within("section[aria-label='What can be typed']") do
      assert_text "everything bar the plungers"
      assert_text "new customer [name, place]"
    end
  end
end
