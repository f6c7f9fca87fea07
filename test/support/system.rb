# frozen_string_literal: true

require "capybara/minitest"
require_relative "app"
require_relative "browser"
require_relative "counter_line"
require_relative "lived_in"

Capybara.server = :puma, { Silent: true }
Capybara.default_max_wait_time = 12
Capybara.default_driver = :chromium
# Checkboxes of the component library lie unseen under their drawn boxes.
Capybara.automatic_label_click = true

# One server for all tests: starting one for each takes longer than most of them.
class Stage
  attr_writer :app

  def call(env) = @app.call(env)
end
STAGE = Stage.new
Capybara.app = STAGE

# Drives the built front end in headless Chromium, with a database of its own.
class SystemTest < Minitest::Test
  include Capybara::DSL
  include Capybara::Minitest::Assertions
  include SeededApp
  include LivedIn
  include CounterLine
  include Viewport

  # Seconds that a look over a large page may take on a busy machine.
  SLOW = 120
  AXE = File.expand_path("../../ui/node_modules/axe-core/axe.min.js", __dir__)

  def setup
    STAGE.app = @app = Gimlet::API::App.new(Gimlet::Counter::Shop.new(database), demo: true)
    view
  end

  # A shop in the middle of a morning instead of a fresh one.
  def lived_in
    @app.helpers.shop.stop
    live_in
    STAGE.app = @app = Gimlet::API::App.new(Gimlet::Counter::Shop.new(database), demo: true)
  end

  def teardown
    assert_no_faults_in_the_console
    Capybara.reset_sessions!
    @app.helpers.shop.stop
    super
  end

  # Chromium logs a refused request as an error of the page; those the test provoked are expected.
  def assert_no_faults_in_the_console
    faults = page.driver.browser.logs.get(:browser).reject { |entry| entry.message.include?("the server responded with a status of 4") }
    assert_empty faults.select { |entry| entry.level == "SEVERE" }.map(&:message)
  end

  # WCAG 2.2 A and AA by axe-core: nothing serious or critical.
  # @param where [String, nil] what is looked at, where the test looks at several
  def assert_accessible(where = nil)
    page.driver.browser.manage.timeouts.script_timeout = SLOW
    page.execute_script(File.read(AXE))
    found = page.evaluate_async_script(<<~JS)
      const done = arguments[arguments.length - 1];
      axe.run({ runOnly: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"], resultTypes: ["violations"] }).then((result) => done(result.violations));
    JS
    serious = found.select { |one| %w[serious critical].include?(one["impact"]) }
    assert_empty(serious.map { |one| [one["id"], one["nodes"].first["html"], one["nodes"].first["failureSummary"]] }, where)
  end

  # There is nothing to type into before it is known who is at the till.
  def visit(...)
    super
    assert_selector "main"
  end

  def keys(*pressed) = page.driver.browser.switch_to.active_element.send_keys(*pressed)

  # Opens what is folded away.
  def unfold(text) = find("summary", text: text).click

  # Types where the focus is, as someone without a mouse does.
  def say(text) = keys(text, :enter)
end
