# frozen_string_literal: true

require "logger"
require_relative "../support/app"

# A small database of each version that ever landed (landed/NN.sql, with a row in every table): it comes up to date, whole, and loses nothing.
# A version that lands gets its file; the migrations behind it are not edited afterwards.
class LandedTest < Minitest::Test
  Store = Gimlet::Store
  FILES = Dir[File.expand_path("landed/*.sql", __dir__)].freeze
  KEPT = %i[customers tickets entries orders bench_entries history movements goods order_steps tools loans purchases photos].freeze
  # Every version, killed at so many random statements of its upgrade.
  KILLS = Integer(ENV.fetch("KILLS", "1"))

  def setup
    SQLite3::ForkSafety.suppress_warnings!
    @folder = Dir.mktmpdir("gimlet", SeededApp::FOLDER)
    @path = File.join(@folder, "shop.sqlite3")
  end

  def teardown = FileUtils.rm_rf(@folder)

  def left_by(file, path = @path)
    FileUtils.rm_rf(Dir["#{@folder}/*"])
    SQLite3::Database.new(path) { |database| database.execute_batch(File.read(file, encoding: "UTF-8")) }
  end

  def rows(path = @path) = Store::Backup.read_only(path) { |database| (KEPT & database.tables).to_h { |table| [table, database[table].count] } }

  def connected(&) = Store.connect(@path, out: StringIO.new).tap(&).disconnect

  def test_every_landed_version_comes_up_to_date
    FILES.each do |file|
      left_by(file)
      before = rows
      connected do |database|
        assert_equal Store::Schema.newest, Store::Schema.version(database), file
        assert Store::Schema.whole?(database), file
        assert_empty database.fetch("PRAGMA foreign_key_check").all, file
        assert_empty Store::Audit.new(database).call.map(&:to_s), file
        assert_equal "Östlund Quay", Store::Customers.new(database).named("ÖSTLUND QUAY")[:name], file
        assert_equal 1, Store::Customers.new(database).all("östl").size, file
      end
      after = rows
      before.each { |table, count| assert_operator after.fetch(table), :>=, count, "#{file}: #{table}" }
    end
  end

  # What lay in a table of its own waits on its ticket, and is answered for a week after it was seen.
  def test_a_pump_that_was_not_on_file_then_waits_still
    seen = FILES.select { |file| File.read(file).include?("INSERT INTO `sightings`") }
    refute_empty seen
    seen.each do |file|
      left_by(file)
      connected do |database|
        tickets = Store::Tickets.new(database)
        assert_equal [2], tickets.in_state("sighted"), file
        assert_equal "2026-11-27", Gimlet::Core::Ticket::TicketState.of(tickets.entries(2)).sighted[:due_on], file
      end
    end
  end

  # What is served of them: the order of a shop that began with any of them can be looked at.
  def test_an_order_of_every_landed_version_is_read
    FILES.each do |file|
      left_by(file)
      connected do |database|
        order = Store::Orders.new(database).find(1)
        assert_equal "Östlund Quay", order.customer, file
        assert_kind_of Hash, order.record["pump"], file
        assert_operator Store::Tickets.new(database).entries(1).size, :>=, 1, file
      end
    end
  end

  # Two people that capitals beyond ASCII alone told apart stay two, and nobody else can be called so.
  def test_people_told_apart_by_capitals_stay_two
    left_by(FILES.last)
    connected do |database|
      people = Store::People.new(database, cost: 4)
      assert_equal %w[Åsa åsa], people.all.map(&:name).sort
      assert_equal "Åsa", people.named("ÅSA").name
    end
  end

  def shapes(database)
    database[:sqlite_master].exclude(sql: nil).select_map(%i[name sql]).to_h { |name, sql| [name, sql.gsub(/["`]/, "").gsub(/\s+/, " ")] }
  end

  def test_a_landed_migration_is_never_edited
    assert_equal Store::Schema.newest, FILES.map { |file| File.basename(file).to_i }.max, "this version has no database in landed/ yet"
    FILES.each do |file|
      left_by(file)
      Store::Backup.read_only(@path) do |old|
        next if Store::Renumbered.form(old)

        Sequel.connect(adapter: "sqlite", foreign_keys: false) do |now|
          Store::Schema.migrate(now, target: Store::Schema.version(old))
          assert_equal shapes(old), shapes(now), file
        end
      end
    end
    assert_equal 5, Store::Renumbered::FORMS.size
  end

  # Answers whether the power went before it was done.
  def killed_at(statement)
    pid = fork do
      $stdout.reopen(File::NULL)
      count = 0
      log = Logger.new(File::NULL)
      log.define_singleton_method(:info) { |_| (count += 1) == statement && Process.kill(:KILL, Process.pid) }
      Sequel::Database.after_initialize { |database| database.loggers << log }
      Store.connect(@path)
      exit!(0)
    end
    Process.wait2(pid).last.signaled?
  end

  def test_a_power_cut_leaves_none_stuck
    random = Random.new(Minitest.seed)
    FILES.each do |file|
      KILLS.times do
        left_by(file)
        before = rows
        at = random.rand(1..400)
        killed_at(at)
        connected { |database| assert Store::Schema.whole?(database), "#{file}, statement #{at}, seed #{Minitest.seed}" }
        before.each { |table, count| assert_operator rows.fetch(table), :>=, count, "#{file}: #{table}, statement #{at}, seed #{Minitest.seed}" }
      end
    end
  end

  def test_what_is_none_of_them_is_told_for_what_it_is
    left_by(FILES.last)
    SQLite3::Database.new(@path) { |database| database.execute_batch("DROP TABLE photos; UPDATE schema_info SET version = 18;") }
    SQLite3::Database.new(@path) { |database| database.execute_batch("CREATE TABLE notes (id INTEGER);") }
    error = assert_raises(Gimlet::Core::InputError) { connected { nil } }
    assert_match(/bears version 18 and has not that version's tables: .*notes/, error.message)
  end
end
