# frozen_string_literal: true

require "yaml"
require_relative "../support/lived_in"

# Databases broken by hand as broken.yml tells: the audit names each, and a copy of one is restored only with the owner's word.
class AuditTest < Minitest::Test
  Store = Gimlet::Store
  TOLD = YAML.load_file(File.expand_path("broken.yml", __dir__)).map { |row| row["id"] }.freeze

  # A trigger that keeps what was noted is put aside while a hand alters it, and put back.
  def self.behind(trigger, *statements)
    lambda do |db|
      kept = db[:sqlite_master].where(name: trigger).get(:sql)
      db.run("DROP TRIGGER #{trigger}")
      statements.each { |statement| db.run(statement) }
      db.run(kept)
    end
  end

  WAITING = "(SELECT number FROM stock WHERE reserved > 0 LIMIT 1)"
  OPEN = "(SELECT id FROM orders WHERE stage = 'open' LIMIT 1)"
  DONE = {
    "sum_raised" => [lambda { |db|
      db.run("UPDATE stock SET on_hand = on_hand + 3 WHERE number = 'PW-K220'")
    }, /stock PW-K220: \d+ on hand, its movements say \d+; last moved by/],
    "sum_promised" => [->(db) { db.run("UPDATE stock SET reserved = 0 WHERE number = #{WAITING}") }, /stock .*: 0 promised, its movements say [1-9]/],
    "movement_gone" => [behind("movements_no_delete", "DELETE FROM movements WHERE id = (SELECT max(id) FROM movements)"),
                        /movements: 1 of \d+ rows are gone/],
    "movement_changed" => [behind("movements_no_update", "UPDATE movements SET quantity = quantity + 1 WHERE id = 5"),
                           /movement 5: .* is booked otherwise; by/],
    "order_gone" => [lambda do |db|
      db.run("PRAGMA foreign_keys = OFF")
      db.run("DELETE FROM orders WHERE id = #{OPEN}")
    end, /orders: 1 of \d+ rows are gone/],
    "step_gone" => [behind("order_steps_no_delete", "DELETE FROM order_steps WHERE id = (SELECT max(id) FROM order_steps WHERE order_id = #{OPEN})"),
                    /order \d+: 1 of \d+ steps are gone/],
    "state_lied" => [lambda { |db|
      db.run("UPDATE orders SET state = 'handed_over' WHERE id = #{OPEN}")
    }, /order \d+: stands as handed_over, its pieces say/],
    "line_gone" => [lambda do |db|
      row = db[:orders].where(stage: "open").first
      record = JSON.parse(row[:document])
      record["parts"]["lines"].shift
      db[:orders].where(id: row[:id]).update(document: JSON.generate(record))
    end, /order \d+: its record sells 0 × \S+, its goods want [1-9]/],
    "trigger_gone" => [->(db) { db.run("DROP TRIGGER movements_no_delete") }, /schema: trigger movements_no_delete is gone/],
    "trigger_planted" => [lambda { |db|
      db.run("CREATE TRIGGER more AFTER INSERT ON movements BEGIN UPDATE stock SET pack = 1; END")
    }, /schema: trigger more is none of Gimlet's/],
    "index_gone" => [->(db) { db.run("DROP INDEX customers_named_once") }, /schema: index customers_named_once is gone/],
    "orphan" => [lambda do |db|
      db.run("PRAGMA foreign_keys = OFF")
      db.run("UPDATE pumps SET customer_id = 9999 WHERE id = 1")
    end, /pumps: row 1 names one of customers that is not there/]
  }.freeze

  def setup
    @folder = Dir.mktmpdir("gimlet", SeededApp::FOLDER)
    @path = File.join(@folder, "shop.sqlite3")
    FileUtils.cp(LivedIn.path, @path)
  end

  def teardown = FileUtils.rm_rf(@folder)

  def altered(done, path = @path)
    Sequel.connect(adapter: "sqlite", database: path, max_connections: 1, &done)
  end

  def audited(path = @path) = Store::Backup.read_only(path) { |database| Store::Audit.new(database).call.map(&:to_s) }

  def test_a_lived_in_shop_agrees_with_itself = assert_empty(audited)

  def test_each_broken_database_is_named
    assert_equal TOLD.sort, DONE.keys.sort
    DONE.each do |id, (done, named)|
      path = File.join(@folder, "#{id}.sqlite3")
      FileUtils.cp(LivedIn.path, path)
      altered(done, path)
      assert(audited(path).any? { |one| one.match?(named) }, "#{id}: #{audited(path)}")
    end
  end

  def test_such_a_copy_is_restored_only_with_the_owners_word
    copy = File.join(@folder, "copy.sqlite3")
    FileUtils.cp(LivedIn.path, copy)
    altered(->(db) { Store::People.new(db, cost: 4).upsert("Oddny", "owner", "secret owner") }, copy)
    altered(DONE["sum_raised"].first, copy)
    restore = Store::Restore.new(@path)
    [nil, "Oddny", "Oddny:", "Joss: we know"].each do |word|
      error = assert_raises(Gimlet::Core::InputError, word.inspect) { restore.call(copy, word: word) }
      assert_match(/does not agree with itself: stock PW-K220/, error.message)
    end
    assert_empty audited
    assert_equal %w[Oddny], restore.call(copy, word: "Oddny: counted on paper").people
    Store::Backup.read_only(@path) { |db| assert_equal ["restored despite the audit"], db[:history].reverse(:id).limit(1).select_map(:what) }
  end

  def test_health_tells_of_it
    altered(DONE["state_lied"].first)
    database = Store.connect(@path)
    assert_nil Store::Health.new(database).call.problem
    assert_equal 1, Store::Audit.new(database).keep.size
    assert_match(/The audit of .* found 1 things that do not agree/, Store::Health.new(database).call.problem)
  ensure
    database&.disconnect
  end
end
