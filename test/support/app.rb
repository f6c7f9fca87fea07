# frozen_string_literal: true

require "minitest/autorun"
require "tmpdir"
require_relative "../../lib/gimlet/api/app"
require_relative "../../lib/gimlet/command"

# A seeded database of its own for every test.
module SeededApp
  TEMPLATE = File.join(Dir.mktmpdir("gimlet"), "seeded.sqlite3").tap do |path|
    database = Gimlet::Store.connect(path)
    Gimlet::Command.new(database, out: File.open(File::NULL, "w")).seed
    database.run("PRAGMA wal_checkpoint(TRUNCATE)")
    database.disconnect
  end

  def database
    @database ||= begin
      @folder = Dir.mktmpdir("gimlet")
      FileUtils.cp(TEMPLATE, "#{@folder}/test.sqlite3")
      Gimlet::Store.connect("#{@folder}/test.sqlite3")
    end
  end

  def teardown
    super
    @database&.disconnect
    FileUtils.rm_rf(@folder) if @folder
  end

  STATE = { "channel" => "phone", "customer_id" => nil, "readings" => [], "draft" => "", "scope" => %w[packings],
            "scope_agreed" => true, "model" => nil, "serial" => nil, "pumps" => 1, "policy" => "on_shelf", "units" => "N·m",
            "findings" => [] }.freeze

  # @return [Hash] the state of a ticket with these readings
  def state(*readings, **others)
    rows = readings.map { |reading| { "reading" => reading.transform_keys(&:to_s), "struck" => false } }
    STATE.merge("readings" => rows).merge(others.transform_keys(&:to_s))
  end
end
