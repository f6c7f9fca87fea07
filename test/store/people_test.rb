# frozen_string_literal: true

require_relative "../support/core"
require "tmpdir"
require "gimlet/store/database"
require "gimlet/store/people"
require "gimlet/store/sessions"
require "gimlet/store/sign_in_attempts"
require "gimlet/store/tills"

# Who may come in, kept by the store alone: what a new secret ends, what a right one clears, how long a lock lasts.
class PeopleTest < Minitest::Test
  Store = Gimlet::Store
  NOW = Time.utc(2026, 12, 1, 9)

  def setup
    @database = Store.connect(File.join(Dir.mktmpdir, "people.sqlite3"))
    @people = Store::People.new(@database, cost: 4)
    @sessions, @tills, @attempts = [Store::Sessions, Store::Tills, Store::SignInAttempts].map { |store| store.new(@database) }
    @people.upsert("Ada", "owner", "skerry-lamp")
    @people.upsert("Tom", "counter", "7391")
  end

  def tom = @people.named("tom")

  def test_a_new_secret_ends_what_was_begun_with_the_old_one
    session, till = @sessions.begin(tom, now: NOW), @tills.remember(nil, tom, now: NOW)
    other, her_till = @sessions.begin(@people.named("Ada"), now: NOW), @tills.remember(nil, @people.named("Ada"), now: NOW)
    6.times { @attempts.count(name: "Tom", address: "10.0.0.9", till: nil, now: NOW) rescue nil } # rubocop:disable Style/RescueModifier
    assert @attempts.locked_until("tom", now: NOW)
    @people.upsert("Tom", "counter", "8462")
    assert_nil @sessions.person(session, now: NOW)
    refute @tills.known?(till)
    assert_nil @attempts.locked_until("Tom", now: NOW), "whoever has the new one is not locked out"
    assert_equal "Ada", @sessions.person(other, now: NOW).name, "others go on"
    assert @tills.known?(her_till)
    assert_nil @people.verified("Tom", "7391")
    assert_equal "Tom", @people.verified("TOM", "8462").name
  end

  def test_who_signs_in_no_more
    session = @sessions.begin(tom, now: NOW)
    assert @people.deactivate("tom")
    refute @people.deactivate("tom"), "there is none any more"
    assert_nil @sessions.person(session, now: NOW)
    assert_nil @people.verified("Tom", "7391")
    assert_equal "last_owner", assert_raises(Gimlet::Core::InputError) { @people.deactivate("Ada") }.code
    assert_equal "last_owner", assert_raises(Gimlet::Core::InputError) { @people.upsert("Ada", "counter", "5283") }.code
  end

  def guess(till: nil, near: false, at: NOW, address: "10.0.0.9") = @attempts.count(name: "Tom", address: address, till: till, near: near, now: at)
  def counts = @database[:sign_in_attempts].as_hash(:counted, :failures)

  # A right secret clears the name's guesses; the address and all together only get this one back.
  def test_what_a_right_secret_clears
    3.times { guess }
    counted = guess
    @attempts.forgive(counted)
    assert_equal({ "address 10.0.0.9" => 3, "all" => 3 }, counts)
    till = guess(till: "abc")
    guess(till: "abc")
    @attempts.forgive(till)
    refute_includes counts.keys, "till abc tom"
    near = guess(near: true)
    @attempts.forgive(near)
    assert_equal 3, counts["address 10.0.0.9"]
    refute(counts.keys.any? { |key| key.start_with?("near") })
  end

  # Five guesses at a name are answered; then a minute, and twice as long with each one more.
  def test_how_long_a_lock_lasts
    5.times { |at| guess(address: "10.0.0.#{at}") }
    locked = assert_raises(Gimlet::Core::InputError) { guess(at: NOW + 59) }
    assert_equal "locked", locked.code
    guess(at: NOW + 60)
    assert_raises(Gimlet::Core::InputError) { guess(at: NOW + 60 + 119) }
    guess(at: NOW + 60 + 120)
    assert guess(till: "hers", at: NOW + 181), "at a till that knows him he is not locked out"
    assert guess(at: NOW + (25 * 3600)), "a day later it is forgotten"
    assert_equal 1, counts["name tom"]
  end

  def test_a_session_ends
    session = @sessions.begin(tom, now: NOW)
    idle = Store::Sessions::IDLE_S
    assert @sessions.person(session, now: NOW + idle)
    assert_nil @sessions.person(session, now: NOW + (2 * idle) + 61)
    assert_nil @sessions.person("#{session}x", now: NOW)
    @sessions.end(session)
    assert_nil @sessions.person(session, now: NOW)
  end
end
