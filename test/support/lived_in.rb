# frozen_string_literal: true

require_relative "app"

# A shop in the middle of a morning: the demo's script played once, and copied for every test that wants it.
module LivedIn
  # @return [String] its database
  def self.path
    @path ||= File.join(File.dirname(SeededApp::TEMPLATE), "lived_in.sqlite3").tap do |path|
      ["", "-wal", "-shm"].each { |suffix| FileUtils.rm_f("#{path}#{suffix}") }
      FileUtils.cp(SeededApp::TEMPLATE, path)
      shop = Gimlet::Store.connect(path)
      Gimlet::Demo.morning(shop)
      shop.run("PRAGMA wal_checkpoint(TRUNCATE)")
      shop.disconnect
    end
  end

  # From here on the test's own database is such a shop.
  def live_in
    file = database.opts[:database]
    @database.disconnect
    ["", "-wal", "-shm"].each { |suffix| FileUtils.rm_f("#{file}#{suffix}") }
    FileUtils.cp(LivedIn.path, file)
    @database = Gimlet::Store.connect(file)
  end
end
