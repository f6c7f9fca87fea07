# frozen_string_literal: true

require "logger"
require_relative "../support/app"

# Upgrades that are cut short, restores that must not be, and starts on whatever lies there.
class UpgradeTest < Minitest::Test
  Store = Gimlet::Store
  Backup = Store::Backup

  def setup
    SQLite3::ForkSafety.suppress_warnings!
    @folder = Dir.mktmpdir("gimlet", SeededApp::FOLDER)
    @path = File.join(@folder, "shop.sqlite3")
  end

  def teardown = FileUtils.rm_rf(@folder)

  STATE = { channel: "phone", customer_id: 1, readings: [{ reading: { trait: "head_bolts", value: 8 }, struck: true }], scope: ["packings"],
            scope_agreed: true, pumps: 2, model: "TK4L20", serial: nil, policy: "cheapest", units: "N·m", findings: ["seal"] }.freeze

  # A shop as the first version with tickets left it, with something in every table.
  def old_shop(version = 2, path = @path)
    old = Sequel.connect(adapter: "sqlite", database: path)
    Store::Schema.migrate(old, target: version)
    old[:customers].insert(name: "kept", place: "here")
    old[:customer_pumps].insert(customer_id: 1, designation: "TK4L20")
    old[:stock].insert(number: "A-1", price_cents: 100)
    3.times { old[:tickets].insert(state: JSON.generate(STATE), created_at: Time.now, updated_at: Time.now) }
    old[:orders].insert(ticket_id: 1, catalogue_version: "x", document: "{}", created_at: Time.now)
    old.disconnect
    path
  end

  def connected = Store.connect(@path, out: StringIO.new).tap { |database| yield database if block_given? }.disconnect

  def alone = $stdout.reopen(File::NULL)

  # In a process of its own, killed where the block says.
  # @yield [String] each statement; answers whether the power goes now
  def killed_at(&cut)
    pid = fork do
      alone
      Sequel::Database.after_initialize do |database|
        log = Logger.new(File::NULL)
        log.define_singleton_method(:info) { |text| cut.call(text) && Process.kill(:KILL, Process.pid) }
        database.loggers << log
      end
      Store.connect(@path)
      exit!(0)
    end
    Process.wait2(pid).last.signaled?
  end

  # Any statement of any migration, and those of copying and proving round it: in each run every sixteenth, from another one on.
  def test_a_power_cut_at_any_statement_loses_nothing
    original = File.binread(old_shop)
    at = Random.new(Minitest.seed).rand(16)
    loop do
      [@path, "#{@path}-wal", "#{@path}-shm"].each { |file| FileUtils.rm_f(file) }
      FileUtils.rm_rf(File.join(@folder, "backups"))
      File.binwrite(@path, original)
      count = -1
      cut = killed_at { (count += 1) == at }
      assert_includes [2, Store::Schema.newest], Backup.read_only(@path) { |old| Store::Schema.version(old) }
      connected do |database|
        assert_equal [1, 3, 1], [database[:customers].count, database[:tickets].count, database[:orders].count], "statement #{at}"
        assert_equal ["ordered", 10], [database[:tickets].where(id: 1).get(:state), database[:entries].where(ticket_id: 1).count]
        assert_equal [Store::Schema.newest, true], [Store::Schema.version(database), Store::Schema.whole?(database)]
      end
      assert_empty Dir["#{@path}.{fresh,next}*"]
      break unless cut

      at += 16
    end
    assert_operator at, :>, 200
  end

  # Between the statements too: where files are renamed.
  def test_a_power_cut_between_two_renames
    original = File.binread(old_shop)
    (1..6).each do |nth|
      Dir["#{@folder}/*"].each { |file| FileUtils.rm_rf(file) }
      File.binwrite(@path, original)
      pid = fork do
        alone
        seen = 0
        File.singleton_class.prepend(Module.new do
          define_method(:rename) { |*names| (seen += 1) == nth ? Process.kill(:KILL, Process.pid) : super(*names) }
        end)
        Store.connect(@path)
        exit!(0)
      end
      Process.wait(pid)
      connected { |database| assert_equal [1, 3, Store::Schema.newest], [database[:customers].count, database[:tickets].count, Store::Schema.version(database)] }
    end
  end

  def test_an_older_database_is_copied_before_it_is_upgraded_and_only_once
    old_shop
    said = StringIO.new
    Store.connect(@path, out: said).disconnect
    copies = Dir[File.join(@folder, "backups", "*before-upgrade*")]
    assert_equal [1, 2], [copies.size, Backup.read_only(copies.first) { |old| Store::Schema.version(old) }]
    assert_match(/was brought from version 2 to \d+; a copy of before/, said.string)
    connected
    assert_equal copies, Dir[File.join(@folder, "backups", "*before-upgrade*")]
  end

  # As versions before this one left it: a column of the next migration is there, its number is not.
  def test_what_an_earlier_version_left_half_done_goes_back_by_itself
    old_shop
    backups = FileUtils.mkdir_p(File.join(@folder, "backups")).first
    good = File.join(backups, "gimlet-20261101-080000-000-before-upgrade.sqlite3")
    FileUtils.cp(@path, good)
    half = Sequel.connect(adapter: "sqlite", database: @path)
    half.create_table(:sightings) { primary_key :id }
    half.disconnect
    FileUtils.cp(@path, File.join(backups, "gimlet-20261101-080100-000-before-upgrade.sqlite3"))
    said = StringIO.new
    Store.connect(@path, out: said).tap { |database| assert_equal 3, database[:tickets].count }.disconnect
    assert_match(/was cut short by an earlier version: going back to #{good}/, said.string)
    assert_equal 1, Dir["#{@path}.set-aside-*"].size
  end

  def test_a_half_done_one_that_nothing_serves_is_said
    old_shop
    half = Sequel.connect(adapter: "sqlite", database: @path)
    half.create_table(:sightings) { primary_key :id }
    half.disconnect
    before = File.binread(@path)
    error = assert_raises(Gimlet::Core::InputError) { connected }
    assert_equal "half_upgraded", error.code
    assert_equal before, File.binread(@path)
  end

  def test_no_upgrade_without_a_copy
    old_shop
    File.write(File.join(@folder, "backups"), "in the way")
    before = File.binread(@path)
    assert_equal "copies_unwritable", assert_raises(Gimlet::Core::InputError) { connected }.code
    assert_equal before, File.binread(@path)
  end

  # What may lie where a database should be, each said in a sentence and left as it is.
  def starts
    whole = lambda do
      connected { |database| 30.times { |at| database[:customers].insert(name: "c#{at}", place: "x" * 2000) } }
      File.binread(@path)
    end
    { "later" => [:too_new, -> { connected { |database| database[:schema_info].update(version: 99) } }],
      "another program's" => [:not_gimlet, lambda {
        Sequel.connect(adapter: "sqlite", database: @path) do |one|
          one.create_table(:things) do
            primary_key :id
          end
        end
      }],
      "header" => [:damaged, -> { File.binwrite(@path, whole.call.tap { |bytes| bytes[0, 16] = "X" * 16 }) }],
      "cut" => [:damaged, -> { File.binwrite(@path, whole.call.then { |bytes| bytes[0, bytes.bytesize * 2 / 3] }) }],
      "schema page" => [:damaged, -> { File.binwrite(@path, whole.call.tap { |bytes| bytes[100, 400] = "\xA5".b * 400 }) }],
      "emptied" => [:empty, -> { File.write(@path, "") }],
      "two names" => [:two_names, -> { connected && File.link(@path, "#{@path}.second") }],
      "no folder" => [:unusable, -> { File.write(File.join(@folder, "file"), "") && (@path = File.join(@folder, "file", "shop.sqlite3")) }] }
  end

  def test_starts_end_in_a_sentence
    starts.each do |name, (code, make)|
      setup
      make.call
      before = File.file?(@path) ? File.binread(@path) : nil
      ENV["GIMLET_BACKUP_MINUTES"] = "0"
      error = assert_raises(Gimlet::Core::InputError, name) { Gimlet::Server.new(@path, out: StringIO.new).app }
      assert_equal code.to_s, error.code, "#{name}: #{error.message}"
      assert_match(/[.)]\z/, error.message, name)
      assert_equal before, File.binread(@path), name if before
    end
  ensure
    ENV.delete("GIMLET_BACKUP_MINUTES")
  end

  def test_one_server_whatever_name_the_database_has
    connected
    File.symlink(@path, link = File.join(@folder, "link.sqlite3"))
    lock = Store::Lock.new(@path)
    assert lock.take
    assert_match(/served already/, Store::Lock.new(link).refusal)
    error = assert_raises(Gimlet::Core::InputError) { Gimlet::Server.new(link, out: StringIO.new).app }
    assert_equal "in_use", error.code
    assert_equal "in_use", assert_raises(Gimlet::Core::InputError) { Store::Restore.new(link).call(@path) }.code
    lock.hold { nil }
    assert_equal Process.pid, Store::Lock.new(link).holder, "whoever serves it goes on serving it after what is done under its own lock"
  end

  def test_the_first_owner_stands_in_a_file_and_not_in_the_log
    ENV["GIMLET_BACKUP_MINUTES"] = "0"
    log = StringIO.new
    app = Gimlet::Server.new(@path, out: log).app
    told = "#{@path}.first-owner"
    secret = File.read(told)[/with (\w{12})/, 1]
    refute_includes log.string, secret
    assert_equal "600", File.stat(told).mode.to_s(8)[-3..]
    answer = Rack::MockRequest.new(app).post("/api/session", input: JSON.generate(name: "owner", secret: secret),
                                                             "CONTENT_TYPE" => "application/json")
    assert_equal 201, answer.status
  ensure
    ENV.delete("GIMLET_BACKUP_MINUTES")
  end

  def test_files_that_were_being_read_are_cleared_at_the_next_start
    connected
    left = File.join(FileUtils.mkdir_p("#{@path}.uploads").first, "0123")
    File.write(left, "number,price")
    ENV["GIMLET_BACKUP_MINUTES"] = "0"
    Gimlet::Server.new(@path, out: StringIO.new).app
    refute File.exist?(left)
  ensure
    ENV.delete("GIMLET_BACKUP_MINUTES")
  end

  # A copy with a log of its own: what stands there only was missing after the restore, and that was said when the old file was gone.
  def test_a_restore_takes_what_the_log_of_the_copy_has
    connected
    source = File.join(@folder, "source.sqlite3")
    shop = Store.connect(source, out: StringIO.new)
    5.times { |at| Store::Tickets.new(shop).open("only in the log #{at}") }
    copy = File.join(@folder, "copy.sqlite3")
    ["", "-wal"].each { |part| FileUtils.cp(source + part, copy + part) }
    shop.disconnect
    assert_operator File.size("#{copy}-wal"), :>, 0
    assert_equal 5, Store::Restore.new(@path).call(copy).counts[:tickets]
  end

  def test_a_restore_lets_nobody_in_who_left
    database = Store.connect(@path, out: StringIO.new)
    people = Store::People.new(database, cost: 4)
    [%w[Ada owner], %w[Ben counter]].each { |name, role| people.upsert(name, role, "5926") }
    sessions = Store::Sessions.new(database)
    cookie = sessions.begin(people.named("Ada"))
    token = Store::Tokens.new(database).issue("nightly", "keeper")
    copy = Backup.new(database, File.join(@folder, "copies")).keep
    people.deactivate("Ben")
    database.disconnect
    found = Store::Restore.new(@path).call(copy)
    assert_equal ["Ada"], found.people
    Store.connect(@path, out: StringIO.new).tap do |restored|
      assert_nil Store::Sessions.new(restored).person(cookie)
      assert_nil Store::Tokens.new(restored).person(token)
      assert_equal "Ada", Store::People.new(restored).verified("Ada", "5926").name, "the key lies beside the database"
    end.disconnect
  end

  def test_a_copy_that_has_changed_since_it_was_written_is_refused
    database = Store.connect(@path, out: StringIO.new)
    database[:customers].insert(name: "Harbour", place: "x")
    copy = Backup.new(database, File.join(@folder, "copies")).keep
    database.disconnect
    bytes = File.binread(copy)
    File.binwrite(copy, bytes.sub("Harbour", "Harbovr"))
    error = assert_raises(Gimlet::Core::InputError) { Store::Restore.new(@path).call(copy) }
    assert_match(/not as it was written/, error.message)
  end
end
