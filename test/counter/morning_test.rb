# frozen_string_literal: true

require_relative "../support/lived_in"

# The demo's morning: the same script is the same shop, whatever day it is played on.
class MorningTest < Minitest::Test
  include SeededApp

  # @param today [Date, nil] on another day than the one that is played once for all
  def played(today = nil)
    path = File.join(Dir.mktmpdir("gimlet", FOLDER), "shop.sqlite3")
    FileUtils.cp(today ? TEMPLATE : LivedIn.path, path)
    shop = Gimlet::Store.connect(path)
    Gimlet::Demo::Morning.new(shop, today: today).play if today
    yield shop
  ensure
    shop&.disconnect
    FileUtils.rm_rf(File.dirname(path)) if path
  end

  def test_a_lived_in_shop
    played do |shop|
      assert_equal Gimlet::Core::Order::States.ids.sort, shop[:orders].distinct.select_map(:state).sort, "an order in every state"
      assert_operator shop[:orders].exclude(state: %w[closed cancelled]).count, :>=, 11
      assert_equal 2, shop[:tickets].where(state: "open").count
      assert_equal [1, 2], [Gimlet::Store::Tools.new(shop).count_overdue, shop[:loans].where(state: "out").count]
      assert_operator Gimlet::Store::Pumps.new(shop).due(28, 20).last, :>=, 3
      assert_equal({ "received" => 9, "sent" => 1 }, shop[:purchases].select_map(:state).tally)
      assert_empty Gimlet::Store::Ledger.new(shop).wrong_sums
      figures = Gimlet::Store::Figures.new(shop)
      assert_operator figures.days.count { |day| day[:calls].positive? }, :>=, 18
      assert_equal 3, figures.returns.size
      assert_operator figures.sureness.values.min, :>=, 5
      figures.minutes.each { |minutes| assert_includes 1..60, minutes }
      assert_operator shop[:order_steps].select_map(:at).max, :<=, Time.now, "nothing was done in the future"
    end
  end

  # Days count from the day it is played on; nothing else differs.
  def test_it_is_the_same_on_another_day
    told = [nil, Date.today - 9].map do |day|
      played(day) do |shop|
        today = day || Date.today
        { states: shop[:orders].order(:id).select_map(:state), totals: shop[:goods].sum(Sequel[:wanted] * :price_cents),
          movements: shop[:movements].select_map(:kind).tally,
          due: shop[:pumps].exclude(due_on: nil).order(:id).select_map(:due_on).map { |day| (Date.parse(day) - today).to_i / 40 } }
      end
    end
    assert_equal told.first, told.last
  end

  def test_what_it_learned_is_dated_and_can_be_put_aside
    played do |shop|
      learned = Gimlet::Counter::Learn.learned(shop)
      assert_equal Date.today.iso8601, learned["at"]
      assert_operator learned["tickets"], :>=, 20
      mark = Gimlet::Counter::Learn.mark(shop)
      references = Gimlet::Counter::CurrentReference.new(shop)
      with = references.current(newest: true).field
      Gimlet::Store::Settings.new(shop)[Gimlet::Counter::Learn::OFF] = "yes"
      refute_equal mark, Gimlet::Counter::Learn.mark(shop)
      without = references.current(newest: true).field
      at = with.hypotheses.index { |one| one.id == "TK4R20 from 31000" }
      assert_operator with.prior[at], :>, without.prior[at], "what came here often is likelier here"
      assert_in_delta 1, with.prior.sum, 1e-9
    end
  end
end
