# frozen_string_literal: true

require "fileutils"
require "sequel"
require_relative "backup"

module Gimlet
  # The truth: one SQLite file.
  module Store
    MIGRATIONS = File.expand_path("migrations", __dir__)
    # SQLite's own timeout waits without letting other Ruby threads run, the one that holds the lock among them.
    PATIENT = ->(connection) { connection.busy_handler_timeout = 5000 }
    # Who calls whom is nobody else's to read.
    PRIVATE = 0o600
    Sequel.extension :migration

    module_function

    # @param path [String] the SQLite file, made when it is not there
    # @return [Sequel::Database] migrated, foreign keys on, write-ahead log; what was there before a migration is copied first
    def connect(path)
      database = file(path)
      migrate(database, path) unless Sequel::Migrator.is_current?(database, MIGRATIONS)
      database
    end

    # @return [Sequel::Database] as it is
    def file(path)
      FileUtils.mkdir_p(File.dirname(path))
      File.open(path, File::CREAT | File::RDWR, PRIVATE, &:close) unless File.exist?(path)
      database = Sequel.connect(adapter: "sqlite", database: path, foreign_keys: true, max_connections: 8, after_connect: PATIENT)
      database.run("PRAGMA journal_mode = WAL")
      database
    end

    def migrate(database, path)
      Backup.new(database, Backup.folder(path)).keep("before-upgrade") if database.table_exists?(:series)
      Sequel::Migrator.run(database, MIGRATIONS)
    end
  end
end
