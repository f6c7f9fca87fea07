# frozen_string_literal: true

require_relative "../support/system"

# Every screen, on a small one, in the dark, in colours that the system sets, and by keyboard alone.
class ScreensTest < SystemTest
  SMALL = 360
  # WCAG 2.2, 1.4.10: nothing scrolls two ways at a width of 320 CSS pixels; here at 360, the narrowest phones that are sold.
  MEDIA = { "the dark" => { name: "prefers-color-scheme", value: "dark" }, "forced colours" => { name: "forced-colors", value: "active" } }.freeze
  # Colours that are on their way to others cannot be read.
  STILL = { name: "prefers-reduced-motion", value: "reduce" }.freeze
  # The format's own words stand in the draft of a document; what people read elsewhere has none of them.
  AN_ID = %r{(?<![\w./-])[a-z]+(?:_[a-z0-9]+)+(?![\w/.])}

  def setup
    super
    lived_in
  end

  def teardown
    browser.execute_cdp("Emulation.clearDeviceMetricsOverride")
    browser.execute_cdp("Emulation.setEmulatedMedia", features: [])
    super
  end

  def browser = page.driver.browser
  def order = database[:orders].max(:id)

  def sighting
    tickets = Gimlet::Store::Tickets.new(database)
    tickets.open("seen").tap { |id| tickets.append(id, kind: "sighted", key: "seen", who: "counter") { { "due_on" => "2026-12-24" } } }
  end

  def screens
    { "/sightings/#{sighting}" => "not on file",
      "/" => "New ticket", "/tickets/#{database[:orders].where(id: order).get(:ticket_id)}" => "Ticket", "/orders" => "Orders",
      "/orders/#{order}" => "Order #{order}", "/orders/#{order}/bench" => "at the bench", "/measure/seal" => "seal", "/measure/flow" => "Flow",
      "/measure/valves" => "Unloaders", "/measure/materials" => "Materials", "/catalogue" => "Catalogue", "/catalogue/series/pellwick-tk4" => "TK4",
      "/catalogue/parts/PW-4218" => "PW-4218", "/catalogue/kits/PW-K220" => "PW-K220",
      "/catalogue/beside/pellwick-tk4/drosselby-dk4" => "side by side", "/catalogue/write" => "Write a series", "/desk/today" => "Today",
      "/desk/customers/1" => /\w/, "/desk/customers" => "Customers", "/desk/prices" => "Prices", "/desk/buying" => "Buying",
      "/desk/tools" => "tools", "/desk/people" => "People", "/desk/history" => "Who did what", "/desk/figures" => "How it goes",
      "/desk/catalogue" => "documents", "/desk/copies" => "copies" }
  end

  # A third of them in one run, another third in another; all of them with SCREENS=all.
  def looked_at
    third = Integer(ENV.fetch("SCREENS_SEED", rand(3)))
    puts "SCREENS_SEED=#{third}"
    screens.select.with_index { |_, at| ENV["SCREENS"] == "all" || at % 3 == third }
  end

  def wide(width) = browser.execute_cdp("Emulation.setDeviceMetricsOverride", width: width, height: 800, deviceScaleFactor: 1, mobile: false)

  # What it is called, its one heading, how far it scrolls sideways, which ids of the code stand on it.
  def look(path, name)
    visit path
    assert_title(name.is_a?(Regexp) ? name : /#{Regexp.escape(name)}.* · Gimlet/i)
    assert_selector "h1", count: 1, visible: :all
    assert_equal 0, page.evaluate_script("document.documentElement.scrollWidth - document.documentElement.clientWidth"), "#{path} scrolls sideways"
    assert_empty find("main").text.scan(AN_ID).uniq, "#{path} shows what only code calls so"
  end

  def test_every_screen_fits_a_small_one_and_is_read_in_the_dark
    wide(SMALL)
    looked_at.each do |path, name|
      look(path, name)
      assert_accessible path
      MEDIA.each do |medium_name, medium|
        browser.execute_cdp("Emulation.setEmulatedMedia", features: [medium, STILL])
        assert_accessible "#{path} in #{medium_name}"
      end
      browser.execute_cdp("Emulation.setEmulatedMedia", features: [])
    end
  end

  # Each control in turn has the focus, in sight and with an edge that shows it.
  def walk
    seen = []
    300.times do
      browser.action.send_keys(:tab).perform
      told = page.evaluate_script(<<~JS)
        (() => {
          const one = document.activeElement;
          if (!one || one === document.body) return null;
          if (!one.dataset.walked) one.dataset.walked = String(Math.random());
          // Some libraries hide the field and draw another thing in its place: the edge is that one's.
          const drawn = one.matches("input[type=checkbox], input[type=radio], input[type=range]") ? one.closest("span, label") : one;
          const box = drawn.getBoundingClientRect(), style = getComputedStyle(drawn), own = getComputedStyle(one);
          const field = /INPUT|SELECT|TEXTAREA/.test(one.tagName);
          return [one.dataset.walked, box.top >= -2 && box.bottom <= innerHeight + 2 || box.height > innerHeight, (style.outlineStyle !== "none" && parseFloat(style.outlineWidth) > 0) || (own.outlineStyle !== "none") || field, one.outerHTML.slice(0, 90)];
        })()
      JS
      break if told.nil? || seen.any? { |one| one.first == told.first }

      seen << told
    end
    seen
  end

  def test_every_control_is_reached_and_seen_by_keyboard
    visit "/"
    say "plate TK4L20, serial 32000, three ceramic plungers, 8 bolts hex 6, packings"
    assert_text "Enough to order"
    page.execute_script("document.querySelector('header a').focus()")
    walked = walk
    wanted = page.evaluate_script(<<~JS)
      [...document.querySelectorAll("main button, main a[href], main input, main select, main summary")]
        .filter((one) => one.checkVisibility({ contentVisibilityAuto: true, visibilityProperty: true }))
        .filter((one) => !one.disabled && one.tabIndex >= 0 && !one.dataset.walked).map((one) => one.outerHTML.slice(0, 90))
    JS
    assert_empty wanted, "never has the focus"
    assert_operator walked.size, :>, 15
    assert_empty walked.reject { |_, in_sight, _| in_sight }.map(&:last), "out of sight"
    assert_empty walked.reject { |_, _, edged| edged }.map(&:last), "without an edge"
  end

  # Total and Save stand in the window however many lines there are, and however far the page is scrolled.
  def test_total_and_save_are_in_sight_in_every_state
    visit "/"
    assert_equal [1280, 800], page.evaluate_script("[innerWidth, innerHeight]"), "the page that is looked at is not so large as is said"
    say "plate MGL40, 600 rpm, 94 lpm, everything"
    assert_selector "aside[aria-label=Tray] li", minimum: 8
    %w[Pump Work Parts Tools Tightening].each do |name|
      open = find("section[aria-label='#{name}'] h2 button")
      open.click if open["aria-expanded"] == "false"
      [0, 400, 4000].each do |down|
        page.execute_script("window.scrollTo(0, #{down})")
        box = page.evaluate_script(<<~JS)
          (() => {
            const box = [...document.querySelectorAll("aside button")].find((one) => /Save/.test(one.textContent)).getBoundingClientRect();
            return [box.top, box.bottom, innerHeight];
          })()
        JS
        assert box[0] >= 0 && box[1] <= box[2], "#{name} at #{down}: #{box}"
      end
    end
  end

  # What is sent over the wire before the first line can be typed, fonts with it.
  def test_the_first_view_is_small
    { "/" => 250_000, "/orders" => 255_000 }.each do |path, most|
      visit path
      assert_selector "main *"
      sent = page.evaluate_script(<<~JS)
        performance.getEntriesByType("resource").filter((one) => !one.name.includes("/api/")).reduce((sum, one) => sum + one.encodedBodySize, 0)
      JS
      assert_operator sent, :>, 50_000
      assert_operator sent, :<=, most, path
    end
  end
end
