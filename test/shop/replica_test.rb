# frozen_string_literal: true

require_relative "../support/served"

# A second machine: the database is kept once more while ten tills work, its process killed and its disk gone at any moment.
class ReplicaTest < Minitest::Test
  # What was acknowledged so long before is there.
  PROMISED_S = 2
  KILLS = Integer(ENV.fetch("KILLS", "1"))
  TILLS = 10

  def setup
    @place = Dir.mktmpdir("replica", SeededApp::FOLDER)
    @served = []
  end

  def teardown
    @served.each(&:close)
    FileUtils.rm_rf(@place)
  end

  def served(folder = @place) = Served.new(env: { "GIMLET_REPLICA" => folder }).start.tap { |one| @served << one }
  def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

  # Each till books pieces one after the other, and notes when each was acknowledged.
  def tills(shop, acknowledged)
    Array.new(TILLS) do |till|
      Thread.new do
        (1..).each do |at|
          key = "till #{till}, #{at}"
          answer = shop.post("/api/movements", { key: key, kind: "received", number: "PW-K220", quantity: 1 })
          acknowledged[key] = now if answer.status == 200
        end
      rescue SystemCallError, IOError, Net::HTTPBadResponse, Net::ReadTimeout
        nil
      end
    end
  end

  def command(*words)
    IO.popen({ "GIMLET_REPLICA" => @place, "GIMLET_DB" => @served.last.path }, [File.join(Served::ROOT, "bin/gimlet"), *words], err: %i[child out],
             &:read)
  end

  def gone(shop)
    shop.stop(:KILL)
    Dir["#{shop.path}*", File.join(File.dirname(shop.path), ".*litestream")].each { |file| FileUtils.rm_rf(file) }
  end

  def test_killed_and_its_disk_gone_at_any_moment
    random = Random.new(Minitest.seed)
    KILLS.times do
      FileUtils.rm_rf(Dir["#{@place}/*"])
      shop, acknowledged = served, {}
      working = tills(shop, acknowledged)
      sleep 0.1 until acknowledged.size > 20
      sleep PROMISED_S + (random.rand * 3)
      gone(shop)
      at = now
      working.each(&:join)
      assert_match(/sound, 21 series/, command("restore", "--from-replica"), "seed #{Minitest.seed}")
      kept = Gimlet::Store::Backup.read_only(shop.path) { |database| database[:acts].select_map(:key) }
      promised = acknowledged.select { |_, time| time < at - PROMISED_S }.keys
      assert_operator promised.size, :>, 5
      assert_empty promised - kept, "seed #{Minitest.seed}"
      assert_empty(Gimlet::Store::Backup.read_only(shop.path) { |database| Gimlet::Store::Audit.new(database).call.map(&:to_s) })
    end
  end

  # Over what was restored it goes on: another life is kept in the same place, and health says how far behind.
  def test_it_goes_on_after_a_restore_and_health_tells
    shop = served
    add = ->(name) { shop.post("/api/customers", { key: name, name: name }).status }
    assert_equal 201, add.call("Before")
    sleep 3
    moment = Time.now.utc.iso8601
    sleep 1.1
    assert_equal 201, add.call("After")
    sleep 2
    health = shop.get("/api/health").json
    assert_operator health["replica_behind_s"], :<, 3, health
    assert_nil health["problem"]
    shop.stop
    assert_match(/is no moment/, command("restore", "--from-replica", "noon"))
    assert_match(/sound/, command("restore", "--from-replica", moment))
    names = -> { Gimlet::Store::Backup.read_only(shop.path) { |database| database[:customers].where(name: %w[Before After Again]).order(:name).select_map(:name) } }
    assert_equal %w[Before], names.call
    shop.start
    fresh = Gimlet::Store.file(shop.path)
    Gimlet::Store::Customers.new(fresh).add(name: "Again")
    fresh.disconnect
    sleep 3
    gone(shop)
    assert_match(/sound/, command("restore", "--from-replica"))
    assert_equal %w[Again Before], names.call
  end

  def test_without_one_all_is_as_it_was_and_a_wrong_place_is_told
    shop = Served.new.start.tap { |one| @served << one }
    assert_nil shop.get("/api/health").json["replica_behind_s"]
    assert_match(/GIMLET_REPLICA names no place/, shop.command("restore", "--from-replica"))
    assert_match(/gives no database/, command("restore", "--from-replica"))
  end
end
