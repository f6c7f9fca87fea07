# frozen_string_literal: true

require_relative "../support/system"

# What the eye can choose is chosen on a picture, and hands stay on the keys.
class PicturesTest < SystemTest
  def line = find_field("What you hear")
  def folded = Gimlet::Core::Ticket::TicketState.of(Gimlet::Store::Tickets.new(database).entries(1))
  def focused = page.evaluate_script("document.activeElement.getAttribute('aria-label')")

  def wait_until(seconds = 8)
    deadline = Time.now + seconds
    sleep 0.05 until yield || Time.now > deadline
    assert yield, "in time"
  end

  def test_where_it_drips_is_pointed_at
    visit "/"
    say "plate TK4L20, serial 32000, three ceramic plungers, 8 bolts hex 6, water drips from it, packings"
    find("section[aria-label='Work'] h2 button").click
    within("section[aria-label='Where does it drip?']") do
      assert_selector "svg [role=button]", minimum: 5
      find("svg [role=button][aria-label$='from the weep hole']").click
    end
    assert_text "complaint: water outside, weep hole wet"
    assert_includes folded.complaints, "weep_hole"
    assert_no_selector "section[aria-label='Where does it drip?']"
    # Oil is another leak. The same by keyboard, from the list beside it.
    say "and it loses oil"
    find("section[aria-label='Where does it drip?'] li button", text: "at the shaft").send_keys(:enter)
    wait_until { folded.signs["oil_shaft"] }
    assert_accessible
  end

  # What was opened comes before everything else, and a pump that must not be run says so first.
  def test_after_a_rebuild_what_was_opened_is_asked
    visit "/"
    say "plate TK4L20, serial 32000, three ceramic plungers, 8 bolts hex 6, since the rebuild it will not turn"
    find("section[aria-label='Work'] h2 button").click
    assert_text "STOP: it will not turn"
    find("section[aria-label='What was opened?'] button", text: "packings were changed").send_keys(:enter)
    wait_until { folded.signs["opened_seals"] }
    assert_no_selector "section[aria-label='What was opened?']"
    assert_text "how it was put together"
    assert_accessible
  end

  def test_cylinders_are_picked_on_the_drawing
    visit "/"
    say "plate DK420, 17.6 lpm, grey, packings"
    assert_text "Enough to order"
    find("section[aria-label='Work'] h2 button").click
    pump = find("svg[aria-label='Which: cylinder 1, cylinder 2, cylinder 3']")
    assert_equal(%w[true true true], (1..3).map { |number| pump.find("[aria-label='cylinder #{number}']")["aria-pressed"] })
    pump.find("[aria-label='cylinder 2']").click
    wait_until { folded.at == { "packings" => ["cylinder 1", "cylinder 3"] } }
    assert_selector "svg [aria-label='cylinder 2'][aria-pressed=false]"
    find("svg [aria-label='cylinder 2']").send_keys(:enter)
    wait_until { folded.at.empty? }
  end

  # Tab goes from size to size; a comma is a point.
  def test_an_old_part_is_laid_on_a_picture
    visit "/"
    select "only old parts in hand", from: "How the customer is present"
    say "three ceramic plungers, brass head, 8 bolts"
    fill_in "seal inner diameter", with: "20,0"
    keys :tab, "28", :tab, "6"
    click_button "U-cup"
    click_button "Take these sizes"
    ["seal inner diameter 20 mm", "seal outer diameter 28 mm", "seal height 6 mm", "seal shape U-cup"].each do |text|
      assert_button "#{text}: strike out"
    end
    assert_equal(%w[caliper caliper caliper], folded.readings.filter_map { |reading| reading[:tool] if reading[:trait].start_with?("seal_") })
    click_button "valve spring"
    fill_in "valve spring turns", with: "a few"
    click_button "Take these sizes"
    assert_selector "[role=alert]"
  end

  PHOTO = Base64.decode64("iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==")

  # Made a small JPEG in the browser, kept with the ticket, opened beside the drawing, and taken off again.
  def test_a_photo_is_kept_with_the_ticket
    visit "/"
    say "plate TK4L20, serial 32000, three ceramic plungers, 8 bolts hex 6, packings"
    assert_button "Add a photo"
    path = File.join(@folder, "pump.png").tap { |file| File.binwrite(file, PHOTO) }
    attach_file "Photo", path, make_visible: true
    find("button[aria-label^='photo 1']").click
    within("[role=dialog]") do
      assert_selector "img[alt='What the customer sent']"
      assert_selector "svg[aria-label$='from the front']"
      assert_equal "\xFF\xD8".b, Gimlet::Store::Photos.new(database).jpeg(1)[0, 2]
      click_button "Take it off the ticket"
    end
    assert_no_selector "button[aria-label^='photo 1']"
    attach_file "Photo", File.expand_path(__FILE__), make_visible: true
    assert_text "This file is no picture"
    assert_equal 0, database[:photos].count
  end

  # A piston with seals from both ends: no order of work is made up from how they lie.
  def test_a_stack_without_an_order_on_file_is_not_played
    visit "/catalogue/series/brackenholt-dw"
    within("section[aria-label='Taken apart'] figure[aria-label='piston']") do
      assert_text "In which order they go in is not on file."
      assert_no_button "the next piece"
    end
    within("section[aria-label='Taken apart'] figure[aria-label='left head']") { assert_no_text "not on file" }
  end

  # Each press shows one piece more, in the order in which they go in.
  def test_a_stack_is_played
    visit "/catalogue/series/pellwick-tk4"
    within("section[aria-label='Taken apart'] figure[aria-label='packing']") do
      click_button "the next piece"
      assert_text "1 of"
      first_in = find("[aria-live=polite] strong").text
      assert_equal "support ring", first_in
      assert_equal(1, all("svg > g").count { |piece| piece["opacity"] == "1" })
    end
    browser_keys :arrow_right
    browser_keys :arrow_right
    within("section[aria-label='Taken apart'] figure[aria-label='packing']") { assert_text "3 of" }
    browser_keys :arrow_left
    within("section[aria-label='Taken apart'] figure[aria-label='packing']") { assert_text "2 of" }
  end

  def browser_keys(key) = page.driver.browser.action.send_keys(key).perform

  def test_after_a_click_the_hands_are_on_the_line_again
    visit "/"
    say "plate DK420, 2 cylinders"
    click_button "cylinders 2: strike out"
    wait_until { focused == "What you hear" }
    browser_keys "six caps"
    assert_equal "six caps", line.value
    browser_keys :enter
    assert_button "valve caps 6: strike out"
    assert folded.lines.one? { |one| one.kind == "struck" }, "Enter did not press the chip once more"
    # From a menu too.
    select "photo", from: "How the customer is present"
    browser_keys "8 bolts"
    browser_keys :enter
    assert_button "head bolts 8: strike out"
  end

  # Nothing is done to what is folded away: it is shown, and what was typed stays.
  def test_nothing_out_of_sight_is_struck_or_answered
    visit "/"
    say "three plungers, brass head"
    assert_text "Ask next"
    find("section[aria-label='Work'] h2 button").click
    say "?"
    assert_text "The question is folded away. It is in sight now"
    assert_selector "section[aria-label='Ask next']"
    assert_empty(folded.readings.select { |reading| reading[:unknown] })
    find("section[aria-label='Work'] h2 button").click
    line.set("")
    say "strike"
    assert_text "is in sight now: strike it again"
    assert_equal 0, folded.lines.count(&:struck)
    say ""
    wait_until { folded.lines.one?(&:struck) }
  end

  # Each key of the list under F1 is one that something listens to, and the list is shown on any page.
  def test_every_key_stands_in_one_list
    visit "/catalogue"
    browser_keys :f1
    within("[role=dialog]") { %w[F1 F9 F10 = t].each { |key| assert_selector "kbd", text: key, exact_text: true } }
    browser_keys :f1
    assert_no_selector "[role=dialog]"
    bound = Dir[File.expand_path("../../ui/src/**/*.ts*", __dir__)].reject { |file| file.end_with?("keys.ts") }.map { |file| File.read(file) }.join
    names = File.read(File.expand_path("../../ui/src/shell/keys.ts", __dir__)).scan(/^ {2}(\w+): \{ key/).flatten
    assert_operator names.size, :>, 15
    assert_empty(names.reject { |name| bound.match?(/keys\.#{name}\b|"#{name}"|\b#{name}:/) })
    # And no key is listened to that is not in the table.
    loose = bound.scan(%r{event\.key === "(F\d+|[a-z=/]|Arrow\w+|Backspace|Escape)"}).flatten
    assert_empty loose - %w[ArrowDown ArrowUp Escape Backspace]
  end

  def test_a_finding_goes_from_the_bench_to_the_ticket
    visit "/"
    say "plate TK4R20, serial 31500, 15 lpm, green, packings"
    assert_text "Enough to order"
    save_order
    assert_text "Order 1 is saved"
    visit "/orders/1/bench"
    click_button "Show the whole list"
    first("summary", text: "Found something else on a piece?").click
    select "support ring", from: "packing: which piece"
    select "cylinder 2", from: "packing: where"
    click_button "renew it"
    assert_selector "section[aria-label='Found at the bench']", text: "support ring, cylinder 2: renew it"
    visit "/desk/today"
    assert_selector "section[aria-label='Found at the bench, to agree']", text: "support ring"
    visit "/orders/1"
    click_button "Take it to the ticket"
    assert_text "opened again: found at the bench: support ring, cylinder 2: renew it"
    assert_selector "aside[aria-label=Tray]", text: "PW-4262"
    assert_equal(["support_ring"], folded.findings.map { |finding| finding[:slot] })
  end
end
