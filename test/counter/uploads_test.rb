# frozen_string_literal: true

require_relative "../support/app"

# Files that are read beside the shop: limited, followed, given up, and never more than a few.
class UploadsTest < Minitest::Test
  include SeededApp

  Uploads = Gimlet::Counter::Uploads

  def uploads = @uploads ||= Uploads.new(database.opts[:database])

  def teardown
    uploads.stop
    super
  end

  def list(lines) = StringIO.new("number,price\n#{(1..lines).map { |at| "N-#{at},#{at}.50\n" }.join}")
  def begun(lines) = uploads.begin("prices", list(lines), who: "Adela", longest: 10_000_000)

  def wait_until(upload, seconds: 90)
    (seconds * 50).times { yield(upload) ? (return upload) : sleep(0.02) }
    flunk "#{upload.state}, #{upload.done} of #{upload.of}: #{upload.problem}"
  end

  # Rows read, of how many: it moves, and a step at the counter is answered meanwhile.
  def test_progress_moves_while_others_work
    app = Rack::MockRequest.new(Gimlet::API::App.new(Gimlet::Counter::Shop.new(database)))
    upload = begun(40_000)
    seen = []
    wait_until(upload) do
      app.get("/api/tickets")
      seen << upload.done if upload.state == "reading" && upload.done
      upload.state == "looked"
    end
    assert_operator seen.uniq.size, :>, 3
    assert_equal seen.sort, seen
    assert_in_delta 40_000, upload.of, 2
    assert_equal 40_000, upload.dry_run["changed"]
  end

  # How long others wait meanwhile: bench/uploads.rb.
  def test_thirty_thousand_prices_are_taken_at_once
    upload = wait_until(begun(30_000)) { |one| one.state == "looked" }
    uploads.take(upload, mark: upload.dry_run["mark"], skip: false)
    counts = []
    wait_until(upload) do
      Gimlet::Store::Settings.new(database)["beat"] = "x"
      counts << database[:stock].where(Sequel.like(:number, "N-%")).count
      upload.state == "taken"
    end
    assert_equal 30_000, upload.taken["taken"]
    assert_equal [0, 30_000], (counts << database[:stock].where(Sequel.like(:number, "N-%")).count).uniq
  end

  def test_too_much_is_ended_and_said
    path = database.opts[:database]
    IO.copy_stream(list(90_000), file = "#{path}.list")
    upload = Gimlet::Counter::Upload.new("x", kind: "prices", file: file, database: path, who: "Adela", cpu_s: 1)
    upload.run("dry_run")
    assert_equal %w[refused too_much], [upload.state, upload.problem["code"]]
    refute File.exist?(file)
  end

  # As a fault of ours would end it: the database is not where it was.
  def test_what_breaks_is_said_without_a_word_of_ours
    path = database.opts[:database]
    IO.copy_stream(list(1), file = "#{path}.list")
    upload = Gimlet::Counter::Upload.new("x", kind: "prices", file: file, database: "#{path}/none", who: "Adela")
    capture_subprocess_io { upload.run("dry_run") }
    assert_equal %w[refused internal file], [upload.state, *upload.problem.values_at("code", "field")]
    assert_match(/nothing was changed\. Try again/, upload.problem["detail"])
  end

  def test_given_up_while_it_is_read
    upload = wait_until(begun(90_000)) { |one| one.state == "reading" && one.done }
    upload.give_up
    sleep 0.3
    assert_equal "given_up", upload.state
    assert_empty Dir["#{database.opts[:database]}.uploads/*"]
    assert_nil upload.dry_run
  end

  # All or nothing, and never said to be nothing when it may be all.
  def test_what_is_being_taken_is_not_given_up
    upload = wait_until(begun(60_000)) { |one| one.state == "looked" }
    uploads.take(upload, mark: upload.dry_run["mark"], skip: false)
    wait_until(upload) { |one| one.state == "taking" && one.done }
    assert_equal "being_taken", assert_raises(Gimlet::Core::InputError) { upload.give_up }.code
    upload.stop
    wait_until(upload) { |one| one.state == "looked" }
    assert_equal "not_known", upload.problem["code"]
    assert_includes [0, 60_000], database[:stock].where(Sequel.like(:number, "N-%")).count
  end

  def test_only_a_few_wait
    all = Array.new(Uploads::MOST) { begun(50_000) }
    error = assert_raises(Gimlet::Core::InputError) { begun(1) }
    assert_equal "too_many_uploads", error.code
    all.each(&:give_up)
    assert_equal "looked", wait_until(begun(1)) { |one| one.state == "looked" }.state
    error = assert_raises(Gimlet::Core::InputError) { uploads.begin("prices", StringIO.new("x" * 11), who: "Adela", longest: 10) }
    assert_equal "too_large", error.code
    assert_equal(0, Dir["#{database.opts[:database]}.uploads/*"].count { |file| File.size(file) == 11 })
  end
end
