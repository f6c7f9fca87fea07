# frozen_string_literal: true

# Kills an upgrade of an old shop at a moment drawn by lot, again and again: the next start must go through, with every row.
#
#   ruby bench/upgrades.rb [kills]
require "bundler/setup"
require "fileutils"
require "sequel"
require "tmpdir"
require_relative "../lib/gimlet/store/database"

KILLS = Integer(ARGV.fetch(0, "200"))
CONNECT = "require 'bundler/setup'; require_relative '#{File.expand_path('../lib/gimlet/store/database', __dir__)}'; $stdout.puts 'begin'; " \
          "$stdout.flush; Gimlet::Store.connect(ARGV.first, out: $stderr)".freeze
STATE = JSON.generate(channel: "phone", customer_id: 1, readings: [{ reading: { trait: "head_bolts", value: 8 }, struck: false }],
                      scope: ["packings"], scope_agreed: true, pumps: 1, model: nil, serial: nil, policy: "cheapest", units: "N·m", findings: [])
random = Random.new(seed = ENV.fetch("SEED", "7").to_i)

# As the second version left it, with enough in it that the upgrade takes a while.
def old_shop(path)
  Sequel.connect(adapter: "sqlite", database: path) do |old|
    Gimlet::Store::Schema.migrate(old, target: 2)
    old[:customers].insert(name: "kept", place: "here")
    old[:tickets].multi_insert(Array.new(2000) { { state: STATE, created_at: Time.now, updated_at: Time.now } })
    old[:orders].multi_insert((1..500).map { |id| { ticket_id: id, catalogue_version: "x", document: "{}", created_at: Time.now } })
  end
end

def upgrade(path) = IO.popen([RbConfig.ruby, "-e", CONNECT, path], err: File::NULL)

folder = Dir.mktmpdir("gimlet")
old_shop(template = File.join(folder, "template.sqlite3"))
FileUtils.cp(template, path = File.join(folder, "shop.sqlite3"))
start = nil
upgrade(path).tap { |pipe| pipe.gets && start = Process.clock_gettime(Process::CLOCK_MONOTONIC) }.read
whole = Process.clock_gettime(Process::CLOCK_MONOTONIC) - start
stuck, lost = 0, 0
KILLS.times do
  FileUtils.rm_rf([*Dir["#{path}*"], File.join(folder, "backups")])
  FileUtils.cp(template, path)
  pipe = upgrade(path)
  pipe.gets
  sleep(random.rand * whole * 1.05)
  Process.kill(:KILL, pipe.pid)
  pipe.close
  shop = Gimlet::Store.connect(path, out: File.open(File::NULL, "w"))
  counts = %i[customers tickets orders].map { |table| shop[table].count }
  lost += 1 unless counts == [1, 2000, 500] && Gimlet::Store::Schema.whole?(shop) && shop[:entries].count > 2000
  shop.disconnect
rescue Gimlet::Core::InputError, Sequel::Error => e
  stuck += 1
  puts e.message
end
puts "seed #{seed}: an upgrade takes #{(whole * 1000).round} ms; kills #{KILLS}, stuck #{stuck}, with rows lost #{lost}"
FileUtils.rm_rf(folder)
