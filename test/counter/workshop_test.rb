# frozen_string_literal: true

require_relative "../support/core"
require "gimlet/counter/workshop"
require "gimlet/store/lock"
require "tmpdir"

# The process beside: what it answers, refuses and cannot do, and that it is there again whatever ended it.
class WorkshopTest < Minitest::Test
  MONEY = "Gimlet::Core::Money"

  def setup = @workshop = Gimlet::Counter::Workshop.new(longest_s: 20)
  def teardown = @workshop.stop

  def cents(text) = @workshop.call(MONEY, text, verb: :cents, field: "deposit")
  def worker = @workshop.instance_variable_get(:@pid)

  def test_it_answers_and_refuses_as_the_core_does
    assert_equal 1250, cents("12.50")
    refused = assert_raises(Gimlet::Core::InputError) { cents("a lot") }
    assert_equal %w[deposit no_amount], [refused.field, refused.code]
    assert_match(/NoMethodError/, assert_raises(RuntimeError) { @workshop.call(MONEY, verb: :nothing_such) }.message)
    assert_equal 800, cents("8")
  end

  def test_one_that_was_ended_while_it_had_nothing_to_do_is_started_again
    cents("1")
    first = worker
    Process.kill(:KILL, first)
    sleep 0.2
    assert_equal 200, cents("2")
    refute_equal first, worker
  end

  # Started while a database is held, it does not hold it longer than this process does.
  def test_it_does_not_keep_the_lock_of_a_database
    path = File.join(Dir.mktmpdir, "shop.sqlite3")
    Gimlet::Store::Lock.new(path).hold { cents("1") }
    assert Process.kill(0, worker)
    assert_nil Gimlet::Store::Lock.new(path).holder
  end

  def test_one_that_takes_too_long_is_ended_and_the_next_is_answered
    cents("1")
    @workshop.instance_variable_set(:@longest_s, 0.3)
    refused = assert_raises(Gimlet::Core::InputError) { @workshop.call("Kernel", 60, verb: :sleep) }
    assert_equal "too_much", refused.code
    @workshop.instance_variable_set(:@longest_s, 20)
    assert_equal 300, cents("3")
  end

  def test_one_that_is_ended_at_work_is_too_much_and_the_next_is_answered
    cents("1")
    killer = Thread.new { sleep(0.5) && Process.kill(:KILL, worker) }
    assert_equal "too_much", assert_raises(Gimlet::Core::InputError) { @workshop.call("Kernel", 60, verb: :sleep) }.code
    killer.join
    assert_equal 400, cents("4")
  end

  # An answer of which only the beginning came.
  def test_an_answer_that_breaks_off
    cents("1")
    inside, outside = IO.pipe(binmode: true)
    outside.write(Marshal.dump([:done, "x" * 1000])[0, 500])
    outside.close
    @workshop.instance_variable_set(:@from, inside)
    assert_equal "too_much", assert_raises(Gimlet::Core::InputError) { cents("1") }.code
    assert_equal 500, cents("5")
  end

  def test_who_comes_when_four_are_waiting_is_told_so
    cents("1")
    waiting = Array.new(Gimlet::Counter::Workshop::MOST) { Thread.new { @workshop.call("Kernel", 0.4, verb: :sleep) } }
    sleep 0.2
    assert_equal "busy", assert_raises(Gimlet::Core::InputError) { cents("1") }.code
    waiting.each(&:value)
    assert_equal 600, cents("6")
  end
end
