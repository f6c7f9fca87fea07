# frozen_string_literal: true

require_relative "../support/app"

# Which copies stay, and what a power cut leaves among them.
class CopiesTest < Minitest::Test
  include SeededApp

  Backup = Gimlet::Store::Backup
  Retention = Gimlet::Store::Retention
  Copy = Struct.new(:name, :at, :why)

  def setup
    SQLite3::ForkSafety.suppress_warnings!
    database
    @copies = File.join(@folder, "copies")
  end

  def backup = Backup.new(database, @copies)
  def manifest = Gimlet::Store::Manifest.new(@copies)

  # A shop that is open for two years, a copy every hour: counted by hand from the calendar.
  def test_hours_of_a_day_days_of_a_month_months_of_a_year
    now = Time.utc(2026, 11, 28, 17, 30)
    copies = (0...(2 * 365 * 24)).map { |hours| Copy.new("c#{hours}", now - (hours * 3600), hours == 4000 ? "before-upgrade" : nil) }
    kept = Retention.kept(copies).map { |copy| ((now - copy.at) / 3600).to_i }.sort
    assert_equal (0..23).to_a, kept.first(24)
    assert_equal 29, kept.count { |hours| (24...(31 * 24)).cover?(hours) }, "one for each day before yesterday"
    assert_includes kept, 4000, "the last one before an upgrade"
    older = kept.select { |hours| hours >= 31 * 24 } - [4000]
    # The last hour of each month before the last 31 days; October's is among the days.
    assert_equal (1..10).map { |back| Time.utc(2026, 11 - back, 1) }.size, older.size
    assert(older.all? { |hours| (now - (hours * 3600) + 3600).day == 1 })
  end

  # Thirty-one presses of a button once removed everything earlier.
  def test_presses_of_a_button_remove_nothing_earlier
    first = backup.keep
    rows = JSON.parse(File.read(File.join(@copies, "copies.json"))).each { |row| row["at"] = "2026-03-01T10:00:00.000Z" }
    File.write(File.join(@copies, "copies.json"), JSON.generate(rows))
    31.times { backup.keep }
    assert File.exist?(first)
    assert_equal Retention::NEWEST + 1, manifest.copies.size
  end

  # The owner's own files, copies of an earlier version and whatever looks like one: none of them is ours to remove.
  def test_only_what_we_made_is_ever_removed
    FileUtils.mkdir_p(@copies)
    strange = %w[gimlet-20200101-000000-000.sqlite3 notes.txt gimlet-mine.sqlite3 gimlet-x.sqlite3.writing copies.json.old].map do |name|
      File.join(@copies, name)
    end
    strange.each { |file| File.write(file, "owner's own") }
    40.times { backup.keep }
    assert(strange.all? { |file| File.read(file) == "owner's own" })
  end

  # Whatever somebody wrote into it.
  def test_a_list_that_was_meddled_with
    backup.keep
    outside = File.join(@folder, "outside.txt")
    File.write(outside, "owner's own")
    entry = { name: "../outside.txt", at: "2020-01-01T10:00:00.000Z", why: nil, sha256: "x" }
    list = File.join(@copies, "copies.json")
    File.write(list, JSON.generate([*JSON.parse(File.read(list)), entry, entry.merge(name: "../outside.txt.writing")]))
    5.times { backup.keep }
    assert_equal "owner's own", File.read(outside)
    ["[1]", '[{"name":"x"}]', "null", "{"].each do |junk|
      File.write(list, junk)
      assert File.exist?(backup.keep), junk
    end
  end

  # Killed in the middle of writing: the next copy clears what was left.
  def test_what_a_power_cut_left_is_cleared
    FileUtils.mkdir_p(@copies)
    path = database.opts[:database]
    database.disconnect
    pid = fork do
      copy = Backup.new(Gimlet::Store.file(path), @copies)
      copy.define_singleton_method(:vacuum) { |fresh| File.write(fresh, "half") && Process.kill(:KILL, Process.pid) }
      copy.keep
    end
    Process.wait(pid)
    assert_equal 1, Dir["#{@copies}/*.writing"].size
    file = backup.keep
    assert_equal [File.basename(file)], Dir.children(@copies).grep(/sqlite3/)
    assert_equal Backup.counts(database), Backup.proven(file)
  end

  def test_a_folder_that_cannot_be_written_is_said
    FileUtils.mkdir_p(@folder)
    File.write(@copies, "a file where the folder should be")
    assert_equal "copies_unwritable", assert_raises(Gimlet::Core::InputError) { backup.keep }.code
    ENV["GIMLET_BACKUPS"] = @copies
    app = Rack::MockRequest.new(Gimlet::API::App.new(Gimlet::Counter::Shop.new(database)))
    health = app.get("/api/health")
    assert_equal [200, "ailing"], [health.status, JSON.parse(health.body)["status"]]
    assert_match(/No copy can be written to .*copies/, JSON.parse(health.body)["problem"])
    answer = app.post("/api/backup", input: "{}", "CONTENT_TYPE" => "application/json")
    assert_equal [503, "copies_unwritable"], [answer.status, JSON.parse(answer.body)["code"]]
  ensure
    ENV.delete("GIMLET_BACKUPS")
  end

  def test_two_processes_at_once_make_two_copies
    path = database.opts[:database]
    database.disconnect
    pids = Array.new(3) { fork { 3.times { Backup.new(Gimlet::Store.file(path), @copies).keep } } }
    statuses = pids.map { |pid| Process.wait2(pid).last.exitstatus }
    assert_equal [0, 0, 0], statuses
    assert_equal Retention::NEWEST, manifest.copies.size
    assert_equal Retention::NEWEST, Dir["#{@copies}/*.sqlite3"].size
  end
end
