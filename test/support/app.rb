# frozen_string_literal: true

# What the libraries that call the app without a network name it.
ENV["GIMLET_HOSTS"] = "example.org"
require "minitest/autorun"
require "tmpdir"
require_relative "../../lib/gimlet/api/app"
require_relative "../../lib/gimlet/command"
require_relative "../../lib/gimlet/server"

# A seeded database of its own for every test.
module SeededApp
  # In memory where the system has such a folder: some disks take a second to be sure of a write.
  FOLDER = File.directory?("/dev/shm") ? "/dev/shm" : Dir.tmpdir
  TEMPLATE = File.join(Dir.mktmpdir("gimlet", FOLDER), "seeded.sqlite3").tap do |path|
    database = Gimlet::Store.connect(path)
    Gimlet::Demo.seed(database)
    database.run("PRAGMA wal_checkpoint(TRUNCATE)")
    database.disconnect
  end

  def database
    @database ||= begin
      @folder = Dir.mktmpdir("gimlet", FOLDER)
      FileUtils.cp(TEMPLATE, "#{@folder}/test.sqlite3")
      Gimlet::Store.connect("#{@folder}/test.sqlite3")
    end
  end

  def teardown
    super
    @database&.disconnect
    FileUtils.rm_rf(@folder) if @folder
  end

  # @return [Hash] the first entry of a ticket
  def entry(kind, **body)
    @keys = (@keys || 0) + 1
    { "kind" => kind, "key" => "key #{@keys}", **body.transform_keys(&:to_s) }
  end
end

Minitest.after_run { FileUtils.rm_rf(File.dirname(SeededApp::TEMPLATE)) }
