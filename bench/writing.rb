# frozen_string_literal: true

# A series from a sheet to its page in the catalogue, by keyboard in the browser, by somebody who has the sheet beside them: the example of the docs
# is typed in from a blank page, key by key, compared with the sheet, and published. Prints keystrokes and how long they take at 40 words a minute
# (five keystrokes a word).
#
#   bundle exec ruby bench/writing.rb
ENV["GIMLET_HOSTS"] = "example.org"
require "capybara/dsl"
require "tmpdir"
require_relative "../lib/gimlet/api/app"
require_relative "../lib/gimlet/command"
require_relative "../lib/gimlet/exchange/catalogue_shape"
require_relative "../lib/gimlet/exchange/typed_value"
require_relative "../test/support/browser"

SHEET = JSON.parse(File.read(File.expand_path("../docs/example-catalogue.json", __dir__)))
WORDS_A_MINUTE = 40
Shape = Gimlet::Exchange::CatalogueShape
Typed = Gimlet::Exchange::TypedValue

database = Gimlet::Store.connect(File.join(Dir.mktmpdir, "writing.sqlite3"))
Gimlet::Demo.seed(database)
Capybara.app = Gimlet::API::App.new(Gimlet::Counter::Shop.new(database))
Capybara.server = :puma, { Silent: true }
Capybara.default_max_wait_time = 10

