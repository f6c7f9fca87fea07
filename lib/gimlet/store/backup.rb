# frozen_string_literal: true

require "fileutils"
require "sequel"
require_relative "../core/input_error"
require_relative "manifest"
require_relative "retention"
require_relative "schema"

module Gimlet
  module Store
    # Copies of the whole database that were proven before they count: sound, complete, and readable by this version.
    #
    #   Backup.new(database, "/srv/gimlet/backups").keep # => "/srv/gimlet/backups/gimlet-20261126-181500-000.sqlite3"
    class Backup
      NAME = "gimlet-%s.sqlite3"
      PRIVATE = 0o600
      # Tables that only ever grow.
      GROWING = %i[customers tickets entries orders order_versions bench_entries history].freeze

      # @param path [String] of a database
      # @return [String] the folder of its copies, where none is set
      def self.folder(path) = ENV.fetch("GIMLET_BACKUPS") { File.join(File.dirname(path), "backups") }

      # @param folder [String]
      # @return [String, nil] the latest copy in it
      def self.latest(folder) = Dir[File.join(folder, format(NAME, "*"))].max_by { |file| File.mtime(file) }

      # @param folder [String]
      # @return [String, nil] why no copy can be written there
      def self.fault(folder)
        FileUtils.mkdir_p(folder)
        probe = File.join(folder, ".probe-#{Process.pid}")
        File.write(probe, "")
        File.delete(probe)
        nil
      rescue SystemCallError => e
        "No copy can be written to #{folder} (#{e.message.sub(/ @ .*/, '')}): see to the folder, or name another in GIMLET_BACKUPS."
      end

      # @param file [String]
      # @return [Hash{Symbol=>Integer}] rows of each table
      # @raise [Core::InputError] when it is not a sound database of this version or an earlier one
      def self.proven(file)
        File.file?(file) || Core::InputError.reject("file", "no_file", "There is no file #{file}.")
        read_only(file) do |copy|
          fault = copy.fetch("PRAGMA integrity_check").first.values.first
          fault == "ok" || Core::InputError.reject("file", "damaged", "#{file} is damaged: #{fault}.")
          Schema.current?(copy, file)
          counts(copy)
        end
      rescue Sequel::DatabaseError => e
        Core::InputError.reject("file", "damaged", "#{file} is no sound database: #{e.message.lines.first.strip}.")
      end

      # @yield [Sequel::Database] with what its write-ahead log has, if there is one
      def self.read_only(file, &) = Sequel.connect({ adapter: "sqlite", database: file, readonly: true }, &)

      # @param file [String]
      # @param fresh [String] a name that is free; what the write-ahead log has is in it
      def self.copy(file, fresh) = read_only(file) { |database| database.run("VACUUM INTO #{database.literal(fresh)}") }

      def self.counts(database) = Schema.tables(database).to_h { |table| [table, database[table].count] }

      # @return [Hash{Symbol=>Integer}] rows of what only grows
      def self.growing(database) = counts(database).slice(*GROWING)

      # @param database [Sequel::Database]
      # @param folder [String] of the copies
      def initialize(database, folder)
        @database = database
        @folder = folder
      end

      # A copy among the others, of which those go that Retention does not keep.
      # @param why [String, nil] stands in its name
      # @return [String] the file
      # @raise [Core::InputError] when the folder cannot be written to
      def keep(why = nil)
        fault = self.class.fault(@folder) and Core::InputError.reject("folder", "copies_unwritable", fault)
        alone do |manifest|
          manifest.clear_unfinished
          name = format(NAME, [Time.now.utc.strftime("%Y%m%d-%H%M%S-%L"), why].compact.join("-"))
          vacuum(manifest.begin(name))
          manifest.finish(name, why: why)
          manifest.forget(manifest.copies - Retention.kept(manifest.copies))
          File.join(@folder, name)
        end
      end

      # @param file [String] a name that is free
      # @return [String] the same
      # @raise [Core::InputError] no such file is left behind
      def write(file)
        file.to_s.strip.empty? && Core::InputError.reject("file", "no_name", "Name the file that the copy is written to.")
        File.exist?(file) && Core::InputError.reject("file", "exists", "#{file} is there already: name a new file.")
        fresh = file + Manifest::WRITING
        FileUtils.rm_f(fresh)
        vacuum(fresh)
        File.rename(fresh, file)
        file
      ensure
        FileUtils.rm_f(fresh) if fresh
      end

      private

      # One process at a time makes and removes copies.
      def alone
        File.open(File.join(@folder, ".copies.lock"), File::RDWR | File::CREAT, PRIVATE) do |lock|
          lock.flock(File::LOCK_EX)
          yield(Manifest.new(@folder))
        end
      end

      # Rows may have come in since, none may be missing.
      def vacuum(fresh)
        before = self.class.growing(@database)
        @database.run("VACUUM INTO #{@database.literal(fresh)}")
        found = self.class.proven(fresh)
        short = before.select { |table, count| found.fetch(table, 0) < count }
        short.empty? || Core::InputError.reject("file", "incomplete", "The copy lacks rows of #{short.keys.join(', ')}: nothing was kept of it.")
        File.chmod(PRIVATE, fresh)
        File.open(fresh, &:fsync)
      end
    end
  end
end
