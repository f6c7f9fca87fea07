# frozen_string_literal: true

require_relative "../support/system"

# A shared till: who is it, in as few keys as can be.
class SignInTest < SystemTest
  def staff
    people = Gimlet::Store::People.new(database, cost: 4)
    [%w[Ines counter], %w[Tomos bench], %w[Oddny owner]].each { |name, role| people.upsert(name, role, "#{name} 4821") }
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
    STAGE.app = @app = Gimlet::API::App.new(Gimlet::Counter::Shop.new(database))
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

  # Through a proxy nobody is told who works here, until somebody has signed in at this till.
  def test_elsewhere_the_name_is_typed
    staff
    @app = Gimlet::API::App.new(Gimlet::Counter::Shop.new(database))
    STAGE.app = ->(env) { @app.call(env.merge("HTTP_VIA" => "1.1 proxy")) }
    visit "/orders"
    assert_text "who is it?"
    assert_no_text "Tomos"
    assert_accessible
    keys "Tomos", :tab, "wrong", :enter
    assert_text "That is not the PIN or password of this name."
    keys "Tomos 4821", :enter
    assert_button "Tomos: lock the till"
    keys :f9
    assert_button "2 · Tomos"
    click_button "Somebody else"
    keys "Ines", :tab, "Ines 4821", :enter
    assert_button "Ines: lock the till"
  end
end
