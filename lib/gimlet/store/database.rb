# frozen_string_literal: true

require "fileutils"
require "sequel"

module Gimlet
  # The truth: one SQLite file.
  module Store
    MIGRATIONS = File.expand_path("migrations", __dir__)
    # SQLite's own timeout waits without letting other Ruby threads run, the one that holds the lock among them.
    PATIENT = ->(connection) { connection.busy_handler_timeout = 5000 }
    Sequel.extension :migration

    # @param path [String] the SQLite file, made when it is not there
    # @return [Sequel::Database] migrated, foreign keys on, write-ahead log
    def self.connect(path)
      FileUtils.mkdir_p(File.dirname(path))
      database = Sequel.connect(adapter: "sqlite", database: path, foreign_keys: true, max_connections: 8,
                                after_connect: PATIENT)
      database.run("PRAGMA journal_mode = WAL")
      Sequel::Migrator.run(database, MIGRATIONS)
      database
    end
  end
end
