# frozen_string_literal: true

require "minitest/autorun"
require "json"
require "net/http"
require "open3"
require "socket"
require "tmpdir"
require_relative "../../lib/gimlet/command"
require_relative "../../lib/gimlet/store/database"

# bin/demo as a user runs it: a process of its own.
class DemoCommandTest < Minitest::Test
  ROOT = File.expand_path("../..", __dir__)

  def setup
    @folder = Dir.mktmpdir
    @port = TCPServer.open("127.0.0.1", 0) { |server| server.addr[1] }
  end

  def teardown = FileUtils.rm_rf(@folder)

  # @param command [Array<String>] what serves, with what it is told
  # @param env [Hash] nothing but this is in its environment
  def served(*command, env: ENV.to_h)
    own = { "PATH" => ENV.fetch("PATH"), "PORT" => @port.to_s, "GIMLET_DB" => "#{@folder}/demo.sqlite3", "GIMLET_DEMO" => "yes" }
    pid = spawn({ **env, **own }, *command, unsetenv_others: true, out: "#{@folder}/log", err: "#{@folder}/log", pgroup: true)
    wait_for_health
    sign_in
    yield
  ensure
    Process.kill("TERM", pid)
    Process.wait(pid)
  end

  # What is served must not lean on what only tests load: no route may answer 500.
  def served_alone
    view = JSON.parse(post("/api/tickets", { kind: "said", key: "o", words: "plate TK4R20, serial 31500, 15 lpm, green, packings" }).body)
    assert_equal "201", post("/api/orders", { ticket_id: view["id"], on: view["last"], seen: view["seen"] }).code
    %w[card.pdf strip.pdf mat.pdf bench versions/9].each { |rest| assert_operator get("/api/orders/1/#{rest}").code.to_i, :<, 500, rest }
    @cookie = post("/api/session", { name: "Oddny" })["set-cookie"][/\A[^;]+/]
    JSON.parse(get("/api/openapi.json").body)["paths"].except("/api/session", "/api/session/end").each do |path, item|
      route = path.gsub(/\{\w+\}/, "1")
      item.keys.grep(/get|post/).each { |verb| assert_operator (verb == "get" ? get(route) : post(route, {})).code.to_i, :<, 500, "#{verb} #{path}" }
    end
    sign_in
  end

  # @return [Array(Boolean, String)] whether it went well, and what it said
  def told_by(command, env = {})
    said, status = Open3.capture2e({ "PORT" => @port.to_s, "GIMLET_DB" => "#{@folder}/demo.sqlite3", **env }, *command)
    [status.success?, said]
  end

  def wait_for_health
    # The first start plays three weeks of the shop, on a machine that is busy with other tests.
    1200.times do
      return if get("/api/health").is_a?(Net::HTTPSuccess)
    rescue Errno::ECONNREFUSED
      sleep 0.1
    end
    flunk File.read("#{@folder}/log")
  end

  def get(path) = Net::HTTP.get_response(URI("http://127.0.0.1:#{@port}#{path}"), { "Cookie" => @cookie.to_s })

  def post(path, body)
    Net::HTTP.post(URI("http://127.0.0.1:#{@port}#{path}"), JSON.generate(body), "Content-Type" => "application/json", "Cookie" => @cookie.to_s)
  end

  # The demo's own people, by one key.
  def sign_in = @cookie = post("/api/session", { name: "Ines" })["set-cookie"][/\A[^;]+/]

  # Filled before, without the weeks that a first start plays: that one is started in the test below, and by --reset.
  def filled
    database = Gimlet::Store.connect("#{@folder}/demo.sqlite3")
    Gimlet::Demo.seed(database)
    database.run("PRAGMA wal_checkpoint(TRUNCATE)")
    database.disconnect
  end

  # No cron, no container has a locale: it starts without an environment.
  def test_tickets_survive_a_restart_and_reset_starts_afresh
    filled
    served("#{ROOT}/bin/demo", env: {}) do
      assert_equal "ok", JSON.parse(get("/api/health").body)["status"]
      assert_includes get("/").body, "<title>Gimlet</title>"
      assert_includes post("/api/identify", { text: "20 × 28 × 6 seal, plate Å" }).body, "candidates"
      @told = post("/api/tickets", { kind: "said", key: "k", words: "8 bolts of the kiosk" })
      assert_equal "201", @told.code
      served_alone
      refused
    end
    id = JSON.parse(@told.body)["id"]
    again = served("#{ROOT}/bin/gimlet", "serve") { said(id) }
    assert_equal "8 bolts of the kiosk", again
    refute_equal "8 bolts of the kiosk", served("#{ROOT}/bin/demo", "--reset") { said(id) }
    kept = Dir["#{@folder}/demo.sqlite3.set-aside-*"].find { |file| file.match?(/\d\z/) }
    assert_equal id + 1, Sequel.connect(adapter: "sqlite", database: kept)[:tickets].count
  end

  def said(id) = JSON.parse(get("/api/tickets/#{id}").body).dig("call", 0, "words")

  def refused
    ["bin/demo --reset", "bin/gimlet serve", "bin/gimlet restore #{@folder}/demo.sqlite3"].map(&:split).each do |verb, *rest|
      went, told = told_by(["#{ROOT}/#{verb}", *rest])
      refute went, verb
      assert_match(/is being served .*by process \d+/, told)
    end
  end

  def test_the_demo_goes_over_nothing
    shop = Gimlet::Store.connect("#{@folder}/demo.sqlite3")
    shop[:customers].insert(name: "a real one", place: "here")
    shop.disconnect
    went, said = told_by(["#{ROOT}/bin/gimlet", "demo"])
    refute went
    assert_match(/holds a shop's own data/, said)
  end
end
