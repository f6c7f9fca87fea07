# frozen_string_literal: true

require_relative "../support/system"
require_relative "../support/served"

# A shop of its own as bin/gimlet serves it, in the browser: no demo, no supplier, everybody with a PIN and only what their role may.
class OwnShopTest < Minitest::Test
  include Capybara::DSL
  include Capybara::Minitest::Assertions
  include CounterLine
  include Viewport

  PLACES = %w[/ /orders /orders/1 /orders/1/bench /catalogue /catalogue/write /measure/seal /measure/flow /desk/today /desk/customers /desk/prices
              /desk/buying /desk/tools /desk/figures /desk/catalogue /desk/people /desk/history /desk/copies].freeze

  def setup
    @served = Served.new
    @served.start
    view
  end

  def teardown
    severe = page.driver.browser.logs.get(:browser).select { |entry| entry.level == "SEVERE" }.map(&:message)
    assert_empty(severe.grep_v(/status of (401|403|404)/))
    Capybara.reset_sessions!
    @served.close
  end

  def visit(path) = super("http://127.0.0.1:#{@served.port}#{path}")
  def keys(*pressed) = page.driver.browser.switch_to.active_element.send_keys(*pressed)
  def say(text) = keys(text, :enter)

  def sign_in(role)
    visit "/"
    find("button", text: "the #{role}").click
    fill_in "PIN or password of the #{role}", with: "secret #{role}"
    keys :enter
    assert_button "the #{role}: lock the till"
  end

  def lock
    keys :f9
    assert_text "who is it?"
  end

  # From the call to the shelf: each does their part, and the next one finds it.
  def test_a_day_of_four_people
    sign_in("counter")
    say "new customer Östlund Quay, Skarrow, 0160 442 118"
    assert_text "Östlund Quay, Skarrow"
    say "plate TK4R20, serial 31500, 15 lpm, green, packings"
    assert_text "Enough to order"
    2.times { say "" }
    assert_text "Why each part"
    find_button("Complete sets", match: :first).click if page.has_button?("Complete sets", wait: 0)
    save_order
    assert_text "Order 1 is saved"
    lock
    bought_and_received
    picked_at_the_bench
  end

  def bought_and_received
    sign_in("keeper")
    assert_current_path "/desk/today"
    visit "/desk/prices"
    fill_in "find a number or a name", with: "tk4 seal kit 20"
    click_button "PW-K220"
    within("section[aria-label='PW-K220']") do
      fill_in "how many", with: "4"
      click_button "Book it"
    end
    assert_text "received 4"
    visit "/orders/1"
    assert_selector "h1", text: "TK4"
    lock
  end

  def picked_at_the_bench
    sign_in("bench")
    assert_current_path "/orders"
    assert_no_link "New ticket"
    visit "/orders/1"
    number = @served.database[:goods].exclude(reserved: 0).get(:number)
    find_field("Scan each piece into the bag").send_keys(number, :enter)
    assert_selector "[role=status]", text: /✓ #{number}/
    assert_text "You picked it: somebody else checks."
    fill_in "Nobody else can, because …", with: "alone in the workshop"
    click_button "I check it myself"
    assert_no_text "You picked it"
    assert_equal ["check_alone", "the bench"], @served.database[:order_steps].reverse(:id).get(%i[kind who])
    lock
  end

  # As by a link, the page is not loaded anew; until nothing more is fetched for it.
  def go(place)
    page.evaluate_async_script(<<~JS, place)
      const [place, done] = arguments;
      performance.clearResourceTimings();
      history.pushState({}, "", place);
      dispatchEvent(new PopStateEvent("popstate"));
      let before = -1;
      const timer = setInterval(() => {
        const fetched = performance.getEntriesByType("resource").length;
        if (fetched === before) { clearInterval(timer); done(); }
        before = fetched;
      }, 120);
    JS
  end

  # Whatever page anybody opens, nothing of it is a fault of ours, and none is white.
  def test_every_page_by_every_role
    Gimlet::Core::Roles::ALL.each do |role|
      sign_in(role)
      PLACES.each do |place|
        go(place)
        assert_selector "main *"
        # Once over the whole page: it is looked at five times eighteen.
        refute_match(/Something went wrong here|cannot be shown/, page.evaluate_script("document.body.innerText"), "#{place}, #{role}")
      end
      assert_no_button "Receive it"
      visit "/"
      lock
    end
    refute_match(/NoMethodError|Error:/, @served.told)
  end

  # A link to a paper that somebody may not have is a page, not a document for programs.
  def test_a_refused_paper_says_so
    sign_in("keeper")
    visit "/api/orders/1/card.pdf"
    assert_text "Only counter or bench may do this, and the keeper signs in as keeper."
    click_link "Back to Gimlet"
    assert_current_path "/desk/today"
  end
end
