# frozen_string_literal: true

require_relative "../support/system"

# A page that is printed is what stands on it, without what can be pressed.
class PrintedTest < SystemTest
  def setup
    super
    lived_in
  end

  def teardown
    media(nil)
    super
  end

  def media(kind) = page.driver.browser.execute_cdp("Emulation.setEmulatedMedia", media: kind.to_s)
  def order = database[:orders].max(:id)
  def seen(selector) = page.evaluate_script("[...document.querySelectorAll(#{selector.to_json})].filter((one) => one.checkVisibility()).length")

  def test_an_order_prints_without_menus
    visit "/orders/#{order}"
    assert_selector "main table[aria-label=Goods] tr"
    assert_operator seen("header, nav"), :>, 0
    media :print
    assert_equal 0, seen("header"), "the bar"
    assert_equal 0, seen("main form"), "what is filled in"
    assert_operator seen("main table[aria-label=Goods] tr"), :>, 1
    assert_equal "rgb(255, 255, 255)", page.evaluate_script("getComputedStyle(document.body).backgroundColor")
  end

  def test_the_bench_prints_as_a_list
    visit "/orders/#{order}/bench"
    click_button "Show the whole list"
    assert_selector "section[aria-label='Take apart']"
    media :print
    assert_equal 0, seen("header")
    assert_equal 0, seen(".no-print")
    assert_operator seen("main section"), :>, 5
    assert_operator seen("main svg"), :>, 2, "drawings are printed"
  end

  # In the dark too it is black on white.
  def test_a_series_prints_black_on_white_in_the_dark_too
    page.driver.browser.execute_cdp("Emulation.setEmulatedMedia", media: "print", features: [{ name: "prefers-color-scheme", value: "dark" }])
    visit "/catalogue/series/pellwick-tk4"
    assert_selector "section[aria-label='From outside'] svg", minimum: 3, visible: :all
    assert_equal "rgb(255, 255, 255)", page.evaluate_script("getComputedStyle(document.body).backgroundColor")
    ink = page.evaluate_script("getComputedStyle(document.querySelector('main p')).color").scan(/\d+/).first(3).map(&:to_i)
    assert_operator ink.sum, :<, 3 * 100, "dark letters: #{ink}"
  end
end