# Hands on the keys: everything is reached with Tab in the end, here a field is focused and typed into.
class Typist
  include Capybara::DSL

  attr_reader :strokes

  def initialize
    Capybara.current_driver = :chromium
    page.current_window.resize_to(1280, 943)
    @strokes = 0
  end

  def write
    visit "/catalogue/write"
    type("maker", SHEET["maker"]["name"], send: nil)
    type("name of the series", SHEET["series"]["name"])
    page.assert_text SHEET["series"]["name"]
    who
    lists
  end

  private

  def who
    %w[maker series].each { |part| SHEET[part].each { |key, value| field(%W[#{part}], key, value) } }
    SHEET["traits"].each { |key, value| type("another, as “cylinders: 3”", "#{key}: #{Typed.shown(value)}") }
  end

  def lists
    (SHEET.keys - %w[format version maker series traits]).each do |list|
      go(list)
      SHEET[list].each_with_index { |row, at| entry(list, row, at) }
    end
  end

  def go(list)
    visit_list(list)
    @strokes += 3
  end

  def visit_list(list) = visit("#{page.current_path}?list=#{list}")

  def entry(list, row, at)
    name = Gimlet::Core::Drafting::Place.name(row)
    shape = Shape.at({ list => SHEET[list] }, [list, at])
    first = name || row[(shape["required"] || ["text"]).first]
    type("New #{list.tr('_', ' ').delete_suffix('s')}", first.is_a?(Array) ? first.first : first)
    visit("#{page.current_path}?list=#{list}&row=#{URI.encode_www_form_component(list == 'fits' || name.nil? ? at : name)}")
    @strokes += 2
    fill([list, at], row, shape)
    visit_list(list)
  end

  def fill(steps, row, shape)
    row.each { |key, value| one(steps, key, value, Shape.whole(shape["properties"][key] || {}, value)) }
  end

  def one(steps, key, value, shape)
    if Shape.rows?(shape) && value.is_a?(Array) then rows([*steps, key], value, shape)
    elsif value.is_a?(Hash) && shape["properties"] && !shape["additionalProperties"].is_a?(Hash) then fill([*steps, key], value, shape)
    else field(steps, key, value)
    end
  end

  def rows(steps, values, shape)
    add = "#{adding(plain(steps.last), Shape.whole(shape['items'] || {}, nil))} of #{steps[0...-1].join(' ')}"
    values.each_with_index do |value, at|
      case value
      when String then type(add, value)
      when Array then point(steps, add, value)
      else row([*steps, at], add, value, Shape.whole(shape["items"] || {}, value))
      end
    end
  end

  def point(steps, add, cells)
    type(add, cells.first)
    cells.drop(1).each_with_index do |cell, at|
      type("#{plain(steps.last)} #{cells.first}, #{at + 2} of #{steps[0...-1].join(' ')}", Typed.shown(cell), last: true)
    end
  end

  def row(steps, add, value, shape)
    word = Gimlet::Core::Drafting::Place.name(value) || value["kind"] || first_word(shape, value)
    type(add, word.is_a?(Array) ? word.first.to_s : word.to_s)
    open_row
    fill(steps, value, shape)
  end

  def adding(what, inner)
    kinds = inner.dig("properties", "kind", "enum")
    kinds && !(inner["properties"] || {}).keys.intersect?(Gimlet::Core::Drafting::Place::NAMES) ? "New #{what}: #{kinds.join(', ')}" : "New #{what}"
  end

  def first_word(shape, value) = value[(shape["required"] || ["text"]).first] || value.values.first

  def open_row = page.execute_script("document.querySelectorAll('section details:not([open])').forEach((one) => { one.open = true; })")

  def field(steps, key, value)
    label = "#{plain(key)} of #{steps.join(' ')}"
    control = find(:xpath, ".//*[@aria-label=#{quoted(label)}]", visible: :all)
    return if shown(control) == Typed.shown(value)

    control.tag_name == "select" ? choose(control, Typed.shown(value)) : keys(control, Typed.shown(value))
    settle(label, Typed.shown(value))
  end

  def settle(label, text)
    page.assert_selector(:xpath, ".//*[@aria-label=#{quoted(label)}]", visible: :all)
    deadline = Time.now + 10
    until shown(find(:xpath, ".//*[@aria-label=#{quoted(label)}]", visible: :all)) == text
      raise "#{label}: #{text} was not taken: #{all('[role=alert]').map(&:text)}" if Time.now > deadline

      sleep 0.02
    end
  end

  def shown(control) = control.value.to_s

  def choose(control, text)
    control.send_keys(text)
    @strokes += 4
  end

  def keys(control, text)
    control.send_keys([:control, "a"], text, :enter)
    @strokes += text.size + 3
  end

  def type(label, text, send: :enter, last: false)
    control = controls(label).then { |found| last ? found.last : found.first }
    control.send_keys([:control, "a"], text, *send)
    @strokes += text.size + 2
    return if send.nil?

    deadline = Time.now + 10
    sleep 0.02 until control_done?(label, text, last) || Time.now > deadline
  end

  def controls(label)
    told = quoted(label)
    all(:xpath, ".//*[@aria-label=#{told}] | .//input[@id=//label[normalize-space(.)=#{told}]/@for] | .//label[contains(., #{told})]//input",
        minimum: 1)
  end

  def control_done?(label, text, last)
    found = all(:xpath, ".//*[@aria-label=#{quoted(label)}]", wait: 0)
    one = last ? found.last : found.first
    one.nil? || (one.value == (last ? text : ""))
  rescue Selenium::WebDriver::Error::StaleElementReferenceError
    false
  end

  def plain(key) = key.sub(/_mm\z/, ", mm").tr("_", " ")
  def quoted(text) = text.include?("'") ? %("#{text}") : "'#{text}'"
end

typist = Typist.new
begun = Time.now
typist.write
draft = Gimlet::Store::Drafts.new(database).find(1)
page = Capybara.current_session
page.click_button("what is wrong")
puts page.find("aside").text[0, 1500]

def sorted(value)
  case value
  when Hash then value.sort.to_h { |key, one| [key, sorted(one)] }
  when Array then value.map { |one| sorted(one) }
  else value
  end
end
same = sorted(draft.document.reject { |_, value| value == [] }) == sorted(SHEET)
puts "the draft #{same ? 'is' : 'IS NOT'} the sheet"
Gimlet::Exchange::CatalogueChanges.call(SHEET, draft.document).first(20).each { |one| puts one.to_h } unless same
page.click_button("publish")
page.assert_text("thing", wait: 30)
page.click_button("Publish")
page.assert_text("Models, and what tells them apart", wait: 30)
minutes = typist.strokes / 5.0 / WORDS_A_MINUTE
puts "#{typist.strokes} keystrokes: #{minutes.round(1)} minutes at #{WORDS_A_MINUTE} words a minute; #{(Time.now - begun).round} s in the browser"
