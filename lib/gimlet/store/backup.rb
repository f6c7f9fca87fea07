# frozen_string_literal: true

require "fileutils"
require "sequel"
require_relative "../core/input_error"
require_relative "lock"

module Gimlet
  module Store
    # Copies of the whole database that were proven before they count: sound, complete, and readable by this version.
    #
    #   Backup.new(database, "/srv/gimlet/backups").keep # => "/srv/gimlet/backups/gimlet-20261126-181500.sqlite3"
    class Backup
      KEPT = 30
      NAME = "gimlet-%s.sqlite3"
      # Tables that only ever grow.
      GROWING = %i[customers tickets entries orders order_versions order_list bench_entries sightings].freeze

      # @param path [String] of a database
      # @return [String] the folder of its copies, where none is set
      def self.folder(path) = ENV.fetch("GIMLET_BACKUPS") { File.join(File.dirname(path), "backups") }

      # @param folder [String]
      # @return [String, nil] the latest copy in it
      def self.latest(folder) = Dir[File.join(folder, format(NAME, "*"))].max_by { |file| File.mtime(file) }

      # @param file [String]
      # @return [Hash{Symbol=>Integer}] rows of each table
      # @raise [Core::InputError] when it is not a sound database of this version or an earlier one
      def self.proven(file)
        File.file?(file) || Core::InputError.reject("file", "no_file", "There is no file #{file}.")
        copy = Sequel.connect(adapter: "sqlite", database: file, readonly: true)
        fault = copy.fetch("PRAGMA integrity_check").first.values.first
        fault == "ok" || Core::InputError.reject("file", "damaged", "#{file} is damaged: #{fault}.")
        known(copy, file)
        counts(copy)
      rescue Sequel::DatabaseError => e
        Core::InputError.reject("file", "damaged", "#{file} is no sound database: #{e.message.lines.first.strip}.")
      ensure
        copy&.disconnect
      end

      def self.known(copy, file)
        newest = Dir[File.join(MIGRATIONS, "*.rb")].map { |one| File.basename(one).to_i }.max
        version = copy.table_exists?(:schema_info) ? copy[:schema_info].get(:version) : nil
        version || Core::InputError.reject("file", "not_gimlet", "#{file} is not a database of Gimlet's.")
        version <= newest || Core::InputError.reject("file", "too_new", "#{file} was written by a later version of Gimlet: use that one.")
      end
      private_class_method :known

      def self.counts(database) = database.tables.sort.to_h { |table| [table, database[table].count] }

      # @param file [String] a copy
      # @param path [String] of the database that it takes the place of; what was there is set aside
      # @return [Hash{Symbol=>Integer}] rows of each table, read back
      # @raise [Core::InputError] nothing was changed
      def self.restore(file, path)
        wanted = proven(file)
        holder = Lock.new(path).holder
        Core::InputError.reject("database", "in_use", "#{path} is being served by process #{holder}: stop that first.") if holder
        fresh = "#{path}.restoring"
        FileUtils.cp(file, fresh)
        File.chmod(PRIVATE, fresh)
        put_aside(path)
        File.rename(fresh, path)
        found = proven(path)
        found == wanted ? found : Core::InputError.reject("file", "not_equal", "What was restored differs from #{file}: look at both.")
      end

      # A leftover log beside another database would damage it.
      def self.put_aside(path)
        stamp = Time.now.utc.strftime("%Y%m%d-%H%M%S")
        ["", "-wal", "-shm"].each { |part| File.rename(path + part, "#{path}.set-aside-#{stamp}#{part}") if File.exist?(path + part) }
      end

      # @param database [Sequel::Database]
      # @param folder [String] of the copies
      def initialize(database, folder)
        @database = database
        @folder = folder
      end

      # A copy among the others; the oldest beyond KEPT go.
      # @param why [String, nil] stands in its name
      # @return [String] the file
      def keep(why = nil)
        FileUtils.mkdir_p(@folder)
        stamp = [Time.now.utc.strftime("%Y%m%d-%H%M%S-%L"), why].compact.join("-")
        file = write(File.join(@folder, format(NAME, stamp)))
        Dir[File.join(@folder, format(NAME, "*"))].sort_by { |one| File.mtime(one) }[0...-KEPT].each { |old| File.delete(old) }
        file
      end

      # @param file [String] a name that is free
      # @return [String] the same
      # @raise [Core::InputError] no such file is left behind
      def write(file)
        file.to_s.strip.empty? && Core::InputError.reject("file", "no_name", "Name the file that the copy is written to.")
        File.exist?(file) && Core::InputError.reject("file", "exists", "#{file} is there already: name a new file.")
        fresh = "#{file}.writing"
        FileUtils.rm_f(fresh)
        before = self.class.counts(@database)
        @database.run("VACUUM INTO #{@database.literal(fresh)}")
        prove(fresh, before)
        File.chmod(PRIVATE, fresh)
        File.rename(fresh, file)
        file
      ensure
        FileUtils.rm_f(fresh) if fresh
      end

      private

      # Rows may have come in since, none may be missing.
      def prove(fresh, before)
        found = self.class.proven(fresh)
        short = before.slice(*GROWING).select { |table, count| found.fetch(table, 0) < count }
        short.empty? || Core::InputError.reject("file", "incomplete", "The copy lacks rows of #{short.keys.join(', ')}: nothing was kept of it.")
      end
    end
  end
end
