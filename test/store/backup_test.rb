# frozen_string_literal: true

require_relative "../support/app"

# Copies that can be trusted, and a database that says how it is.
class BackupTest < Minitest::Test
  include SeededApp

  Backup = Gimlet::Store::Backup
  Restore = Gimlet::Store::Restore
  Health = Gimlet::Store::Health

  def setup
    database
    @copies = File.join(@folder, "copies")
  end

  def tickets = @tickets ||= Gimlet::Store::Tickets.new(database)
  def refused(code, &) = assert_equal(code, assert_raises(Gimlet::Core::InputError, &).code)

  def test_a_copy_is_proven_and_private
    file = Backup.new(database, @copies).keep
    assert_equal Backup.counts(database), Backup.proven(file)
    assert_equal "600", File.stat(file).mode.to_s(8)[-3..]
    made = Gimlet::Store.connect(File.join(@folder, "made.sqlite3"))
    assert_equal "600", File.stat(made.opts[:database]).mode.to_s(8)[-3..]
    made.disconnect
    assert_equal file, Backup.latest(@copies)
  end

  # While entries come in, twenty times of twenty.
  def test_copies_under_load_restore_to_equal_contents
    stop = false
    writer = Thread.new do
      (1..).each do |at|
        break if stop

        tickets.open("busy #{at}")
        sleep 0.002
      end
    end
    20.times do |at|
      file = Backup.new(database, @copies).write(File.join(@folder, "copy#{at}.sqlite3"))
      other = File.join(@folder, "other#{at}.sqlite3")
      assert_equal Backup.proven(file), Restore.new(other).call(file).counts
      rows = [file, other].map { |path| Sequel.connect(adapter: "sqlite", database: path, readonly: true) { |one| one[:tickets].order(:id).all } }
      assert_equal rows.first, rows.last
    end
  ensure
    stop = true
    writer.join
  end

  # A copy over a leftover write-ahead log was a corrupt database.
  def test_a_restore_leaves_no_log_behind_and_keeps_what_was_there
    file = Backup.new(database, @copies).keep
    path = File.join(@folder, "shop.sqlite3")
    shop = Gimlet::Store.connect(path)
    shop[:customers].insert(name: "only here", place: "x")
    FileUtils.cp("#{path}-wal", "#{@folder}/left-wal")
    shop.disconnect
    FileUtils.cp("#{@folder}/left-wal", "#{path}-wal")
    assert_equal Backup.proven(file), Restore.new(path).call(file).counts
    refute File.exist?("#{path}-wal")
    restored = Gimlet::Store.connect(path)
    assert_equal [0, "ok"], [restored[:customers].where(name: "only here").count, Health.new(restored).integrity]
    restored.disconnect
    assert_equal 1, Dir["#{path}.set-aside-*"].grep(/\d\z/).size
  end

  def test_what_is_no_sound_copy_is_refused_and_nothing_changes
    before = Backup.counts(database)
    path = database.opts[:database]
    File.write(junk = File.join(@folder, "junk.sqlite3"), "not a database")
    other = Sequel.connect(adapter: "sqlite", database: strange = File.join(@folder, "strange.sqlite3"))
    other.create_table(:things) { primary_key :id }
    torn = Backup.new(database, @copies).keep
    File.truncate(torn, File.size(torn) / 2)
    { junk => "damaged", strange => "not_gimlet", torn => "damaged", "#{@folder}/none" => "no_file" }.each do |file, code|
      refused(code) { Restore.new(path).call(file) }
    end
    lock = Gimlet::Store::Lock.new(path)
    lock.take
    whole = Backup.new(database, @copies).keep
    refused("in_use") { Restore.new(path).call(whole) }
    refused("no_name") { Backup.new(database, @copies).write("") }
    refused("exists") { Backup.new(database, @copies).write(whole) }
    assert_equal before, Backup.counts(database)
  end

  def test_it_says_how_it_is
    assert_equal [true, true, nil, nil], Health.new(database).call.to_h.values_at(:can_read, :can_write, :backup_age_s, :problem)
    Backup.new(database, Backup.folder(database.opts[:database])).keep
    found = Health.new(database).call
    assert_includes 0..60, found.backup_age_s
    assert_operator found.room_bytes, :>, 0
    readonly = Sequel.connect(adapter: "sqlite", database: database.opts[:database], readonly: true)
    found = Health.new(readonly).call
    assert_equal [true, false], [found.can_read, found.can_write]
    assert_match(/cannot be written/, found.problem)
    readonly.disconnect
  end

  def send_line(app, key)
    app.post("/api/tickets", input: JSON.generate(kind: "said", key: key, words: "8 bolts " * 100), "CONTENT_TYPE" => "application/json")
  end

  # A file of no more pages stands for a full disk.
  def full
    pages = database.fetch("PRAGMA page_count").get
    @full ||= Sequel.connect(adapter: "sqlite", database: database.opts[:database],
                             after_connect: ->(one) { one.execute("PRAGMA max_page_count = #{pages}") })
  end

  def test_a_full_disk_is_said_as_such_and_nothing_is_lost
    roomy = Rack::MockRequest.new(Gimlet::API::App.new(Gimlet::Counter::Shop.new(database)))
    assert_equal 201, send_line(roomy, "first").status
    crowded = Rack::MockRequest.new(Gimlet::API::App.new(Gimlet::Counter::Shop.new(full)))
    answers = []
    capture_io { answers << send_line(crowded, "k#{answers.size}") while answers.size < 40 && answers.none? { |one| one.status != 201 } }
    refused = answers.last
    assert_equal [503, "disk_full"], [refused.status, JSON.parse(refused.body)["code"]]
    assert_equal answers.count { |one| one.status == 201 } + 1, database[:tickets].count
    health = crowded.get("/api/health")
    assert_equal [503, "ailing", true], [health.status, *JSON.parse(health.body).values_at("status", "can_read")]
    full.disconnect
    assert_equal 201, send_line(roomy, "mended").status
  end

  # The page of an index, which most requests never meet: seen all the same, and from then on nothing is added.
  def test_a_file_damaged_while_it_is_served
    app = Rack::MockRequest.new(Gimlet::API::App.new(Gimlet::Counter::Shop.new(database)))
    assert_equal 200, app.get("/api/health").status
    database.run("PRAGMA wal_checkpoint(TRUNCATE)")
    root = database[:sqlite_master].where(type: "index").exclude(rootpage: nil).reverse(:rootpage).get(:rootpage)
    size = database.fetch("PRAGMA page_size").first.values.first
    File.open(database.opts[:database], "r+b") do |file|
      file.seek((root - 1) * size)
      file.write("\xA5" * size)
    end
    app = Rack::MockRequest.new(Gimlet::API::App.new(Gimlet::Counter::Shop.new(Gimlet::Store.file(database.opts[:database]))))
    health = app.get("/api/health")
    assert_equal [503, "ailing"], [health.status, JSON.parse(health.body)["status"]]
    assert_match(/damaged: stop, and restore/, JSON.parse(health.body)["problem"])
    refused = app.post("/api/tickets", input: JSON.generate(kind: "said", key: "k", words: "8 bolts"), "CONTENT_TYPE" => "application/json")
    assert_equal [503, "damaged"], [refused.status, JSON.parse(refused.body)["code"]]
    assert_equal 0, database[:tickets].count
  end
end
