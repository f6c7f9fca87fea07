# frozen_string_literal: true

require_relative "../store/backup"
require_relative "../store/restore"

module Gimlet
  class Command
    # Copies of the database.
    module CopyCommands
      VERBS = { ["backup", 2] => :backup, ["backup", 1] => :keep, ["restore", 2] => :restore }.freeze

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

      def restore(file)
        found = Store::Restore.new(@path).call(file)
        @out.puts "#{@path} is #{file} now: sound, #{in_words(found.counts)}. What was there is set aside beside it.",
                  "Nobody is signed in and no script's token counts any more. These may sign in: #{found.people.join(', ')}; " \
                  "whoever has left since the copy is sent away with bin/gimlet leaves NAME."
        true
      end

      def in_words(counts) = %i[series tickets orders].map { |table| "#{counts.fetch(table, 0)} #{table}" }.join(", ")
    end
  end
end
