# frozen_string_literal: true

require "tmpdir"
require_relative "../store/audit"
require_relative "../store/backup"
require_relative "../store/replica"
require_relative "../store/restore"

module Gimlet
  class Command
    # Copies of the database.
    module CopyCommands
      VERBS = { ["backup", 2] => :backup, ["backup", 1] => :keep, ["restore", 2] => :restore, ["restore", 3] => :restore, ["restore", 4] => :restore,
                ["audit", 1] => :audit }.freeze

      private

      def backup(path)
        Store::Backup.new(database, nil).write(path)
        proven(path)
      end

      def keep = proven(Store::Backup.new(database, Store::Backup.folder(database.opts[:database])).keep)

      def proven(file)
        @out.puts "Copied to #{file}: sound, #{in_words(Store::Backup.proven(file))}."
        true
      end

      # Whether what is kept agrees with itself; the answer stands in health until the next one.
      def audit
        found = Store::Audit.new(database).keep
        @out.puts(*found.map(&:to_s), found.empty? ? "Everything agrees." : "#{found.size} findings: docs/running.md, a bad day.")
        found.empty?
      end

      # Of a copy, or of what the replica has, at its latest or at a moment.
      def restore(file, *words)
        return Dir.mktmpdir { |folder| put_back(fetched(folder, *words), nil) } if file == "--from-replica"

        option, word = words
        unknown_option(option, "--despite")
        put_back(file, word)
      end

      def fetched(folder, moment = nil)
        FileUtils.mkdir_p(File.dirname(@path))
        replica = Store::Replica.of(File.realdirpath(@path)) ||
                  Core::InputError.reject("replica", "none", "GIMLET_REPLICA names no place to restore from.")
        replica.fetch(File.join(folder, "replica.sqlite3"), moment)
      end

      def put_back(file, word)
        found = Store::Restore.new(@path).call(file, word: word)
        @out.puts "#{@path} is #{file} now: sound, #{in_words(found.counts)}. What was there is set aside beside it.",
                  "Nobody is signed in and no script's token counts any more. These may sign in: #{found.people.join(', ')}; " \
                  "whoever has left since the copy is sent away with bin/gimlet leaves NAME."
        true
      end

      def in_words(counts) = %i[series tickets orders].map { |table| "#{counts.fetch(table, 0)} #{table}" }.join(", ")
    end
  end
end
