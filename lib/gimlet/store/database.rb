# frozen_string_literal: true

require "fileutils"
require "sequel"

module Gimlet
  # The truth: one SQLite file.
  module Store
    MIGRATIONS = File.expand_path("migrations", __dir__)
    Sequel.extension :migration

    # @param path [String] the SQLite file, made when it is not there
    # @return [Sequel::Database] migrated, foreign keys on, write-ahead log
    def self.connect(path)
      FileUtils.mkdir_p(File.dirname(path))
      database = Sequel.connect(adapter: "sqlite", database: path, foreign_keys: true, timeout: 5000,
                                max_connections: 8)
      database.run("PRAGMA journal_mode = WAL")
      Sequel::Migrator.run(database, MIGRATIONS)
      database
    end
  end
end
