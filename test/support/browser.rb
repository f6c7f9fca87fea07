# frozen_string_literal: true

require "capybara"
require "selenium-webdriver"

Capybara.enable_aria_label = true

# The same engine without the browser's own windows takes a third less of the machine; where it is not installed, the whole browser does.
# The program itself, not the script in /usr/bin that starts it and leaves it running.
BROWSER = %w[/usr/lib/chromium/chromium-headless-shell /usr/bin/chromium].find { |path| File.executable?(path) }

# A window whose page is so large, whatever the browser draws round it.
module Viewport
  WIDTH, HEIGHT = 1280, 800

  def view(width = WIDTH, height = HEIGHT)
    window = page.current_window
    window.resize_to(width, height)
    inner = page.evaluate_script("[innerWidth, innerHeight]")
    return if inner == [width, height]

    window.resize_to(width + width - inner[0], height + height - inner[1])
  end
end

# Headless Chromium from the system's packages, 1280 × 800.
Capybara.register_driver(:chromium) do |app|
  options = Selenium::WebDriver::Chrome::Options.new(binary: BROWSER)
  %w[--headless=new --no-sandbox --disable-background-networking --disable-component-update --disable-sync --disable-quic
     --force-prefers-reduced-motion --disable-gpu
     --no-first-run --disable-dev-shm-usage --window-size=1280,800 --hide-scrollbars].each { |one| options.add_argument(one) }
  options.logging_prefs = { browser: "ALL" }
  service = Selenium::WebDriver::Service.chrome(path: "/usr/bin/chromedriver")
  Capybara::Selenium::Driver.new(app, browser: :chrome, options: options, service: service)
end
