# frozen_string_literal: true

require_relative "../support/system"

# A shared till: who is it, in as few keys as can be.
class SignInTest < SystemTest
  def staff
    people = Gimlet::Store::People.new(database, cost: 4)
    [%w[Ines counter], %w[Tomos bench], %w[Oddny owner]].each { |name, role| people.put(name, role, "#{name} 4821") }
  end

  # In the demo one key signs in; F9 and another key change the person.
  def test_the_demo_signs_in_with_one_key
    staff
    visit "/"
    assert_text "who is it?"
    assert_accessible
    keys "1"
    assert_button "Ines: lock the till"
    find_field("What you hear").send_keys("8 bolts", :enter)
    assert_text "Ask next"
    keys :f9
    assert_text "who is it?"
    keys "3"
    assert_button "Oddny: lock the till"
    assert_equal "Ines", database[:entries].get(:who)
  end

  def test_a_shop_asks_for_the_pin
    staff
    Gimlet::Store::Settings.new(database)[Gimlet::Demo::MARK] = nil
    visit "/"
    click_button "2 · Tomos"
    fill_in "PIN or password of Tomos", with: "guess"
    click_button "Sign in"
    assert_text "That is not the PIN or password of this name."
    assert_field "PIN or password of Tomos", with: ""
    keys "Tomos 4821", :enter
    assert_button "Tomos: lock the till"
    database[:sessions].delete
    visit "/orders"
    assert_text "who is it?"
  end
end
