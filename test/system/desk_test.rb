# frozen_string_literal: true

require_relative "../support/system"

# What is looked after away from the counter, on screen.
class DeskSystemTest < SystemTest
  # A process of its own reads a file, behind everything else that a busy machine does.
  READ_S = 60

  def setup
    super
    people = Gimlet::Store::People.new(database, cost: 4)
    [%w[Adela keeper], %w[Oddny owner]].each { |name, role| people.upsert(name, role, "#{name} 4821") }
  end

  def file(name, bytes)
    @files ||= Dir.mktmpdir
    File.join(@files, name).tap { |path| File.binwrite(path, bytes) }
  end

  def test_the_keeper_looks_at_a_price_list_and_takes_it
    visit "/desk/prices"
    keys "1"
    list = file("spring.csv", "number;price;on_hand\nPW-K220;70,25;4\nPW-4110;cheap;1\n")
    attach_file "Choose a price list (CSV or XLSX)", list, make_visible: true
    assert_text "1 would change, 0 are as they were, 1 cannot be read. Nothing is changed yet.", wait: READ_S
    assert_text "line 3 (PW-4110): its price “cheap” cannot be read as a price"
    assert_accessible
    assert_equal 6718, database[:stock].where(number: "PW-K220").get(:price_cents)
    click_button "Take 1 change without the line that cannot be read"
    assert_text "Prices taken: 1.", wait: READ_S
    fill_in "find a number or a name", with: "pw-k220"
    assert_selector "table[aria-label=Stock] tbody tr", text: "€70.25", count: 1
    within_element("Change a price") do
      { "number" => "PW-K2200", "price" => "5" }.each { |label, text| fill_in label, with: text }
      click_button "Change the price"
    end
    assert_text "No catalogue has PW-K2200"
    assert_field "number", with: "PW-K2200"
    click_link "People and scripts"
    assert_text "Only the owner may do this, and Adela signs in as keeper."
  end

  def within_element(label, &) = within(:css, "[aria-label='#{label}']", &)

  def test_the_owner_takes_someone_in_and_reads_what_was_done
    visit "/desk/people"
    keys "2"
    within_element("Someone new") do
      fill_in "name", with: "Joss"
      fill_in "PIN or password", with: "12"
      click_button "Let them sign in"
    end
    assert_text "at least 4 characters"
    fill_in "PIN or password", with: "1234"
    keys :enter
    assert_button "Joss leaves"
    assert_accessible
    click_button "Joss leaves"
    click_button "press again: Joss leaves"
    assert_no_button "Joss leaves"
    click_button "Oddny leaves"
    click_button "press again: Oddny leaves"
    assert_text "Oddny is the only owner: make another one first."
    click_link "Who did what"
    assert_selector "table[aria-label=History] tbody tr", text: "Oddny person"
    click_link "Health and copies"
    click_button "Make a copy now"
    assert_text "is written and proven"
    click_link "Catalogue documents"
    attach_file "Choose a catalogue document (JSON)", file("x.json", "{"), make_visible: true
    assert_text "The document is not valid JSON", wait: READ_S
    document = JSON.parse(File.read(File.join(Gimlet::Demo::DATA, "catalogue/pellwick-tk4.json")))
    document["models"].first["designation"] = "TK4X99"
    attach_file "Choose a catalogue document (JSON)", file("y.json", JSON.generate(document)), make_visible: true
    assert_text "places would change. Nothing is changed yet.", wait: READ_S
    click_button "Bring it in"
    assert_text "is in the catalogue; the counter goes on with it", wait: READ_S
    assert_selector "table[aria-label=Series]", text: "TK4X99", wait: READ_S
  end

  # A quarter of an hour takes two seconds on this page.
  HURRY = "const patient = window.setTimeout; window.setTimeout = (then, ms, ...more) => patient(then, ms === 15 * 60 * 1000 ? 2000 : ms, ...more);"

  def test_an_idle_till_locks
    script = page.driver.browser.execute_cdp("Page.addScriptToEvaluateOnNewDocument", source: HURRY)
    visit "/orders"
    keys "1"
    assert_button "Adela: lock the till"
    assert_text "who is it?"
    assert_equal 0, database[:sessions].count
  ensure
    page.driver.browser.execute_cdp("Page.removeScriptToEvaluateOnNewDocument", identifier: script["identifier"])
  end
end
