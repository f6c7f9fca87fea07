# frozen_string_literal: true

require_relative "../support/system"

# A server that is gone or slow, and addresses that nothing is at.
class AwayTest < SystemTest
  NOBODY_BEHIND = [502, { "content-type" => "text/html" }, ["<h1>Bad Gateway</h1>"]].freeze
  GONE = "Gimlet does not answer. What you typed is tried again for a while, then stands in its field."

  # Chromium logs the answers that the tests made.
  def assert_no_faults_in_the_console = page.driver.browser.logs.get(:browser)

  def said = database[:entries].where(kind: "said").select_map(:body).map { |body| JSON.parse(body)["words"] }
  def line = find_field("What you hear")

  # Said within two seconds; sent again by itself, and counted once.
  def test_a_line_to_a_server_that_is_gone
    visit "/"
    line.send_keys("8 bolts", :enter)
    assert_text "Ask next"
    # Fetched last; what is fetched while nobody answers is another story, below.
    assert_text "An old part in hand"
    STAGE.app = ->(_) { NOBODY_BEHIND }
    line.send_keys("brass head", :enter)
    assert_selector "[role=alert]", text: GONE, wait: 2
    STAGE.app = @app
    assert_no_text GONE, wait: 10
    assert_selector "[aria-label='The call']", text: "brass head", wait: 10
    assert_equal ["8 bolts", "brass head"], said
  end

  # It arrived, and only the answer was lost: given up, reloaded, sent once more by hand, it is there once.
  def test_a_line_whose_answer_was_lost_is_counted_once
    visit "/"
    line.send_keys("8 bolts", :enter)
    assert_text "Ask next"
    STAGE.app = ->(env) { env["PATH_INFO"].end_with?("/entries") ? @app.call(env) && NOBODY_BEHIND : @app.call(env) }
    line.send_keys("brass head", :enter)
    assert_text "The server did not answer. What you typed is still here: try again.", wait: 40
    assert_field "What you hear", with: "brass head"
    STAGE.app = @app
    refresh
    assert_text "Arrived: “brass head said”. It counts once.", wait: 40
    assert_field "What you hear", with: ""
    assert_selector "[aria-label='The call']", text: "brass head"
    assert_equal ["8 bolts", "brass head"], said
  end

  def on_hand = database[:stock].where(number: "PW-K220").get(:on_hand)

  # Booked, the answer lost, pressed again, the window shut and opened: once.
  def test_what_is_booked_counts_once_whatever_is_lost
    was = on_hand
    visit "/desk/prices"
    fill_in "find a number or a name", with: "tk4 seal kit 20"
    click_button "PW-K220"
    STAGE.app = ->(env) { env["PATH_INFO"] == "/api/movements" ? @app.call(env) && NOBODY_BEHIND : @app.call(env) }
    within("section[aria-label='PW-K220']") do
      fill_in "how many", with: "9"
      2.times { click_button "Book it" }
    end
    assert_text "Not yet arrived: “received PW-K220 9”. It is sent again by itself."
    assert_accessible
    refresh
    STAGE.app = @app
    assert_text "Arrived: “received PW-K220 9”. It counts once.", wait: 15
    assert_equal was + 9, on_hand
  end

  def test_a_slow_answer_is_said_too
    visit "/"
    assert_text "Type what the caller sees"
    held = true
    STAGE.app = lambda do |env|
      sleep 0.05 while held && env["PATH_INFO"] == "/api/tickets" && env["REQUEST_METHOD"] == "POST"
      @app.call(env)
    end
    line.send_keys("8 bolts", :enter)
    assert_selector "[role=alert]", text: GONE
    held = false
    assert_text "Ask next"
    assert_no_text GONE
    assert_equal ["8 bolts"], said
  end

  def lost(part) = ->(env) { env["PATH_INFO"].match?(part) ? [404, { "content-type" => "text/plain" }, [""]] : @app.call(env) }

  # An upgrade under an open tab: the parts that the old page asks for are gone, and the page begins with another script.
  def test_a_part_of_an_older_version
    visit "/"
    line.send_keys("8 bol")
    page.driver.browser.execute_cdp("Network.clearBrowserCache")
    gone = lost(%r{\A/assets/OrdersPage})
    STAGE.app = ->(env) { env["PATH_INFO"] == "/" ? [200, { "content-type" => "text/html" }, ["<script src=other.js>"]] : gone.call(env) }
    click_link "Orders"
    assert_selector "h1", text: "A new version is here"
    assert_accessible
    STAGE.app = @app
    click_button "Load the new version"
    assert_selector "h1", text: /orders/i, visible: :all
    visit "/"
    assert_field "What you hear", with: "8 bol"
  end

  # Nobody answers for the part nor for anything else: that is no new version, and the part comes when somebody does.
  def test_a_part_while_the_server_is_gone
    visit "/"
    line.send_keys("8 bol")
    page.driver.browser.execute_cdp("Network.clearBrowserCache")
    STAGE.app = ->(_) { NOBODY_BEHIND }
    click_link "Orders"
    assert_selector "h1", text: "This part could not be loaded"
    assert_text "Gimlet did not answer for it. What you typed is kept."
    STAGE.app = @app
    assert_selector "h1", text: /orders/i, visible: :all
    visit "/"
    assert_field "What you hear", with: "8 bol"
  end

  # A page that cannot be drawn says so, and the next place is shown.
  def test_a_page_that_breaks_is_not_a_white_one
    visit "/"
    today = [200, { "content-type" => "application/json" }, ['{"piles":[{"total":1}]}']]
    STAGE.app = ->(env) { env["PATH_INFO"] == "/api/today" ? today : @app.call(env) }
    visit "/desk/today"
    assert_selector "h1", text: "This page cannot be shown"
    click_link "Orders"
    assert_no_text "This page cannot be shown"
    assert_selector "h1", text: /orders/i, visible: :all
  end

  def test_an_address_that_nothing_is_at
    visit "/nowhere/at-all"
    assert_text "There is no page at /nowhere/at-all"
    assert_accessible
    click_link "order or a ticket"
    assert_current_path "/orders"
    { "/desk" => "/desk/today", "/measure" => "/measure/seal" }.each do |typed, shown|
      visit typed
      assert_current_path shown
    end
  end
end
