# frozen_string_literal: true

require "sequel"
require_relative "../core/input_error"
require_relative "backup"
require_relative "lock"
require_relative "replacement"
require_relative "schema"
require_relative "upgrade"

module Gimlet
  # The truth: one SQLite file.
  #
  #   Store.connect("/srv/gimlet/gimlet.sqlite3")[:orders].count # => 181
  module Store
    # SQLite's own timeout waits without letting other Ruby threads run, the one that holds the lock among them.
    PATIENT = ->(connection) { connection.busy_handler_timeout = 5000 }

    module_function

    # @param path [String] the SQLite file, made when it is not there
    # @param lock [Lock] on it, taken already or not
    # @param out [#puts] told what is done
    # @return [Sequel::Database] of this version, foreign keys on, write-ahead log
    # @raise [Core::InputError] when there is something else
    def connect(path, lock: Lock.new(path), out: $stdout)
      path = File.realdirpath(path)
      settle(path, lock, out)
      file(path)
    end

    # @return [Sequel::Database] as it is
    def file(path)
      database = Sequel.connect(adapter: "sqlite", database: path, foreign_keys: true, max_connections: 8, after_connect: PATIENT)
      database.run("PRAGMA journal_mode = WAL")
      database
    end

    # What was begun is finished, what is missing is made, what is old is brought up to date.
    def settle(path, lock, out)
      replacement = Replacement.new(path)
      lock.hold { replacement.finish && out.puts("#{path}: what was decided before the last stop is done now.") } if replacement.decided?
      return lock.hold { create(replacement) } unless File.exist?(path)

      File.empty?(path) && Core::InputError.reject("database", "empty", "#{path} is empty: restore a copy with bin/gimlet restore FILE, " \
                                                                        "or remove the file to begin a new shop.")
      lock.hold { Upgrade.new(path, out: out).call } unless Backup.read_only(path) { |found| Schema.current?(found, path) }
    end
    private_class_method :settle

    def create(replacement)
      replacement.prepare { |fresh| Sequel.connect(adapter: "sqlite", database: fresh, foreign_keys: false) { |made| Schema.migrate(made) } }
      replacement.finish
    end
    private_class_method :create
  end
end
